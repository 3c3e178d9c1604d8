import { bodies } from "../../core/figure/bodies";
import { growthFrom, type GrowthMapId } from "../../core/growth/maps";
import { hides } from "../../core/hides";
import { FIRST_FIGURE, onSeat, USUAL_LAMP, type Job, type SeatUse, type Surface } from "../../core/job";
import { schemes } from "../../core/schemes";
import { putPattern } from "../../core/edits/patterns";
import { patched } from "../../core/patterns/patched/patched";
import type { Sits } from "../../core/patterns/patched/params";
import { presets, startFrom } from "../../core/patterns/patched/presets";
import type { SchemeAnswers } from "../../core/schemes/scheme";
import { planStart, startSurface } from "../../core/schemes/start";
import { forms } from "../../core/surface/forms";
import { USUAL_VOLUMES } from "../../core/surface/volumes/materials";
import { USUAL_WEAR } from "../../core/surface/wear";
import { ferrySergeant } from "./ferrySergeant";
import { demoShelf } from "./shelf";

/** The hound stands this high at the shoulder and is so long from chest to rump, mm; it walks with its left flank to you. */
const POSE = { shoulderMm: 17, lengthMm: 21, headDeg: 35, strideDeg: 24, turnDeg: -70 } as const;

interface Part {
  readonly id: string;
  readonly name: string;
  readonly sizes: Readonly<Record<string, number>>;
  readonly seat: SeatUse;
  readonly growth: GrowthMapId;
  /** Sculpted fur on it; smooth where left out. */
  readonly fur?: Readonly<Record<string, number>>;
  readonly seed: number;
}

/** A limb or body part: smooth, without the grooves of a person's torso. */
const SMOOTH = {
  bendDeg: 0,
  muscles: 0,
  muscleMm: 0,
  spineMm: 0,
  deepPct: 100,
  lowerRound: 0,
  upperRound: 0,
} as const;

const PARTS: readonly Part[] = [
  {
    ...{ id: "body", name: "Body", growth: "nose-to-tail", seed: 71 },
    sizes: {
      ...SMOOTH,
      ...{ lowerMm: 22, middleMm: 31, upperMm: 28, lengthMm: 31.5, middleAt: 68, deepPct: 120 },
      ...{ lowerRound: 20, upperRound: 26, muscles: 2, muscleMm: 0.35 },
    },
    seat: { ...onSeat("back"), upMm: 5.2 },
  },
  {
    ...{ id: "neck", name: "Neck", growth: "nose-to-tail", seed: 72 },
    sizes: { ...SMOOTH, lowerMm: 27, middleMm: 22.5, upperMm: 16, lengthMm: 12, middleAt: 50, deepPct: 115 },
    seat: { ...onSeat("neck"), upMm: 3.8 },
    fur: { length: 3.2, width: 0.5, lift: 0.25, groove: 85, drawn: 70, unlike: 65 },
  },
  {
    ...{ id: "head", name: "Head", growth: "nose-to-tail", seed: 73 },
    sizes: {
      ...SMOOTH,
      ...{ lowerMm: 9, middleMm: 12, upperMm: 19.5, lengthMm: 15, middleAt: 50 },
      ...{ lowerRound: 20, upperRound: 35 },
    },
    seat: { ...onSeat("head"), tiltDeg: -70, outMm: -3.2, upMm: 1.3 },
  },
  {
    ...{ id: "forelegs", name: "Forelegs", growth: "down", seed: 74 },
    sizes: { ...SMOOTH, lowerMm: 7.5, middleMm: 10, upperMm: 17, lengthMm: 15, middleAt: 45, upperRound: 32 },
    seat: { ...onSeat("left-leg"), both: true, upMm: 3 },
  },
  {
    ...{ id: "hind-legs", name: "Hind legs", growth: "down", seed: 75 },
    sizes: { ...SMOOTH, lowerMm: 7.5, middleMm: 11, upperMm: 23, lengthMm: 16, middleAt: 42, upperRound: 40 },
    seat: { ...onSeat("left-hind-leg"), both: true, upMm: 4 },
  },
  {
    ...{ id: "tail", name: "Tail", growth: "down", seed: 76 },
    sizes: { ...SMOOTH, lowerMm: 3, middleMm: 5, upperMm: 7, lengthMm: 13, middleAt: 50, lowerRound: 15 },
    seat: onSeat("tail"),
  },
];

/** The coat: pale, rust and dark, each on so much of a part, and where it gathers there. */
interface Patches {
  readonly rust: number;
  readonly dark: number;
  readonly pale: readonly [sits: Sits, keeps: number];
  /** Tones of hair; as the figure's standard has them where left out. */
  readonly tones?: number;
}
const PATCHES: Patches = { rust: 33, dark: 26, pale: ["belly", 35] };
/** Parts whose coat lies otherwise: a dark head, pale feet and tip of the tail, in fewer tones where nobody looks. */
const OTHERWISE: Readonly<Record<string, Patches>> = {
  head: { rust: 36, dark: 40, pale: ["top", 25] },
  forelegs: { rust: 30, dark: 28, pale: ["hem", 60], tones: 3 },
  "hind-legs": { rust: 34, dark: 26, pale: ["hem", 60], tones: 3 },
  tail: { rust: 40, dark: 28, pale: ["hem", 75], tones: 3 },
};

/** The mane: deeper than the coat. */
const MANE: SchemeAnswers = { age: "used", look: "plain", colour: "#432b16" };

const bare = ({ id, name, sizes, seat, fur, seed }: Part): Surface => ({
  ...{ id, name, figureId: FIRST_FIGURE, seat, seed },
  form: { id: "trunk", version: forms.trunk.version, params: sizes },
  ...{
    pattern: null,
    coats: [],
    parked: [],
    variants: [],
    relief: null,
    hide: fur ? { id: "locks", version: hides.locks.version, params: fur } : null,
    groundwork: null,
    growth: null,
    effort: null,
  },
  ...{ wear: USUAL_WEAR, volumes: USUAL_VOLUMES },
});

/** A part that grows as its map tells, in the coat. */
function withPart(job: Job, part: Part): Job {
  const surface = job.surfaces.find(({ id }) => id === part.id)!;
  const grown: Job = {
    ...job,
    surfaces: job.surfaces.map((one) =>
      one.id === part.id ? { ...one, growth: growthFrom(job, surface, part.growth) } : one,
    ),
  };
  const own = grown.surfaces.find(({ id }) => id === part.id)!;
  if (!part.fur) return withPatches(grown, part);
  return startSurface(grown, part.id, planStart(grown, own, schemes["fur-thinned"], MANE, demoShelf));
}

/** A part in the patched coat. */
function withPatches(job: Job, { id, seed }: Part): Job {
  const { rust, dark, pale, tones } = OTHERWISE[id] ?? PATCHES;
  const shares: Readonly<Record<string, number>> = { rust, dark };
  const start = startFrom(presets[0]!, job.figures[0]!, seed);
  const params = {
    ...start,
    ...(tones !== undefined && { tones }),
    colours: start.colours.map((one) => ({
      ...one,
      share: shares[one.id] ?? one.share,
      ...(one.id === "pale" && { sits: pale[0], keeps: pale[1] }),
    })),
  };
  return putPattern(job, id, patched.id, demoShelf, params);
}

function made(): Job {
  const start: Job = {
    ...ferrySergeant(),
    id: "tide-hound",
    name: "Tide hound",
    figures: [
      {
        ...{ id: FIRST_FIGURE, name: "Tide hound", eyeHeightMm: 32, standard: "display", primer: "grey" },
        ...{ viewingDistanceMm: 450, lamp: USUAL_LAMP, lights: [], count: 1 },
        body: { id: "beast", version: bodies.beast.version, params: POSE },
        notes:
          "Runs ahead of the ferry over the mud. Short hair, wet half the day; the head is looked at first.",
      },
    ],
    mixes: [],
    goals: [],
    surfaces: PARTS.map(bare),
    touching: [
      ["head", "neck"],
      ["neck", "body"],
      ["body", "forelegs"],
      ["body", "hind-legs"],
      ["body", "tail"],
    ],
  };
  return PARTS.reduce(withPart, start);
}

let kept: Job | null = null;

/** The tide hound: a short patched coat on a smooth body, a sculpted mane, one lie from nose to tail. */
export const tideHound = (): Job => (kept ??= made());
