import { FIRST_FIGURE, USUAL_LAMP, type Job } from "../../core/job";
import { ferrySergeant } from "./ferrySergeant";
import { bodyUse, once, TROUSER_LEG, withPieces, type Piece } from "./pieces";

/** Skin that was long under water. */
const DROWNED = { scheme: "skin-dead", answers: { age: "used", look: "plain", colour: "#a08d78" } } as const;

const PIECES: readonly Piece[] = [
  {
    ...{ id: "torso", name: "Torso", form: "trunk", seed: 81, ...DROWNED },
    sizes: {
      ...{ lowerMm: 21, middleMm: 27, upperMm: 26, lengthMm: 14.5, middleAt: 65, deepPct: 72 },
      ...{ upperRound: 45, muscles: 4, muscleMm: 0.25, spineMm: 0.25 },
    },
    moved: { upMm: 5.2 },
  },
  {
    ...{ id: "arms", name: "Arms", form: "trunk", seed: 82, both: true, ...DROWNED },
    sizes: {
      ...{ lowerMm: 6.8, middleMm: 10, upperMm: 10.5, lengthMm: 12.5, middleAt: 60, deepPct: 100 },
      ...{ upperRound: 25, muscles: 2, muscleMm: 0.2, spineMm: 0 },
    },
    moved: { id: "left-arm", upMm: 1.2 },
  },
  {
    ...{ id: "hands", name: "Hands", form: "hand", seed: 85, both: true, ...DROWNED },
    sizes: {
      roundMm: 8.5,
      wristMm: 6.4,
      lengthMm: 6.5,
      curlDeg: 50,
      fingers: 4,
      knuckleMm: 0.3,
      thumbMm: 0.45,
      cuffMm: 0,
    },
  },
  {
    ...{ id: "head", name: "Head", form: "trunk", seed: 83, ...DROWNED },
    sizes: {
      ...{ lowerMm: 9, middleMm: 15.5, upperMm: 15, lengthMm: 8.5, middleAt: 60, deepPct: 115 },
      ...{ upperRound: 45, muscles: 1, muscleMm: 0.2, spineMm: 0 },
    },
    moved: { id: "head" },
  },
  {
    ...{ id: "trousers", name: "Trousers", form: "sleeve", sizes: TROUSER_LEG, seed: 84, both: true },
    scheme: "cloth-quiet",
    answers: { age: "old", look: "quiet", colour: "#3d4a4a" },
  },
];

/** The drowned deckhand: skin that moves from green to pale in scratchy layers, torn here and there, in wet trousers. */
export const drownedDeckhand = once((): Job => ({
  ...withPieces(
    {
      ...ferrySergeant(),
      id: "drowned-deckhand",
      name: "Drowned deckhand",
      figures: [
        {
          ...{
            id: FIRST_FIGURE,
            name: "Drowned deckhand",
            eyeHeightMm: 32,
            standard: "display",
            primer: "black",
          },
          ...{ viewingDistanceMm: 450, lamp: USUAL_LAMP, lights: [], count: 1 },
          body: bodyUse("person-walking", {
            strideDeg: 30,
            armsOutDeg: 10,
            armsAheadDeg: 45,
            elbowDeg: 20,
            stoopDeg: 10,
          }),
          notes: "Walks up out of the harbour at low water. Cold skin, wet wounds; nothing on it is warm.",
        },
      ],
      mixes: [],
      goals: [],
      surfaces: [],
    },
    PIECES,
  ),
  touching: [
    ["head", "torso"],
    ["torso", "arms"],
    ["arms", "hands"],
    ["torso", "trousers"],
  ],
}));
