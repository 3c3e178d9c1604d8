import { encodeSrgb } from "../colour/spaces";
import { createRandom } from "../random";
import { homographyOf, project } from "./homography";
import { PLATE_MM, type PlatePoint } from "./layout";
import type { Photo, Rgb } from "./photo";
import { TABLE, TABLE_MM, type PlatePicture } from "./simulatedHand";

/** How a photo is taken. */
export interface Shot {
  readonly width: number;
  readonly height: number;
  /** How far the camera leans from straight above, and to which side, degrees. */
  readonly tiltDeg: number;
  readonly towardsDeg: number;
  /** How far the plate is turned in the picture, degrees. */
  readonly turnDeg: number;
  /** Light by band on its brightest side, and how much of it is left on its darkest. */
  readonly cast: Rgb;
  readonly falls: number;
  readonly seed: number;
}

/** The plate fills this share of the photo's width, seen from straight above. */
const FILLS = 0.78;
/** From the lens to the plate, in widths of the plate. */
const AWAY = 3.2;
/** Noise of the sensor, standard deviation of an encoded value, 0…1. */
const NOISE = 0.008;

const radians = (degrees: number): number => (degrees * Math.PI) / 180;

/** Where a point of the plate is seen, pixels. */
function cameraOf({
  width,
  height,
  tiltDeg,
  towardsDeg,
  turnDeg,
}: Shot): (at: PlatePoint) => [number, number] {
  const away = AWAY * PLATE_MM.width;
  const focal = (FILLS * width * AWAY) / 1;
  const [tilt, towards, turn] = [radians(tiltDeg), radians(towardsDeg), radians(turnDeg)];
  return ([px, py]) => {
    const [x0, y0] = [px - PLATE_MM.width / 2, py - PLATE_MM.height / 2];
    const x = x0 * Math.cos(turn) - y0 * Math.sin(turn);
    const y = x0 * Math.sin(turn) + y0 * Math.cos(turn);
    // Along the direction it leans to, the plate runs away from the lens.
    const along = x * Math.cos(towards) + y * Math.sin(towards);
    const beside = -x * Math.sin(towards) + y * Math.cos(towards);
    const [nearer, depth] = [along * Math.cos(tilt), away + along * Math.sin(tilt)];
    const seenX = nearer * Math.cos(towards) - beside * Math.sin(towards);
    const seenY = nearer * Math.sin(towards) + beside * Math.cos(towards);
    return [width / 2 + (focal * seenX) / depth, height / 2 + (focal * seenY) / depth];
  };
}

/** Corners of the plate from the upper left on clockwise, mm. */
const cornersOf = (): PlatePoint[] => [
  [0, 0],
  [PLATE_MM.width, 0],
  [PLATE_MM.width, PLATE_MM.height],
  [0, PLATE_MM.height],
];

/** Corners of the plate in a photo, from the upper left on clockwise, pixels. */
export const cornersSeen = (shot: Shot): [number, number][] => cornersOf().map(cameraOf(shot));

/** Where in a pixel light is gathered: a lens that is not quite sharp gathers from beside it too. */
const GATHERED = [
  [-0.45, -0.3],
  [0.3, -0.45],
  [0.45, 0.3],
  [-0.3, 0.45],
] as const;

/** Light as a file holds it, 0…255, by 4096ths of the brightest. */
const ENCODED = Float64Array.from({ length: 4097 }, (_, at) => 255 * encodeSrgb(at / 4096));

/** Adds the light of a cell of the plate's picture; all around it is table. */
function gather({ light, width, height }: PlatePicture, x: number, y: number, sum: Float64Array): void {
  const left = Math.floor(x);
  const top = Math.floor(y);
  if (left < 0 || top < 0 || left + 1 >= width || top + 1 >= height) {
    for (let band = 0; band < 3; band++) sum[band]! += TABLE[band]!;
    return;
  }
  const fx = x - left;
  const fy = y - top;
  const at = (top * width + left) * 3;
  const below = at + width * 3;
  for (let band = 0; band < 3; band++) {
    const upper = light[at + band]! * (1 - fx) + light[at + 3 + band]! * fx;
    const lower = light[below + band]! * (1 - fx) + light[below + 3 + band]! * fx;
    sum[band]! += upper * (1 - fy) + lower * fy;
  }
}

/** Cells of the plate's picture that stand where its corners are. */
const cornerCells = ({ pxPerMm }: PlatePicture): [number, number][] =>
  cornersOf().map(([x, y]) => [(x + TABLE_MM) * pxPerMm - 0.5, (y + TABLE_MM) * pxPerMm - 0.5]);

/** A photo of a plate: in perspective, under light that falls aside and has a cast, through a lens, with noise. */
export function takePhoto(plate: PlatePicture, shot: Shot): Photo {
  const { width, height, cast, falls } = shot;
  const toCell = homographyOf(cornersSeen(shot), cornerCells(plate));
  const random = createRandom(shot.seed);
  const grain = Float64Array.from({ length: 4099 }, () => 255 * NOISE * random.normal());
  const rgba = new Uint8ClampedArray(width * height * 4);
  const sum = new Float64Array(3);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      sum.fill(0);
      for (let point = 0; point < GATHERED.length; point++) {
        const [u, v] = [x + 0.5 + GATHERED[point]![0], y + 0.5 + GATHERED[point]![1]];
        const [cx, cy] = project(toCell, [u, v]);
        gather(plate, cx, cy, sum);
      }
      const left = 1 - (1 - falls) * (0.7 * (x / width) + 0.3 * (y / height));
      const at = (y * width + x) * 4;
      for (let band = 0; band < 3; band++) {
        const seen = Math.min(1, (sum[band]! / GATHERED.length) * cast[band]! * left);
        rgba[at + band] = ENCODED[Math.round(seen * 4096)]! + grain[(random.next() * grain.length) | 0]!;
      }
      rgba[at + 3] = 255;
    }
  return { rgba, width, height };
}
