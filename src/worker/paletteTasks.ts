import { asPainted, different } from "../core/colour/bother";
import { findGlazes, type FoundGlaze } from "../core/colour/glazeFinder";
import { nearFourPots } from "../core/colour/fourPots";
import { mainColours, type MainColour } from "../core/colour/mainColours";
import { brushedPassUm } from "../core/colour/mix";
import { MixTable } from "../core/colour/mixtable/mixTable";
import { compareMixes, tryAllMixes, type FoundMix } from "../core/colour/search";
import type { SeenAs } from "../core/colour/seenAs";
import type { Paint } from "../core/job";
import { placedColours, type PlacedColour } from "../core/colour/placedColours";
import { createRandom } from "../core/random";
import { techniques } from "../core/techniques";
import { schemes } from "../core/schemes";
import { startSteps, type StartPlan } from "../core/schemes/start";
import type { GlazesInput } from "./questions/glazes";
import type { MainColoursInput } from "./questions/mainColours";
import type { PlacedColoursInput } from "./questions/placedColours";
import type { MixesInput } from "./questions/mixes";
import type { StartInput } from "./questions/start";

type Wanted = (done: number, total: number) => Promise<boolean>;

export interface MixAnswer {
  /** Nearest of all mixes of up to three pots. */
  readonly mixes: readonly FoundMix[];
  /** Near ones as a painter would mix them, least bother first: few pots, small parts, pots in use. */
  readonly simple: readonly FoundMix[];
  /** Mixes of four pots that come clearly nearer; not every one was tried. */
  readonly four: readonly FoundMix[];
  /** Pots given, and how many of them were tried in threes. */
  readonly pots: number;
  readonly inThrees: number;
}

const MOST_PARTS = 6;
const KEEP = 6;
/** Most parts of a pot in a mix that is hardly any bother. */
const SIMPLE_PARTS = 4;
/** A fourth pot must come nearer by this much to be worth it. */
const WORTH_A_POT = 0.4;
/** Without WebAssembly, threes of more pots than this would take minutes. */
const MOST_PLAIN = 14;

const thick: SeenAs = { kind: "thick" };
/** Tables by what they were made of, newest last; one costs 100 MB for 60 pots. */
const tables = new Map<string, MixTable>();
const MOST_TABLES = 2;

async function tableFor(paints: readonly Paint[], seen: SeenAs, wanted: Wanted): Promise<MixTable | null> {
  const optics = paints.map(({ id, thick: hex, overWhite, overBlack, hiding, strength, fit }) =>
    [id, hex, overWhite, overBlack, hiding, strength, fit && [fit.absorption, fit.scattering]].join(),
  );
  const under = seen.kind === "under" ? [...seen.optics.absorption, ...seen.optics.scattering] : [];
  const key = JSON.stringify([
    optics,
    seen.kind,
    seen.kind === "thick" ? 0 : seen.filmUm,
    seen.kind === "film" ? [...seen.ground] : under,
  ]);
  const known = tables.get(key);
  if (known) {
    tables.delete(key);
    tables.set(key, known);
    return known;
  }
  // The old one goes before the new one is made, so that memory holds two at most.
  const oldest = [...tables.keys()][0];
  if (tables.size >= MOST_TABLES && oldest !== undefined) tables.delete(oldest);
  const table = await MixTable.build(paints, { mostParts: MOST_PARTS, seen }, wanted);
  if (table) tables.set(key, table);
  return table;
}

/** The best mixes of up to three pots, and among how many pots threes were tried; null where it was cancelled. */
async function smallMixes(
  { paints, goal, seen = thick }: MixesInput,
  wanted: Wanted,
): Promise<{ mixes: FoundMix[]; inThrees: number } | null> {
  try {
    const table = await tableFor(paints, seen, wanted);
    return table && { mixes: table.nearest(goal, 40), inThrees: table.inThrees };
  } catch (error) {
    if (!(error instanceof WebAssembly.CompileError)) throw error;
    const threes = paints.length <= MOST_PLAIN;
    const pots = threes ? 3 : 2;
    const mixes = tryAllMixes(paints, goal, { mostParts: MOST_PARTS, pots, keep: 40, seen });
    return { mixes, inThrees: threes ? paints.length : 0 };
  }
}

/** Which mixes come nearest to a goal; null where it was cancelled. */
export async function answerMixes(task: MixesInput, wanted: Wanted): Promise<MixAnswer | null> {
  const { paints, goal, seen = thick, inUse = [] } = task;
  const small = await smallMixes(task, wanted);
  if (!small) return null;
  const { mixes, inThrees } = small;
  const pairs = tryAllMixes(paints, goal, { mostParts: SIMPLE_PARTS, pots: 2, keep: 40, seen });
  const palette = { paints, goal, inUse: new Set(inUse) };
  const simple = asPainted(different([...pairs, ...mixes]), palette).slice(0, KEEP);
  const best = mixes[0]?.difference ?? 0;
  const four = nearFourPots(paints, goal, mixes.slice(0, 12), MOST_PARTS, 2, seen)
    .filter((mix) => mix.difference < best - WORTH_A_POT)
    .sort(compareMixes);
  return { mixes: mixes.slice(0, KEEP), simple, four, pots: paints.length, inThrees };
}

/** Which glaze carries the tones; null where it was cancelled. */
export const answerGlazes = (task: GlazesInput, wanted: Wanted): Promise<FoundGlaze[] | null> =>
  findGlazes(
    task.paints,
    task.tones,
    {
      coatUm: (water) => brushedPassUm(water) * techniques.glaze.filmShare,
      keep: 5,
      mostParts: 3,
    },
    wanted,
  );

/** A scheme worked out for a surface; null where it was cancelled. @throws RangeError where the job has no such surface */
export async function answerStart(
  { job, paints, surfaceId, schemeId, answers }: StartInput,
  wanted: Wanted,
): Promise<StartPlan | null> {
  const surface = job.surfaces.find((one) => one.id === surfaceId);
  if (!surface) throw new RangeError(`the job has no surface "${surfaceId}"`);
  const steps = startSteps(job, surface, schemes[schemeId], answers, paints);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    if (!(await wanted(step.value.done, step.value.total))) return null;
  }
}

export interface ScaledPicture {
  readonly bytes: Blob;
  readonly width: number;
  readonly height: number;
}

/** Longest side of a kept picture, pixels. */
const MOST_PX = 1024;
const MOST_BYTES = 780_000;

/** A picture made small enough to be kept. @throws Error where it is no picture */
export async function scalePicture(file: Blob): Promise<ScaledPicture> {
  let picture: ImageBitmap;
  try {
    picture = await createImageBitmap(file);
  } catch {
    throw new Error("This file cannot be read as a picture. PNG, JPEG and WebP are taken.");
  }
  const scale = Math.min(1, MOST_PX / Math.max(picture.width, picture.height));
  const width = Math.max(1, Math.round(picture.width * scale));
  const height = Math.max(1, Math.round(picture.height * scale));
  const canvas = new OffscreenCanvas(width, height);
  canvas.getContext("2d")!.drawImage(picture, 0, 0, width, height);
  picture.close();
  let bytes = await canvas.convertToBlob({ type: "image/png" });
  for (const quality of [0.92, 0.85, 0.7, 0.5]) {
    if (bytes.size <= MOST_BYTES) break;
    bytes = await canvas.convertToBlob({ type: "image/webp", quality });
  }
  return { bytes, width, height };
}

/** The pixels of a kept picture. */
async function pixelsOf(kept: Blob): Promise<ImageData> {
  const picture = await createImageBitmap(kept);
  const canvas = new OffscreenCanvas(picture.width, picture.height);
  const context = canvas.getContext("2d")!;
  context.drawImage(picture, 0, 0);
  return context.getImageData(0, 0, picture.width, picture.height);
}

/** Main colours of a kept picture. */
export async function answerColours({ picture, count, neutral }: MainColoursInput): Promise<MainColour[]> {
  const { data } = await pixelsOf(picture);
  return mainColours(data, count, neutral, createRandom(1));
}

/** Colours of a beast in a kept picture, and where they lie. */
export async function answerPlaced({
  picture,
  most,
  neutral,
  shown,
}: PlacedColoursInput): Promise<PlacedColour[]> {
  const { data: rgba, width, height } = await pixelsOf(picture);
  return placedColours({ rgba, width, height, neutral, shown }, most, createRandom(1));
}
