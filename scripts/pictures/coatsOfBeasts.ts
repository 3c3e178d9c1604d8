import { putPattern } from "../../src/core/edits/patterns";
import { growthFrom } from "../../src/core/growth/maps";
import type { Job, Paint } from "../../src/core/job";
import { newPlainSurface } from "../../src/core/newJob";
import { presets, startFrom } from "../../src/core/patterns/patched/presets";
import { schemes, type SchemeId } from "../../src/core/schemes";
import type { SchemeAnswers } from "../../src/core/schemes/scheme";
import { planStart, startSurface } from "../../src/core/schemes/start";
import type { FormId } from "../../src/core/surface/forms";
import { surfacePng } from "./draw";

type Cells = { name: string; png: Buffer }[];
interface Size {
  readonly width: number;
  readonly height: number;
}
type Sizes = Readonly<Record<string, number>>;

/** A job of one bare piece of a display figure. */
function bareJob(blank: Job, name: string, form: FormId, sizes: Sizes): Job {
  const plain = newPlainSurface("piece", name, form, []);
  const surface = {
    ...plain,
    form: { ...plain.form, params: { ...plain.form.params, ...sizes } },
    coats: [],
    seed: 42,
  };
  const figures = blank.figures.map((figure) => ({ ...figure, standard: "display" as const }));
  return { ...blank, figures, mixes: [], surfaces: [surface] };
}

/** Back and belly are both seen. */
const FROM_THE_SIDE = -75;

/** Every kind of patched coat on the body of a beast. */
export async function patchedPictures(
  blank: Job,
  paints: readonly Paint[],
  sizes: Sizes,
  size: Size,
): Promise<Cells> {
  const cells: Cells = [];
  for (const preset of presets) {
    const bare = bareJob(blank, preset.label, "trunk", sizes);
    const [piece] = bare.surfaces;
    const grown: Job = { ...bare, surfaces: [{ ...piece!, growth: growthFrom(bare, piece!, "down") }] };
    const start = startFrom(preset, grown.figures[0]!, 7);
    const job = putPattern(grown, "piece", "patched", paints, start);
    const png = await surfacePng(job, paints, "piece", size, null, FROM_THE_SIDE);
    cells.push({ name: preset.label, png });
  }
  return cells;
}

const SKINS: readonly (readonly [name: string, form: FormId, scheme: SchemeId, Partial<SchemeAnswers>])[] = [
  ["Torso, dead skin", "trunk", "skin-dead", {}],
  ["Arm, dead skin, striking", "limb", "skin-dead", { look: "striking" }],
  ["Ball, dead skin, new and quiet", "dome", "skin-dead", { look: "quiet", age: "new" }],
  ["Torso, living skin", "trunk", "skin-living", {}],
  ["Arm, olive skin, old", "limb", "skin-living", { colour: "#a98a5e", age: "old" }],
  ["Ball, dark skin", "dome", "skin-living", { colour: "#5a3827" }],
];

/** Skin, dead and living, on a torso, an arm and a ball. */
export async function skinPictures(blank: Job, paints: readonly Paint[], size: Size): Promise<Cells> {
  const cells: Cells = [];
  for (const [name, form, scheme, more] of SKINS) {
    const bare = bareJob(blank, name, form, {});
    const { startColour } = schemes[scheme];
    const answers = { age: "used", look: "plain", colour: startColour, ...more } as const;
    const plan = planStart(bare, bare.surfaces[0]!, schemes[scheme], answers, paints);
    const job = startSurface(bare, "piece", plan);
    cells.push({ name, png: await surfacePng(job, paints, "piece", size) });
  }
  return cells;
}
