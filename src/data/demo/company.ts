import { putPattern, withParams } from "../../core/edits/patterns";
import { withSurface } from "../../core/edits/surfaces";
import { FIRST_FIGURE, USUAL_LAMP, type Figure, type Job } from "../../core/job";
import { presets, startFrom } from "../../core/patterns/camouflage/presets";
import { deriveCoats } from "../../core/patterns/derive";
import type { FormId } from "../../core/surface/forms";
import { ferrySergeant } from "./ferrySergeant";
import { demoShelf } from "./shelf";
import { bare, bodyUse, once, seatOf, TROUSER_LEG, withPieces, type Piece } from "./pieces";
import { drownedDeckhand } from "./drownedDeckhand";
import { landingWall } from "./landingWall";
import { mudDrake } from "./mudDrake";
import { mudflatBases } from "./mudflatBases";
import { tideHound } from "./tideHound";
import { winchEngine } from "./winchEngine";

/** A skirt of four pieces in narrow folds, hemmed. */
const WATCH_SKIRT = {
  ...{ waistMm: 30, hemMm: 46, slantMm: 10, gapDeg: 0, seams: 4 },
  ...{ pleats: 7, pleatDepthMm: 0.6, tight: 40, borderMm: 0.5 },
} as const;

/** Three leathers, unlike in lightness where they touch. */
const LEATHERS: readonly Piece[] = [
  {
    id: "satchel",
    name: "Satchel",
    form: "bag",
    sizes: { widthMm: 8.5, heightMm: 7.5, flap: 55, bulgeMm: 0.9, folds: 4 },
    scheme: "leather-stippled",
    answers: { age: "used", look: "striking", colour: "#75492a" },
    seed: 31,
  },
  {
    id: "strap",
    name: "Shoulder strap",
    form: "strap",
    sizes: { lengthMm: 24, widthMm: 2.4, thicknessMm: 0.4, strands: 1, bends: 3, stitchMm: 0.5, holes: 0 },
    scheme: "leather-stippled",
    answers: { age: "used", look: "plain", colour: "#4a2f23" },
    seed: 32,
  },
  {
    id: "gloves",
    name: "Gloves",
    form: "hand",
    sizes: {
      roundMm: 9,
      wristMm: 7,
      lengthMm: 7.5,
      curlDeg: 95,
      fingers: 4,
      knuckleMm: 0.25,
      thumbMm: 0.45,
      cuffMm: 1.6,
    },
    scheme: "leather-scrubbed",
    answers: { age: "old", look: "plain", colour: "#8a6a48" },
    seed: 33,
    both: true,
  },
];

const REED: readonly Piece[] = [
  {
    id: "collar",
    name: "Velvet collar",
    form: "limb",
    sizes: { roundMm: 18, lengthMm: 4.5, creases: 3, creaseMm: 0.35 },
    scheme: "velvet",
    answers: { age: "new", look: "plain", colour: "#5a2437" },
    seed: 43,
  },
  {
    id: "trousers",
    name: "Trousers",
    form: "sleeve",
    sizes: TROUSER_LEG,
    scheme: "cloth-quiet",
    answers: { age: "used", look: "quiet", colour: "#4d5560" },
    seed: 44,
    both: true,
  },
];

/** A piece in the company's marsh pattern. */
interface Marsh {
  readonly id: string;
  readonly name: string;
  readonly form: FormId;
  readonly sizes: Readonly<Record<string, number>>;
  readonly seed: number;
  readonly both?: true;
  /** Changes the settings the family starts with. */
  readonly set: (params: Readonly<Record<string, unknown>>) => unknown;
}

const asItStarts = (params: Readonly<Record<string, unknown>>): unknown => params;

const MARSH: readonly Marsh[] = [
  {
    ...{
      id: "hood",
      name: "Hood",
      form: "hood",
      sizes: { headMm: 20, lowerMm: 28, overMm: 10, faceMm: 5, openMm: 6.6, folds: 9, foldMm: 0.5 },
      seed: 41,
    },
    set: asItStarts,
  },
  {
    ...{ id: "cloak", name: "Marsh cloak", form: "cloak", seed: 42 },
    sizes: {
      ...{ hemMm: 34, neckMm: 12, lengthMm: 22, folds: 7, foldMm: 1.2, torn: 1.6, seams: 3 },
      ...{ tight: 60, wrinkles: 40, borderMm: 0, yokeMm: 3.5 },
    },
    set: asItStarts,
  },
];

/** A job with pieces more, each in the pattern; mixes of one colour are shared. */
function inMarsh(job: Job, pieces: readonly Marsh[]): Job {
  return pieces.reduce<Job>((current, { set, ...piece }) => {
    const { id } = piece;
    const plain = bare(piece);
    const surface = { ...plain, seat: seatOf(current, plain, piece) };
    const grown = { ...current, surfaces: [surface, ...current.surfaces] };
    const put = putPattern(grown, id, "camouflage", demoShelf);
    const own = (params: unknown) => set(params as Readonly<Record<string, unknown>>);
    return deriveCoats(
      withSurface(put, id, (now) => withParams(now, own)),
      demoShelf,
      put,
    );
  }, job);
}

/** The ferry sergeant: check-cloth coat skirt, satchel, strap and gloves in three leathers. */
export const wholeSergeant = once((): Job => ({
  ...withPieces(ferrySergeant(), LEATHERS),
  touching: [
    ["coat-skirt", "satchel"],
    ["satchel", "strap"],
    ["strap", "gloves"],
  ],
}));

/** The reed scout: cloak and hood in the marsh pattern, a velvet collar, and a leg that stays back. */
export const reedScout = once((): Job => ({
  ...inMarsh(
    withPieces(
      {
        ...ferrySergeant(),
        id: "reed-scout",
        name: "Reed scout",
        figures: [
          {
            id: FIRST_FIGURE,
            name: "Reed scout",
            eyeHeightMm: 32,
            standard: "display",
            primer: "grey",
            viewingDistanceMm: 450,
            lamp: USUAL_LAMP,
            lights: [],
            body: bodyUse("person-standing", {
              ...{ stoopDeg: 8, headTurnDeg: 20, armsOutDeg: 4, armsAheadDeg: 25, elbowDeg: 70 },
            }),
            notes:
              "Lies in the reeds all day: nothing on it may shine, and only the collar should draw the eye.",
            count: 1,
          },
        ],
        mixes: [],
        goals: [],
        surfaces: [],
      },
      REED,
    ),
    MARSH,
  ),
  touching: [
    ["hood", "collar"],
    ["collar", "cloak"],
    ["cloak", "trousers"],
  ],
}));

/** Five of the ferry watch: coats in blotch and dot, bars on the trousers. */
export const ferryWatch = once((): Job => {
  const figure: Figure = {
    id: FIRST_FIGURE,
    name: "Ferry watch",
    eyeHeightMm: 30,
    standard: "tabletop",
    primer: "grey",
    viewingDistanceMm: 600,
    lamp: USUAL_LAMP,
    lights: [],
    body: bodyUse("person-walking", { strideDeg: 40, armsOutDeg: 12, armsAheadDeg: 5, elbowDeg: 25 }),
    notes: "The night crossing's watch: all of one cut, no two of one pattern.",
    count: 5,
  };
  const empty: Job = {
    ...ferrySergeant(),
    id: "ferry-watch",
    name: "Ferry watch",
    figures: [figure],
    mixes: [],
    goals: [],
    surfaces: [],
  };
  const from = (at: number) => () => startFrom(presets[at]!, figure, empty.hand.finestLineMm, 11 + at);
  return {
    ...inMarsh(empty, [
      {
        ...{ id: "trousers", name: "Trousers", form: "sleeve", seed: 52, both: true },
        sizes: TROUSER_LEG,
        set: from(2),
      },
      {
        ...{ id: "coat", name: "Coat skirt", form: "cone-band", seed: 51 },
        sizes: WATCH_SKIRT,
        set: from(1),
      },
    ]),
    touching: [["coat", "trousers"]],
  };
});

/** Everything an empty database is filled with. */
export const demoJobs = (): Job[] => [
  wholeSergeant(),
  reedScout(),
  ferryWatch(),
  tideHound(),
  mudDrake(),
  drownedDeckhand(),
  winchEngine(),
  landingWall(),
  mudflatBases(),
];
