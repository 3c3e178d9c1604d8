import { decodeSrgb } from "../colour/spaces";
import type { Homography } from "./homography";
import { project } from "./homography";
import type { PlatePoint } from "./layout";
import { BARE } from "./layout";
import { solveLinear } from "../colour/linear";

/** A photo as the camera gave it: sRGB, four bytes a pixel, rows from the top. */
export interface Photo {
  readonly rgba: Uint8ClampedArray;
  readonly width: number;
  readonly height: number;
}

/** Linear light of an sRGB byte, 0…1. */
export const LINEAR = Float64Array.from({ length: 256 }, (_, byte) => decodeSrgb(byte / 255));

export type Rgb = readonly [number, number, number];

/** Linear light at a place between pixels, 0…1; black outside of the photo. */
export function lightAt({ rgba, width, height }: Photo, x: number, y: number): [number, number, number] {
  const [left, top] = [Math.floor(x - 0.5), Math.floor(y - 0.5)];
  const [fx, fy] = [x - 0.5 - left, y - 0.5 - top];
  const sum: [number, number, number] = [0, 0, 0];
  for (let dy = 0; dy < 2; dy++)
    for (let dx = 0; dx < 2; dx++) {
      const [px, py] = [left + dx, top + dy];
      if (px < 0 || py < 0 || px >= width || py >= height) continue;
      const share = (dx === 1 ? fx : 1 - fx) * (dy === 1 ? fy : 1 - fy);
      for (let band = 0; band < 3; band++) sum[band]! += share * LINEAR[rgba[(py * width + px) * 4 + band]!]!;
    }
  return sum;
}

const terms = ([x, y]: PlatePoint): number[] => [1, x, y, x * x, x * y, y * y];

/** Light of bare paper anywhere on the plate: a slow surface through what the bare places show, by least squares. */
function paperOf(lights: readonly Rgb[]): (at: PlatePoint, band: number) => number {
  const rows = BARE.map(terms);
  const weights = [0, 1, 2].map((band) => {
    const matrix = rows[0]!.map((_, i) => [
      ...rows[0]!.map((__, j) => rows.reduce((sum, row) => sum + row[i]! * row[j]!, 0)),
      rows.reduce((sum, row, at) => sum + row[i]! * lights[at]![band]!, 0),
    ]);
    return solveLinear(matrix);
  });
  return (at, band) => terms(at).reduce((sum, term, i) => sum + term * weights[band]![i]!, 0);
}

/** What is seen of a plate, the light that falls on it taken out: share of the paper's light at a place, by band. */
export type Seen = (at: PlatePoint) => Rgb;

/** Takes tilt and light out of a photo. @param toPhoto from mm on the plate to pixels of the photo */
export function seenIn(photo: Photo, toPhoto: Homography): Seen {
  const raw = (at: PlatePoint): [number, number, number] => {
    const [x, y] = project(toPhoto, at);
    return lightAt(photo, x, y);
  };
  // Around each bare place: a speck on one pixel does not count.
  const around = ([x, y]: PlatePoint): Rgb => {
    const near = [-0.6, 0, 0.6].flatMap((dx) => [-0.6, 0, 0.6].map((dy) => raw([x + dx, y + dy])));
    return [0, 1, 2].map((band) => near.reduce((sum, one) => sum + one[band]!, 0) / near.length) as never;
  };
  const paper = paperOf(BARE.map(around));
  return (at) => {
    const light = raw(at);
    return [0, 1, 2].map((band) => light[band]! / Math.max(1e-4, paper(at, band))) as never;
  };
}
