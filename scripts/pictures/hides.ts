import { hides, type HideId } from "../../src/core/hides";
import type { Growth, Job, Paint } from "../../src/core/job";
import { newPlainSurface } from "../../src/core/newJob";
import { schemes, type SchemeId } from "../../src/core/schemes";
import { planStart, startSurface } from "../../src/core/schemes/start";
import type { FormId } from "../../src/core/surface/forms";
import { surfacePng } from "./draw";

/** Over shoulder and flank, as on the side of a beast: where each lies, shares of the piece, and degrees from the way down. */
const FLANK: readonly (readonly [x: number, y: number, angleDeg: number])[] = [
  [0.04, 0.87, 38],
  [0.38, 0.93, 76],
  [0.9, 0.93, 73],
  [0.14, 0.53, 18],
  [0.45, 0.53, 41],
  [0.8, 0.6, 47],
  [0.19, 0.27, 1],
  [0.52, 0.27, 15],
  [0.93, 0.3, 21],
];
const flank: Growth = {
  ...{ pull: 0, sway: 12 },
  handles: FLANK.map(([x, y, angleDeg], at) => ({
    ...{ id: `handle-${at}`, x, y, angleDeg, lengthPct: 100, liftDeg: 0 },
  })),
};

interface Covered {
  readonly name: string;
  readonly form: FormId;
  readonly sizes: Readonly<Record<string, number>>;
  readonly hide: readonly [id: HideId, kind: string];
  readonly more?: Readonly<Record<string, number>>;
  readonly growth?: Growth;
  /** Bare where left out. */
  readonly scheme?: SchemeId;
}

const PANEL = { lengthMm: 21, widthMm: 13 } as const;
/** A drake's body, standing on its end, belly to the right. */
const DRAKE = {
  ...{ lowerMm: 24, middleMm: 40, upperMm: 26, lengthMm: 24, middleAt: 55, deepPct: 90 },
  ...{ muscles: 0, muscleMm: 0, spineMm: 0 },
} as const;

const list: readonly Covered[] = [
  { name: "Locks, bare", form: "panel", sizes: PANEL, hide: ["locks", "long"], growth: flank },
  {
    ...{ name: "Fur, light to dark", form: "panel", sizes: PANEL, hide: ["locks", "long"] },
    ...{ growth: flank, scheme: "fur-thinned" },
  },
  {
    ...{ name: "Fur, dark to light", form: "panel", sizes: PANEL, hide: ["locks", "long"] },
    ...{ growth: flank, scheme: "fur-drybrushed" },
  },
  {
    ...{ name: "Fur cloak, shaggy, light to dark", form: "cloak", sizes: {}, hide: ["locks", "shaggy"] },
    scheme: "fur-thinned",
  },
  { name: "Scales, bare", form: "trunk", sizes: DRAKE, hide: ["scales", "keeled"], more: { bellyAt: 285 } },
  {
    ...{ name: "Scale by scale, small at its ends", form: "trunk", sizes: DRAKE, hide: ["scales", "joints"] },
    ...{ more: { bellyAt: 285 }, scheme: "scales-plated" },
  },
  {
    ...{ name: "Scales painted on a smooth body", form: "trunk", sizes: DRAKE, hide: ["scales", "painted"] },
    ...{ more: { bellyAt: 285 }, scheme: "scales-plated" },
  },
  {
    ...{ name: "Belly and flanks", form: "trunk", sizes: DRAKE, hide: ["scales", "plated"] },
    ...{ more: { bellyAt: 215 }, scheme: "scales-plated" },
  },
];

/** What is sculpted all over a piece, bare and painted, a little from a side. */
export async function hidePictures(
  blank: Job,
  paints: readonly Paint[],
  size: { readonly width: number; readonly height: number },
): Promise<{ name: string; png: Buffer }[]> {
  const cells = [];
  for (const { name, form, sizes, hide, more, growth = null, scheme } of list) {
    const plain = newPlainSurface("piece", name, form, []);
    const [id, kind] = hide;
    const params = { ...hides[id].kinds.find((one) => one.id === kind)!.params, ...more };
    const surface = {
      ...plain,
      form: { ...plain.form, params: { ...plain.form.params, ...sizes } },
      coats: [],
      growth,
      hide: { id, version: hides[id].version, params },
    };
    const figures = blank.figures.map((figure) => ({ ...figure, standard: "display" as const }));
    const bare: Job = { ...blank, figures, mixes: [], surfaces: [surface] };
    const definition = scheme && schemes[scheme];
    const answers = { age: "used", look: "plain", colour: definition?.startColour ?? "#808080" } as const;
    const job = definition
      ? startSurface(bare, "piece", planStart(bare, surface, definition, answers, paints))
      : bare;
    cells.push({ name, png: await surfacePng(job, paints, "piece", size) });
  }
  return cells;
}
