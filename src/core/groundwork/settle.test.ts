import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { LaidPiece } from "../job";
import { PIECE_KINDS } from "./kinds";
import { groundPieces } from "./pieces";
import { bestFaceForward, settle, type SetPiece, type Settled } from "./settle";
import { newPiece } from "./testing";

/** Ground that goes up and down by about 0.4 mm. */
const uneven = (x: number, y: number) => 0.4 * Math.sin(x / 2.3) * Math.cos(y / 3.1) + 0.02 * x;

/** Places under a piece, on a grid of its own, with its underside and what is below. */
function under(set: SetPiece, below: Settled) {
  const { piece, shape, plane } = set;
  const places: { readonly x: number; readonly y: number; readonly gap: number }[] = [];
  const [cos, sin] = [Math.cos((piece.turnDeg * Math.PI) / 180), Math.sin((piece.turnDeg * Math.PI) / 180)];
  for (let x = -shape.reachMm; x <= shape.reachMm; x += 0.21)
    for (let y = -shape.reachMm; y <= shape.reachMm; y += 0.21) {
      if (shape.top(x * cos + y * sin, y * cos - x * sin) < 0) continue;
      const underside = plane.slopeX * x + plane.slopeY * y + plane.atMm;
      places.push({ x, y, gap: underside - below.seenAt(piece.xMm + x, piece.yMm + y).heightMm });
    }
  return places;
}

/** How far a point lies out of the hull of others, mm: the most by which all of them lie to one side of it. */
function outOf(points: readonly { readonly x: number; readonly y: number }[], x: number, y: number): number {
  let most = -Infinity;
  for (let deg = 0; deg < 360; deg += 5) {
    const [cos, sin] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)];
    const farthest = Math.max(...points.map((point) => point.x * cos + point.y * sin));
    most = Math.max(most, x * cos + y * sin - farthest);
  }
  return most;
}

const laid = fc.record({
  kind: fc.constantFrom(...PIECE_KINDS.filter((kind) => !groundPieces[kind].loose)),
  xMm: fc.double({ min: -8, max: 8, noNaN: true }),
  yMm: fc.double({ min: -8, max: 8, noNaN: true }),
  acrossMm: fc.double({ min: 4, max: 16, noNaN: true }),
  deepMm: fc.double({ min: 3, max: 12, noNaN: true }),
  tallMm: fc.double({ min: 0.6, max: 5, noNaN: true }),
  turnDeg: fc.integer({ min: -180, max: 180 }),
  seed: fc.integer({ min: 1, max: 9999 }),
});

describe("pieces of a base", () => {
  it("come to rest without floating or piercing each other, held all round their middle", () => {
    fc.assert(
      fc.property(fc.array(laid, { minLength: 1, maxLength: 4 }), (pieces) => {
        const work = { pieces: pieces.map((one, at) => newPiece(`p-${at}`, { ...one, sunkMm: 0 })) };
        const settled = settle(uneven, work);
        settled.pieces.forEach((set, at) => {
          const places = under(set, settle(uneven, { pieces: work.pieces.slice(0, at) }));
          // Felt on other places than they were laid by: a broken edge of 0.4 mm may stand between two of them.
          const pierced = places.filter(({ gap }) => gap < -0.45);
          expect(pierced.length).toBeLessThanOrEqual(0.03 * places.length);
          const contacts = places.filter(({ gap }) => gap < 0.3);
          expect(outOf(contacts, 0, 0)).toBeLessThan(0.35 * set.shape.reachMm);
        });
      }),
      { numRuns: 40, seed: 5 },
    );
  });

  it("lie flat on flat ground and on a slab's top", () => {
    const slab = newPiece("p-1", { kind: "slab", acrossMm: 20, deepMm: 16, tallMm: 3, sunkMm: 0, seed: 4 });
    const [on] = settle(() => 1.5, { pieces: [slab] }).pieces;
    expect(on!.plane.atMm).toBeCloseTo(1.5, 6);
    expect(Math.hypot(on!.plane.slopeX, on!.plane.slopeY)).toBeLessThan(1e-9);
    expect(on!.bedMm3).toBeLessThan(1e-6);
  });

  it("lean as told in a bed of paste that fills what is open below, and touch without piercing", () => {
    fc.assert(
      fc.property(
        laid,
        fc.integer({ min: 0, max: 40 }),
        fc.integer({ min: -180, max: 180 }),
        (one, tilt, to) => {
          const told = { ...one, bedding: "bedded" as const, tiltDeg: tilt, tiltToDeg: to, sunkMm: 0 };
          const [set] = settle(uneven, { pieces: [newPiece("p-1", told)] }).pieces;
          const { slopeX, slopeY } = set!.plane;
          expect(Math.hypot(slopeX, slopeY)).toBeCloseTo(Math.tan((tilt * Math.PI) / 180), 9);
          const gaps = under(set!, settle(uneven, { pieces: [] })).map(({ gap }) => gap);
          // Between two places that are felt it may lie deeper by their distance on its slope.
          expect(Math.min(...gaps)).toBeGreaterThan(-0.1 - 0.4 * Math.tan((tilt * Math.PI) / 180));
          expect(Math.min(...gaps)).toBeLessThan(0.35);
          const room = gaps.reduce((sum, gap) => sum + Math.max(0, gap) * 0.21 ** 2, 0);
          expect(Math.abs(room - set!.bedMm3)).toBeLessThan(0.05 * room + 1);
        },
      ),
      { numRuns: 40, seed: 6 },
    );
  });

  it("sink into the ground as far as told, but not into each other", () => {
    const lower = newPiece("p-1", { kind: "slab", acrossMm: 18, deepMm: 14, tallMm: 3, sunkMm: 0.5 });
    const upper = newPiece("p-2", { kind: "slab", acrossMm: 9, deepMm: 7, tallMm: 2, sunkMm: 0.5 });
    const [first, second] = settle(() => 0, { pieces: [lower, upper] }).pieces;
    expect(first!.plane.atMm).toBeCloseTo(-0.5, 6);
    expect(second!.onGround).toBe(false);
    expect(second!.plane.atMm).toBeGreaterThan(1.5);
  });

  it("keep to their measures and have a flat underside", () => {
    for (const kind of PIECE_KINDS)
      for (let seed = 1; seed < 12; seed++) {
        const piece = newPiece("p", { kind, seed });
        const shape = groundPieces[kind].shape(piece, seed);
        const tops: number[] = [];
        let beyond = 0;
        for (let x = -20; x <= 20; x += 0.5)
          for (let y = -20; y <= 20; y += 0.5) {
            const own = shape.top(x, y);
            if (own >= 0) tops.push(own);
            if (own >= 0 && Math.hypot(x, y) > shape.reachMm) beyond++;
          }
        expect({ kind, seed, beyond }).toEqual({ kind, seed, beyond: 0 });
        expect(Math.max(...tops)).toBeLessThan(piece.tallMm * (kind === "pebbles" ? 2.6 : 1.1) + 0.15);
        expect(Math.max(...tops)).toBeGreaterThan(0.55 * piece.tallMm);
        expect(tops.length * 0.25).toBeGreaterThan(0.2 * piece.acrossMm * piece.deepMm);
      }
  });

  it("turn the side with the most ledges to the front", () => {
    for (let seed = 1; seed < 30; seed++) {
      const piece = newPiece("p", { kind: "slab", seed });
      const turned: LaidPiece = { ...piece, turnDeg: bestFaceForward(piece) };
      const { faces } = groundPieces.slab.shape(piece, seed);
      const front = faces.reduce((best, face) => {
        const off = (way: number) => Math.abs(((way + turned.turnDeg + 90 + 540) % 360) - 180);
        return off(face.wayDeg) < off(best.wayDeg) ? face : best;
      });
      expect(front.showsMm).toBe(Math.max(...faces.map((face) => face.showsMm)));
    }
  });
});
