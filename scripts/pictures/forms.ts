import { mkdir } from "node:fs/promises";
import path from "node:path";
import { completeParams } from "../../src/core/params";
import { drawPiece, type PiecePicture } from "../../src/core/piece/still";
import { formIds, forms, type FormId } from "../../src/core/surface/forms";
import { buildGrid } from "../../src/core/surface/grid";
import { bytesOf, contained } from "./draw";

/** Sizes a piece is shown with, where its usual ones show little of what it can have. */
const SHOWN: Partial<Record<FormId, Readonly<Record<string, number>>>> = {
  "cone-band": { pleats: 12, pleatDepthMm: 0.9 },
  strap: { holes: 5, bends: 2 },
  cloak: { yokeMm: 4, torn: 1.6, neckMm: 14 },
  sleeve: { turnedMm: 1.4 },
  dome: { ridges: 5 },
  base: { stones: 7 },
};

const PRIMED = [158, 158, 156] as const;
const FINE_CELLS = 700_000;

/** The bare, primed piece under the lamp, a little from the side. */
function bare(id: FormId, mostPx: number): PiecePicture {
  const form = forms[id].build(completeParams(forms[id].params, SHOWN[id] ?? {}), 3);
  const grid = buildGrid(form, Math.max(0.02, Math.sqrt(form.areaMm2 / FINE_CELLS)));
  const rgba = new Uint8ClampedArray(grid.inside.length * 4);
  grid.inside.forEach((inside, at) => rgba.set([...PRIMED, inside > 0 ? 255 : 0], at * 4));
  const view = { turnDeg: 20, tiltDeg: null, pxPerMm: 400, mostPx };
  return drawPiece({ grid, rgba, heights: grid.relief, gloss: null, lit: true }, view);
}

/** Every form bare under the lamp: one picture each on nothing into a folder. @returns them for a sheet, of one size, px */
export async function formPictures(
  folder: string,
  size: { readonly width: number; readonly height: number },
): Promise<{ name: string; png: Buffer }[]> {
  await mkdir(folder, { recursive: true });
  const cells = [];
  for (const id of formIds) {
    await bytesOf(bare(id, 220))
      .png({ compressionLevel: 9 })
      .toFile(path.resolve(folder, `${id}.png`));
    const large = bare(id, Math.min(size.width, size.height) - 16);
    cells.push({ name: forms[id].label, png: await contained(large, size) });
  }
  return cells;
}
