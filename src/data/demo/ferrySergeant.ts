import {
  FIRST_FIGURE,
  JOB_VERSION,
  USUAL_BENCH,
  onSeat,
  USUAL_LAMP,
  type Coat,
  type Figure,
  type Job,
  type Mix,
  type MixPart,
  type Surface,
} from "../../core/job";
import { deriveCoats } from "../../core/patterns/derive";
import { forms } from "../../core/surface/forms";
import { USUAL_WEAR } from "../../core/surface/wear";
import { demoShelf, paintIdOf } from "./shelf";

/** What the company's real cloth looks like. */
const CLOTH: Readonly<Record<string, string>> = {
  straw: "#cbb67e",
  "deep-tarn": "#1e3f4e",
  rust: "#ac4a2a",
};

const part = (name: string, parts: number): MixPart => ({ paintId: paintIdOf(name), parts });
const mix = (id: string, name: string, water: number, ...parts: MixPart[]): Mix => ({
  id,
  name,
  parts,
  water,
  goal: CLOTH[id] ?? null,
});

const FIGURE: Figure = {
  id: FIRST_FIGURE,
  name: "Ferry sergeant",
  eyeHeightMm: 32,
  standard: "display",
  primer: "grey",
  viewingDistanceMm: 450,
  lamp: USUAL_LAMP,
  lights: [],
  body: { id: "person-standing", version: 1, params: { armsOutDeg: 24, elbowDeg: 45, headTurnDeg: -15 } },
  notes:
    "Coat skirt in the company's cloth: straw and deep tarn with a rust line. The satchel hides nothing at the back.",
  count: 1,
};

const MIXES = [
  mix("base", "Base", 1, part("Slate", 2), part("Straw", 1)),
  mix("straw", "Straw", 1, part("Straw", 3), part("Shell", 1)),
  mix("deep-tarn", "Deep tarn", 1, part("Tarn Blue", 3), part("Lamp Black", 1)),
  mix("rust", "Rust", 1, part("Rust Red", 3), part("Buoy Orange", 1)),
  mix("fold-glaze", "Fold glaze", 5, part("Clear Umber", 1), part("Clear Teal", 1)),
];

const GOALS = [
  { id: "cloth-straw", name: "Cloth, light", colour: "#cbb67e", share: null, referenceId: null },
  { id: "cloth-tarn", name: "Cloth, dark", colour: "#1e3f4e", share: null, referenceId: null },
  { id: "cloth-line", name: "Cloth, line", colour: "#ac4a2a", share: null, referenceId: null },
];

const SKIRT: Surface = {
  id: "coat-skirt",
  name: "Coat skirt",
  figureId: FIRST_FIGURE,
  form: {
    id: "cone-band",
    version: forms["cone-band"].version,
    params: {
      ...{ waistMm: 34, hemMm: 58, slantMm: 11, gapDeg: 0, pleats: 10, pleatDepthMm: 0.7, seams: 1 },
      ...{ tight: 0, borderMm: 0.6 },
    },
  },
  seat: onSeat("waist"),
  pattern: {
    id: "sett",
    version: 2,
    params: {
      threadCount: "R/2 D12 S5 D2 S/6",
      rowThreadCount: null,
      pivots: "full",
      colours: { R: "rust", D: "deep-tarn", S: "straw" },
      crossings: {},
      periods: 10,
      painted: {},
      spread: "fan",
      rowPeriodMm: null,
      rowStartMm: 1.2,
      columnStartDeg: 0,
      threadsPerCm: 16,
      method: "boxes",
      baseMixId: "base",
      guideMixId: "deep-tarn",
      glazeMixId: "fold-glaze",
    },
  },
  coats: [],
  parked: [],
  variants: [],
  relief: null,
  wear: USUAL_WEAR,
  volumes: { material: "dull-cloth", importance: "looked-at" },
  growth: null,
  hide: null,
  groundwork: null,
  effort: null,
  seed: 7,
};

/** The ferry sergeant's check-cloth coat skirt, ready to paint. */
export function ferrySergeant(): Job {
  const job: Job = {
    format: "crenna-job",
    version: JOB_VERSION,
    id: "ferry-sergeant",
    name: "Ferry sergeant",
    figures: [FIGURE],
    hand: { finestLineMm: 0.12, steadiness01: 0.7 },
    mixes: MIXES,
    references: [],
    goals: GOALS,
    surfaces: [SKIRT],
    touching: [],
    bench: USUAL_BENCH,
  };
  // Rust planned in one thin pass, as one would by feel: the check says what that does over the dark boxes.
  const thin = (coat: Coat): Coat => (coat.role === "lines:R" ? { ...coat, water: 2, passes: 1 } : coat);
  const derived = deriveCoats(job, demoShelf, null);
  return {
    ...derived,
    surfaces: derived.surfaces.map((surface) => ({ ...surface, coats: surface.coats.map(thin) })),
  };
}
