import { execFileSync } from "node:child_process";
import { mkdtempSync, writeFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { beforeAll, describe, expect, it } from "vitest";
import { HANDLE_MM, heightPost, POST_MM, turningRing } from "../../plan/handleAids";
import { writeBenchPdf } from "./benchPdf";
import { drawnPage, font, longestRun, PX_PER_MM, reachX, type Ink } from "../../../../tests/unit/printed";

const [HANDLE, POST] = [34.5, 60] as const;
const folder = mkdtempSync(path.join(os.tmpdir(), "crenna-aids-"));
const file = path.join(folder, "aids.pdf");
let [ring, post]: Ink[] = [];

beforeAll(async () => {
  const gauge = (piece: ReturnType<typeof turningRing>) => ({
    ...{ surface: "", title: "Aid", use: "Cut it out.", pieces: [piece] },
  });
  const pdf = await writeBenchPdf({
    ...{ title: "Aids", cautions: [], cards: [], fonts: { regular: font(400), bold: font(600) } },
    gauges: [gauge(turningRing(HANDLE)), gauge(heightPost(POST))],
  });
  writeFileSync(file, pdf);
  ring = await drawnPage(file, 1, path.join(folder, "ring"));
  post = await drawnPage(file, 2, path.join(folder, "post"));
});

/** Dark runs along a column of pixels, as their middles, px. */
function marksDown(page: Ink, x: number, fromY: number, toY: number): number[] {
  const marks: number[] = [];
  let from = -1;
  for (let y = fromY; y <= toY; y++) {
    const dark = y < toY && page.dark(x, y);
    if (dark && from < 0) from = y;
    if (!dark && from >= 0) {
      marks.push((from + y) / 2);
      from = -1;
    }
  }
  return marks;
}

describe("the printed turning ring, measured by another program", () => {
  it("is as wide as asked inside and outside, to 0.1 mm, beside a ruler that is right", () => {
    const ruler = longestRun(ring!);
    expect(Math.abs(ruler.length / PX_PER_MM - 50)).toBeLessThan(0.25);
    const below = ruler.y + Math.round(12 * PX_PER_MM);
    const [left, right] = reachX(ring!, below, ring!.height);
    const line = 0.15;
    expect(Math.abs((right - left) / PX_PER_MM - line - (HANDLE + 30))).toBeLessThan(0.1);
    // Down the middle: the outer edge, the mark at 0°, the inner edge twice, and the same below.
    const middle = Math.round((left + right) / 2);
    const edges = marksDown(ring!, middle, below, ring!.height);
    const inner = edges.filter((_, at) => at > 0).map((y, at) => (y - edges[at]!) / PX_PER_MM);
    expect(Math.min(...inner.map((gap) => Math.abs(gap - HANDLE)))).toBeLessThan(0.1);
  });

  it("has a mark at every 5 degrees, where it belongs to 0.1 mm", () => {
    const ruler = longestRun(ring!);
    const below = ruler.y + Math.round(12 * PX_PER_MM);
    const [left, right] = reachX(ring!, below, ring!.height);
    const radius = (right - left) / 2;
    const middleX = (left + right) / 2;
    let last = below;
    for (let y = below; y < ring!.height; y++) if (reachX(ring!, y, y + 1)[1] > 0) last = y + 1;
    const middleY = last - radius;
    // A circle just inside the edge, 2 mm in, meets every mark.
    const at = radius - 2 * PX_PER_MM;
    const isDark = (degrees: number) => {
      const turn = (degrees * Math.PI) / 180;
      const reach = Math.floor(0.1 * PX_PER_MM);
      const [x, y] = [middleX + at * Math.sin(turn), middleY - at * Math.cos(turn)];
      for (let dy = -reach; dy <= reach; dy++)
        for (let dx = -reach; dx <= reach; dx++)
          if (ring!.dark(Math.round(x + dx), Math.round(y + dy))) return true;
      return false;
    };
    const turns = Array.from({ length: 72 }, (_, index) => index * 5);
    expect(turns.filter((degrees) => !isDark(degrees))).toEqual([]);
    expect(turns.filter((degrees) => isDark(degrees + 2.5))).toEqual([]);
    const text = execFileSync("pdftotext", ["-f", "1", "-l", "1", file, "-"], { encoding: "utf8" });
    for (const degrees of [0, 30, 180, 330]) expect(text).toContain(`${degrees}°`);
  });
});

describe("the printed height post, measured by another program", () => {
  it("has every millimetre above the fold, to 0.1 mm", () => {
    const ruler = longestRun(post!);
    const below = ruler.y + Math.round(10 * PX_PER_MM);
    // Its title stands over it and is wider: the outline is measured further down.
    const [from, to] = [15, 25].map((mm) => below + Math.round(mm * PX_PER_MM)) as [number, number];
    const [left, right] = reachX(post!, from, to);
    expect(Math.abs((right - left) / PX_PER_MM - 0.15 - 24)).toBeLessThan(0.1);
    const marks = marksDown(post!, right - Math.round(1.5 * PX_PER_MM), below, post!.height);
    // The upper edge, 60 marks of which the highest lies on it, the fold, and the end of the foot.
    const [top, ...others] = marks.filter((y) => y > below + 7 * PX_PER_MM);
    const end = others.at(-1)!;
    expect(Math.abs((end - top!) / PX_PER_MM - (POST + 18))).toBeLessThan(0.1);
    const fold = end - 18 * PX_PER_MM;
    const missing = Array.from({ length: POST - 1 }, (_, at) => at + 1).filter((mm) => {
      const wanted = fold - mm * PX_PER_MM;
      return !marks.some((y) => Math.abs(y - wanted) / PX_PER_MM < 0.1);
    });
    expect(missing).toEqual([]);
    const text = execFileSync("pdftotext", ["-f", "2", "-l", "2", file, "-"], { encoding: "utf8" });
    for (const mm of [10, 30, 60]) expect(text).toMatch(new RegExp(`\\b${mm}\\b`));
  });
});

describe("what is cut from card", () => {
  it("fits on a sheet at every size that is allowed", () => {
    for (const mm of HANDLE_MM) expect(turningRing(mm).widthMm).toBeLessThanOrEqual(180);
    for (const mm of POST_MM) expect(heightPost(mm).heightMm).toBeLessThanOrEqual(225);
    // The lowest mark is 1 mm above the fold, the highest within 1 mm of the top.
    const { ticks } = heightPost(47.5);
    expect(ticks.map(({ label }) => label)).toEqual([
      "fold",
      ...Array.from({ length: 47 }, (_, at) => `${at + 1} mm`),
    ]);
  });
});
