import { labToHex, type Triple } from "../../colour/spaces";
import { hash01 } from "../../random";
import type { Judged, Part } from "./looks";

/** One part of a planted figure: a box in the picture, its colour, and how busy it is. */
export interface Planted {
  readonly id: string;
  readonly box: readonly [left: number, top: number, right: number, bottom: number];
  readonly lab: Triple;
  /** Spread of L* from dot to dot. */
  readonly busy?: number;
  readonly importance?: Part["importance"];
}

export const [WIDTH, HEIGHT, PX_PER_MM] = [160, 240, 8] as const;
const bytes = (lab: Triple) => {
  const hex = labToHex(lab);
  return [1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16));
};

/** A figure painted by hand: boxes of one colour each, dots of three pixels on them. */
export function planted(parts: readonly Planted[]): { judged: Judged; parts: Part[] } {
  const rgba = new Uint8ClampedArray(WIDTH * HEIGHT * 4);
  const owners = new Uint8Array(WIDTH * HEIGHT);
  parts.forEach(({ box: [left, top, right, bottom], lab, busy = 0 }, number) => {
    for (let y = top; y < bottom; y++)
      for (let x = left; x < right; x++) {
        const chance = hash01(number + 1, Math.floor(x / 3), Math.floor(y / 3)) - 0.5;
        // Dots of even chance have a spread of 1/√12.
        const light = lab[0] + busy * Math.sqrt(12) * chance;
        rgba.set([...bytes([light, lab[1], lab[2]]), 255], (y * WIDTH + x) * 4);
        owners[y * WIDTH + x] = number + 1;
      }
  });
  const picture = { rgba, width: WIDTH, height: HEIGHT, pxPerMm: PX_PER_MM, leftMm: 0, topMm: 0 };
  return {
    judged: { picture, owners, surfaceIds: parts.map(({ id }) => id) },
    parts: parts.map(({ id, importance = "usual" }) => ({ id, name: id, importance })),
  };
}
