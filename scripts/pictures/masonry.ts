import { USUAL_TOLD, type Told } from "../../src/core/ageing/told";
import { hides } from "../../src/core/hides";
import type { Job, Paint } from "../../src/core/job";
import { newPlainSurface } from "../../src/core/newJob";
import { layHistory, planHistory } from "../../src/core/schemes/history";
import { schemes, type SchemeId } from "../../src/core/schemes";
import { planStart, startSurface } from "../../src/core/schemes/start";
import type { FormId } from "../../src/core/surface/forms";
import { surfacePng } from "./draw";

interface Masonry {
  readonly name: string;
  readonly form: FormId;
  readonly sizes: Readonly<Record<string, number>>;
  /** Which of the usual kinds of blocks. */
  readonly kind: string;
  readonly scheme: SchemeId;
  readonly colour?: string;
  readonly told?: Partial<Told>;
}

const WALL = { form: "panel", sizes: { lengthMm: 28, widthMm: 19, dents: 0 } } as const;
const TOWER = {
  ...{ topMm: 44, jointMm: 48, hemMm: 52, lengthMm: 26, bendDeg: 0 },
  ...{ creases: 0, creaseMm: 0, cuffMm: 0, turnedMm: 0, proudMm: 0 },
} as const;

const list: readonly Masonry[] = [
  { name: "Rough stones", ...WALL, kind: "rubble", scheme: "stone-blocks" },
  {
    ...{ name: "Cut stones, long in rain, on wet ground", ...WALL, kind: "ashlar", scheme: "stone-blocks" },
    told: { stuff: "stone", made: "long", ground: "wet" },
  },
  { name: "Slates", ...WALL, kind: "slates", scheme: "slate-blocks" },
  { name: "Bricks", ...WALL, kind: "brick", scheme: "stone-blocks", colour: "#8a5a48" },
  { name: "Round tower", form: "sleeve", sizes: TOWER, kind: "rubble", scheme: "stone-blocks" },
  { name: "Cobbles", ...WALL, kind: "cobbles", scheme: "stone-blocks", colour: "#7c7a74" },
];

/** Blocks in courses, single ones tinted. */
export async function masonryPictures(
  blank: Job,
  paints: readonly Paint[],
  size: { readonly width: number; readonly height: number },
): Promise<{ name: string; png: Buffer }[]> {
  const cells = [];
  for (const { name, form, sizes, kind, scheme, colour, told } of list) {
    const plain = newPlainSurface("piece", name, form, []);
    const { params } = hides.courses.kinds.find(({ id }) => id === kind)!;
    const surface = {
      ...{ ...plain, coats: [], pattern: null },
      form: { ...plain.form, params: { ...plain.form.params, ...sizes } },
      hide: { id: "courses", version: hides.courses.version, params },
    };
    const figures = blank.figures.map((figure) => ({ ...figure, standard: "display" as const }));
    const bare: Job = { ...blank, figures, mixes: [], surfaces: [surface] };
    const answers = { age: "used", look: "plain", colour: colour ?? schemes[scheme].startColour } as const;
    const made = startSurface(bare, "piece", planStart(bare, surface, schemes[scheme], answers, paints));
    const job = told
      ? layHistory(made, "piece", planHistory(made, "piece", { ...USUAL_TOLD, ...told }, paints))
      : made;
    cells.push({ name, png: await surfacePng(job, paints, "piece", size) });
  }
  return cells;
}
