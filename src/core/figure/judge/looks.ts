import { hueOf } from "../../checks/seen";
import { chromaOf, decodeSrgb, linearToXyz, xyzToLab, type Triple } from "../../colour/spaces";
import type { Surface } from "../../job";
import { salienceOf, type Salience } from "../../salience/salience";
import type { Plane } from "../../salience/pyramid";
import { blur } from "../../surface/blur";
import type { FigureStill } from "../figureStill";

/** A picture of a figure as it is judged: what of it is which surface. */
export type Judged = Pick<FigureStill, "picture" | "owners" | "surfaceIds">;

/** What of a surface counts when a figure is judged. */
export type Part = Pick<Surface, "id" | "name"> & Pick<Surface["volumes"], "importance">;

/** How one surface looks on the figure, from where it is looked at. */
export interface PartLook extends Part {
  /** Of all that is painted in the picture, 0…1. */
  readonly share: number;
  /** Mean L*a*b*, and how far its lightness spreads (standard deviation). */
  readonly lab: Triple;
  readonly spread: number;
  /** How busy it is: the standard deviation of L* within half a millimetre or so. */
  readonly texture: number;
  /** How strongly it draws the eye against the strongest part, 0…1. */
  readonly draw: number;
  /** Where it draws it most, from the picture's upper left corner, 0…1 each way. */
  readonly at: readonly [x: number, y: number];
  /** Hues it shows, each with its share of the part; greys have none. */
  readonly hues: readonly HueShare[];
}

/** One hue of a part. */
export interface HueShare {
  readonly hueDeg: number;
  readonly share: number;
  readonly lab: Triple;
}

/** A picture in numbers: L*, a* and b*, and how much of each pixel is painted surface. */
export interface LabPicture {
  readonly lab: readonly [Plane, Plane, Plane];
  readonly there: Plane;
}

const DECODE = Float64Array.from({ length: 256 }, (_, byte) => decodeSrgb(byte / 255));

/** L*a*b* of every pixel that shows a surface. */
export function labPicture({ picture, owners }: Judged): LabPicture {
  const { rgba, width, height } = picture;
  const planes = [0, 1, 2, 3].map(() => new Float32Array(width * height));
  const known = new Map<number, Triple>();
  for (let at = 0; at < owners.length; at++) {
    if (owners[at] === 0) continue;
    const [r, g, b] = [rgba[at * 4]!, rgba[at * 4 + 1]!, rgba[at * 4 + 2]!];
    const key = (r << 16) | (g << 8) | b;
    let lab = known.get(key);
    if (!lab) {
      lab = xyzToLab(linearToXyz([DECODE[r]!, DECODE[g]!, DECODE[b]!]));
      known.set(key, lab);
    }
    for (const axis of [0, 1, 2] as const) planes[axis]![at] = lab[axis];
    planes[3]![at] = rgba[at * 4 + 3]! / 255;
  }
  const [l, a, b, there] = planes.map((values): Plane => ({ width, height, values }));
  return { lab: [l!, a!, b!], there: there! };
}

/** Fine unevenness is what a blur of so many mm takes away. */
const FINE_MM = 0.55;
/** Draw is told by the strongest tenth of a part. */
const STRONGEST = 0.1;
/** Hues are counted in so many steps round; below this chroma there is none. */
const [HUES, LEAST_CHROMA] = [18, 12] as const;

/** The box of pixels that a part lies in. */
function boxOf(own: readonly number[], width: number) {
  let [left, right, top, bottom] = [Infinity, 0, Infinity, 0];
  for (const at of own) {
    const [x, y] = [at % width, Math.floor(at / width)];
    [left, right] = [Math.min(left, x), Math.max(right, x)];
    [top, bottom] = [Math.min(top, y), Math.max(bottom, y)];
  }
  return { left, top, wide: right - left + 1, high: bottom - top + 1 };
}

/** L* of a part's pixels less what lies around each within the part: what is beyond its border is none of its texture. */
function fineOf({ lab: [light] }: LabPicture, own: readonly number[], pxPerMm: number): number[] {
  const { width, values } = light;
  const { left, top, wide, high } = boxOf(own, width);
  const [weighed, there] = [new Float32Array(wide * high), new Float32Array(wide * high)];
  const inBox = (at: number) => (Math.floor(at / width) - top) * wide + (at % width) - left;
  for (const at of own) {
    weighed[inBox(at)] = values[at]!;
    there[inBox(at)] = 1;
  }
  const sigma = FINE_MM * pxPerMm;
  const [sum, share] = [blur(weighed, wide, high, sigma), blur(there, wide, high, sigma)];
  return own.map((at) => values[at]! - sum[inBox(at)]! / Math.max(1e-4, share[inBox(at)]!));
}

function huesOf(labs: readonly Triple[]): HueShare[] {
  const bins = Array.from({ length: HUES }, () => ({ count: 0, sum: [0, 0, 0] as [number, number, number] }));
  for (const lab of labs) {
    if (chromaOf(lab) < LEAST_CHROMA) continue;
    const bin = bins[Math.floor((hueOf(lab) / 360) * HUES) % HUES]!;
    bin.count++;
    for (const axis of [0, 1, 2] as const) bin.sum[axis] += lab[axis];
  }
  return bins
    .filter(({ count }) => count > 0)
    .map(({ count, sum }) => {
      const lab = sum.map((value) => value / count) as unknown as Triple;
      return { hueDeg: hueOf(lab), share: count / labs.length, lab };
    })
    .sort((one, other) => other.share - one.share);
}

const deviation = (values: readonly number[]): number => {
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
  return Math.sqrt(values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / values.length);
};

/** Pixels of each surface, by its number from 1. */
function pixelsOf(owners: Uint8Array, count: number): number[][] {
  const pixels: number[][] = Array.from({ length: count + 1 }, () => []);
  owners.forEach((owner, at) => pixels[owner]!.push(at));
  return pixels;
}

/** Fewer pixels than this tell nothing of a part. */
const LEAST_PIXELS = 25;

/** Everything parts are looked at by. */
interface Looking {
  readonly judged: Judged;
  readonly looked: LabPicture;
  readonly salience: Salience;
}

function drawAt({ judged: { picture }, salience }: Looking, at: number): number {
  const [x, y] = [Math.floor((at % picture.width) / 2), Math.floor(at / picture.width / 2)];
  return salience.values[
    Math.min(salience.height - 1, y) * salience.width + Math.min(salience.width - 1, x)
  ]!;
}

/** How a part looks by its pixels. @param all pixels of all parts */
function lookOf(part: Part, own: readonly number[], all: number, looking: Looking): PartLook {
  const { looked, judged } = looking;
  const { width, height, pxPerMm } = judged.picture;
  const labs = own.map((at) => looked.lab.map(({ values }) => values[at]!) as unknown as Triple);
  const mean = (axis: 0 | 1 | 2) => labs.reduce((sum, lab) => sum + lab[axis], 0) / labs.length;
  const drawn = own.map((at) => [drawAt(looking, at), at] as const).sort((one, other) => other[0] - one[0]);
  const strongest = drawn.slice(0, Math.max(1, Math.round(STRONGEST * drawn.length)));
  const most = strongest[0]![1];
  return {
    ...{ id: part.id, name: part.name, importance: part.importance },
    share: own.length / all,
    lab: [mean(0), mean(1), mean(2)],
    spread: deviation(labs.map(([light]) => light)),
    texture: deviation(fineOf(looked, own, pxPerMm)),
    draw: strongest.reduce((sum, [draw]) => sum + draw, 0) / strongest.length,
    at: [((most % width) + 0.5) / width, (Math.floor(most / width) + 0.5) / height],
    hues: huesOf(labs),
  };
}

/** How every surface in a picture looks, the one that draws the eye most first; those hardly seen are left out. */
export function partLooks(
  judged: Judged,
  parts: readonly Part[],
  looked = labPicture(judged),
): { readonly looks: PartLook[]; readonly salience: Salience } {
  const { owners, surfaceIds } = judged;
  const salience = salienceOf(looked.lab, looked.there);
  const looking = { judged, looked, salience };
  const pixels = pixelsOf(owners, surfaceIds.length);
  const all = pixels.slice(1).reduce((sum, list) => sum + list.length, 0);
  const looks = parts.flatMap((part): PartLook[] => {
    const own = surfaceIds.includes(part.id) ? pixels[surfaceIds.indexOf(part.id) + 1]! : [];
    return own.length < LEAST_PIXELS ? [] : [lookOf(part, own, all, looking)];
  });
  const strongest = Math.max(1e-6, ...looks.map(({ draw }) => draw));
  return {
    looks: looks
      .map((look) => ({ ...look, draw: look.draw / strongest }))
      .sort((one, other) => other.draw - one.draw),
    salience,
  };
}
