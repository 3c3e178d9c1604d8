import { describe, expect, it } from "vitest";
import { demoShelf } from "../../data/demo/shelf";
import { paintOptics } from "../colour/appearance";
import { filmTable } from "../colour/film";
import type { Paint } from "../job";
import { createFilmBuffer } from "../techniques/technique";
import { packFilm } from "./planes";
import { passing, stillShowing } from "./showing";

const CELLS = 400;
const inside = new Float32Array(CELLS).fill(1);
const opaque = demoShelf.find((paint) => paint.kind === "paint" && paint.hiding === "opaque")!;
const clear = demoShelf.find((paint) => paint.kind === "clear")!;

/** A film on the first so many cells. */
function coat(paint: Paint, um: number, cells = CELLS, cover = 1) {
  const buffer = createFilmBuffer(CELLS);
  for (let at = 0; at < cells; at++) {
    buffer.cover[at] = cover;
    buffer.volumeUm[at] = cover * um;
  }
  const film = packFilm(buffer, CELLS);
  return { film, table: filmTable(paintOptics(paint), film.maxUm) };
}

describe("what still shows of a coat", () => {
  it("is all of it where nothing lies above, however thin it is", () => {
    for (const [paint, um] of [
      [opaque, 40],
      [clear, 2],
      [clear, 0.5],
    ] as const)
      expect(stillShowing([coat(paint, um)], inside)[0]).toBeCloseTo(1, 5);
    expect(stillShowing([coat(clear, 2, 100)], inside)[0]).toBeCloseTo(0.25, 5);
  });

  it("is what a thick coat above leaves bare", () => {
    const [below, above] = stillShowing([coat(opaque, 30), coat(opaque, 200, 300)], inside);
    expect(above).toBeCloseTo(0.75, 5);
    expect(Math.abs(below! - 0.25)).toBeLessThan(0.03);
    // Half a cell covered leaves half of it.
    const [half] = stillShowing([coat(opaque, 30), coat(opaque, 200, CELLS, 0.5)], inside);
    expect(Math.abs(half! - 0.5)).toBeLessThan(0.03);
  });

  it("is hardly less under a thin glaze, and less with each more of it", () => {
    const under = (glazes: number) =>
      stillShowing([coat(opaque, 30), ...Array.from({ length: glazes }, () => coat(clear, 1))], inside)[0]!;
    expect(under(1)).toBeGreaterThan(0.6);
    expect(under(2)).toBeLessThan(under(1));
    expect(under(6)).toBeLessThan(under(2));
    // Each takes the same share of what is left.
    expect(under(2)).toBeCloseTo(under(1) ** 2, 3);
  });

  it("of a glaze counts where it gathers, not where it is hardly there", () => {
    const buffer = createFilmBuffer(CELLS);
    for (let at = 0; at < CELLS; at++) {
      buffer.cover[at] = 1;
      buffer.volumeUm[at] = at < 40 ? 12 : 0.2;
    }
    const film = packFilm(buffer, CELLS);
    const gathered = { film, table: filmTable(paintOptics(clear), film.maxUm) };
    // The thick tenth is painted over; the film hardly lies elsewhere.
    const [left] = stillShowing([gathered, coat(opaque, 200, 40)], inside);
    expect(left).toBeLessThan(0.5);
  });

  it("is nothing for a coat that was not laid", () => {
    expect(stillShowing([coat(opaque, 30, 0), coat(opaque, 30)], inside)[0]).toBe(0);
  });
});

describe("light through a film and back", () => {
  it("is all for no film, ever less for a thicker one", () => {
    const { table } = coat(opaque, 60);
    const through = passing(table);
    expect(through[0]).toBeCloseTo(1, 5);
    for (let level = 1; level < through.length; level++)
      expect(through[level]!).toBeLessThanOrEqual(through[level - 1]! + 1e-7);
    expect(through.at(-1)!).toBeLessThan(0.1);
  });
});
