import { completeParams } from "../src/core/params";
import { formIds, forms } from "../src/core/surface/forms";
import { buildGrid } from "../src/core/surface/grid";
import type { Line } from "./measure";
import { middleAtPace } from "./pace";

const CELLS = 1_000_000;

/** Every form of usual sizes laid on cells with its relief, told for a megapixel. */
export async function formLines(): Promise<Line[]> {
  const lines: Line[] = [];
  for (const id of formIds) {
    const form = forms[id].build(completeParams(forms[id].params, {}), 3);
    const { minX, maxX, minY, maxY } = form.bounds;
    const pitchMm = Math.sqrt(((maxX - minX) * (maxY - minY)) / CELLS);
    const relief = await middleAtPace(1, () => buildGrid(form, pitchMm));
    lines.push({ name: `Relief of ${id}, 1 megapixel`, ...relief, budget: 1500 });
  }
  return lines;
}
