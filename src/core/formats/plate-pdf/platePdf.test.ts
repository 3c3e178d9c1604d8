import { mkdtempSync, writeFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { describe, expect, it } from "vitest";
import { drawnPage, font, PX_PER_MM } from "../../../../tests/unit/printed";
import { LINES, MARK_MM, MARKS, SOLID, THINNED } from "../../plate/layout";
import { PLATE_AT, writePlatePdf } from "./platePdf";

const folder = mkdtempSync(path.join(os.tmpdir(), "crenna-plate-"));
const file = path.join(folder, "plate.pdf");
writeFileSync(file, await writePlatePdf({ regular: font(400), bold: font(600) }));
const page = await drawnPage(file, 1, path.join(folder, "plate"));
const px = (mm: number, axis: 0 | 1) => Math.round((PLATE_AT[axis] + mm) * PX_PER_MM);

/** Where ink begins and ends along a row of pixels through a place, mm on the plate. */
function across(yMm: number, fromMm: number, toMm: number): number[] {
  const edges: number[] = [];
  for (let x = px(fromMm, 0); x < px(toMm, 0); x++)
    if (page.dark(x, px(yMm, 1)) !== page.dark(x - 1, px(yMm, 1))) edges.push(x / PX_PER_MM - PLATE_AT[0]);
  return edges;
}
const near = (got: readonly number[], wanted: readonly number[]) =>
  got.length === wanted.length && got.every((value, at) => Math.abs(value - wanted[at]!) < 0.1);

describe("the printed test plate, measured by another program", () => {
  it("has its four marks where they belong to 0.1 mm, the first with a dot", () => {
    MARKS.forEach(([x, y], at) => {
      const [outer, inner, dot] = [MARK_MM.outer / 2, MARK_MM.inner / 2, MARK_MM.dot / 2];
      const middle = at === 0 ? [x - dot, x + dot] : [];
      const wanted = [x - outer, x - inner, ...middle, x + inner, x + outer];
      const got = across(y, x - 5, x + 5);
      expect(near(got, wanted), `mark ${at}: ${got.join()} for ${wanted.join()}`).toBe(true);
    });
  });

  it("has a bar in each box that is thinned, and nothing dark where paint goes", () => {
    const { topY, sizeMm, barMm, boxes } = THINNED;
    for (const { x } of boxes) {
      const [left, right] = [x + (sizeMm - barMm) / 2, x + (sizeMm + barMm) / 2];
      expect(near(across(topY + 4, x, x + sizeMm), [left, right])).toBe(true);
    }
    expect(across(SOLID.topY + 4, SOLID.x, SOLID.x + SOLID.sizeMm)).toEqual([]);
    for (const y of LINES.ys) expect(across(y, LINES.fromX, LINES.fromX + LINES.lengthMm)).toEqual([]);
  });
});
