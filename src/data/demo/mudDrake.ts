import { withSurface } from "../../core/edits/surfaces";
import { growthFrom, type GrowthMapId } from "../../core/growth/maps";
import { hides } from "../../core/hides";
import { FIRST_FIGURE, onSeat, USUAL_LAMP, type Job, type SeatUse } from "../../core/job";
import type { SchemeId } from "../../core/schemes";
import type { SchemeAnswers } from "../../core/schemes/scheme";
import { schemes } from "../../core/schemes";
import { planStart, startSurface } from "../../core/schemes/start";
import type { FormId } from "../../core/surface/forms";
import { ferrySergeant } from "./ferrySergeant";
import { bare, bodyUse, once } from "./pieces";
import { demoShelf } from "./shelf";

/** The drake stands this high at the shoulder and is so long from chest to rump, mm; its left flank is seen. */
const POSE = { shoulderMm: 15, lengthMm: 28, headDeg: 25, strideDeg: 30, turnDeg: -70 } as const;

interface Part {
  readonly id: string;
  readonly name: string;
  readonly form: FormId;
  readonly sizes: Readonly<Record<string, number>>;
  readonly seat: SeatUse;
  readonly growth: GrowthMapId | null;
  /** Scales on it; smooth where left out. */
  readonly scales?: Readonly<Record<string, number>>;
  readonly scheme: SchemeId;
  /** Coats of the scheme that the part has no place for, by name. */
  readonly without?: readonly string[];
  readonly answers: SchemeAnswers;
  readonly seed: number;
}

/** Mud green, olive below, and what the table's owner looks at from the front. */
const HIDE = {
  scheme: "scales-plated",
  answers: { age: "used", look: "plain", colour: "#4a5236" },
} as const satisfies Pick<Part, "scheme" | "answers">;

/** A limb or body part: smooth, without the grooves of a person's torso. */
const SMOOTH = {
  ...{ bendDeg: 0, muscles: 0, muscleMm: 0, spineMm: 0, deepPct: 100, lowerRound: 0, upperRound: 0 },
} as const;

/** Keeled scales; the belly of what runs along the body looks down. */
const KEELED = {
  ...{ width: 1.5, long: 128, small: 45, lift: 0.26, keel: 17, belly: 26, bellyAt: 0, plates: 2, unlike: 50 },
} as const;

/** No light comes to the plates of these. */
const PLATES = ["Belly, plate by plate"] as const;

const PARTS: readonly Part[] = [
  {
    ...{ id: "body", name: "Body", form: "trunk", growth: "nose-to-tail", seed: 91, ...HIDE },
    sizes: {
      ...SMOOTH,
      ...{ lowerMm: 30, middleMm: 37, upperMm: 32, lengthMm: 37, middleAt: 55, deepPct: 100 },
      ...{ lowerRound: 25, upperRound: 25 },
    },
    seat: { ...onSeat("back"), upMm: 4.6 },
    scales: KEELED,
  },
  {
    ...{ id: "neck", name: "Neck", form: "trunk", growth: "nose-to-tail", seed: 92, ...HIDE },
    sizes: { ...SMOOTH, lowerMm: 31, middleMm: 26, upperMm: 22, lengthMm: 16, middleAt: 50 },
    seat: { ...onSeat("neck"), upMm: 8.5 },
    scales: { ...KEELED, width: 1.2 },
  },
  {
    ...{ id: "head", name: "Head", form: "trunk", growth: "nose-to-tail", seed: 93, ...HIDE },
    sizes: {
      ...SMOOTH,
      ...{ lowerMm: 14, middleMm: 19, upperMm: 30, lengthMm: 22, middleAt: 60 },
      ...{ lowerRound: 25, upperRound: 40 },
    },
    seat: { ...onSeat("head"), tiltDeg: -70, outMm: -4.6, upMm: 1.9 },
    scales: { ...KEELED, width: 0.8, lift: 0.16, keel: 8 },
  },
  {
    ...{ id: "tail", name: "Tail", form: "trunk", growth: "down", seed: 94, ...HIDE },
    sizes: { ...SMOOTH, lowerMm: 4, middleMm: 13, upperMm: 23, lengthMm: 38, middleAt: 55, lowerRound: 10 },
    seat: { ...onSeat("tail"), upMm: 3 },
    scales: { ...KEELED, width: 1.2 },
    without: PLATES,
  },
  {
    ...{ id: "forelegs", name: "Forelegs", form: "trunk", growth: "down", seed: 95, ...HIDE },
    sizes: { ...SMOOTH, lowerMm: 10, middleMm: 12, upperMm: 18, lengthMm: 10, middleAt: 45, upperRound: 50 },
    seat: { ...onSeat("left-leg"), both: true, upMm: 3 },
    scales: { ...KEELED, width: 0.9, belly: 22, plates: 1.2, lift: 0.2 },
    without: PLATES,
  },
  {
    ...{ id: "hind-legs", name: "Hind legs", form: "trunk", growth: "down", seed: 96, ...HIDE },
    sizes: { ...SMOOTH, lowerMm: 10, middleMm: 14, upperMm: 21, lengthMm: 11, middleAt: 45, upperRound: 50 },
    seat: { ...onSeat("left-hind-leg"), both: true, upMm: 3.5 },
    scales: { ...KEELED, width: 0.9, belly: 22, plates: 1.2, lift: 0.2 },
  },
  {
    ...{ id: "horn", name: "Horn", form: "horn", growth: null, seed: 97 },
    sizes: { lengthMm: 8, rootMm: 6.5, tipMm: 0.8, bendDeg: 50, rings: 11, ringMm: 0.1, twistDeg: 20 },
    seat: { ...onSeat("head"), upMm: 2.8, outMm: -1.5, tiltDeg: -25 },
    ...{ scheme: "horn-zones", answers: { age: "used", look: "quiet", colour: "#8f7648" } },
  },
];

/** A part on its seat, scaled, growing as its map tells, started from its scheme. */
function withPart(job: Job, part: Part): Job {
  const hide = part.scales ? { id: "scales", version: hides.scales.version, params: part.scales } : null;
  const seated = { ...bare(part), seat: part.seat, hide };
  const placed = { ...job, surfaces: [...job.surfaces, seated] };
  const surface = part.growth ? { ...seated, growth: growthFrom(placed, seated, part.growth) } : seated;
  const grown = { ...job, surfaces: [...job.surfaces, surface] };
  const started = startSurface(
    grown,
    part.id,
    planStart(grown, surface, schemes[part.scheme], part.answers, demoShelf),
  );
  return withSurface(started, part.id, (own) => ({
    ...own,
    coats: own.coats.filter(({ name }) => !part.without?.includes(name)),
  }));
}

/** The mud drake: keeled scales and a plated belly from nose to tail, lit scale by scale, and a horn in zones. */
export const mudDrake = once((): Job =>
  PARTS.reduce(withPart, {
    ...ferrySergeant(),
    id: "mud-drake",
    name: "Mud drake",
    figures: [
      {
        ...{ id: FIRST_FIGURE, name: "Mud drake", eyeHeightMm: 32, standard: "display", primer: "black" },
        ...{ viewingDistanceMm: 450, lamp: USUAL_LAMP, lights: [], count: 1 },
        body: bodyUse("long-beast", POSE),
        notes: "Lies in the mud under the landing until it moves. The head and the left flank are looked at.",
      },
    ],
    mixes: [],
    goals: [],
    surfaces: [],
    touching: [
      ["head", "neck"],
      ["head", "horn"],
      ["neck", "body"],
      ["body", "tail"],
      ["body", "forelegs"],
      ["body", "hind-legs"],
    ],
  }),
);
