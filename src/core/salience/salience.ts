import { continued, pyramid, resized, type Plane } from "./pyramid";

/** Where the eye is drawn, 0…1, on a coarser grid than the picture's. */
export type Salience = Plane;

/** Levels of the pyramid that centres are taken from, and how much coarser their surrounds are. */
const CENTRES = [1, 2, 3] as const;
const SURROUNDS = [2, 3] as const;
const LEVELS = 6;
/** The level whose size the answer has. */
const OUT_LEVEL = 1;
/** Differences below this, in L*a*b*, are not seen and draw nobody. */
const LEAST_SEEN = 2;

/** Directions that bars are looked for in, and the wave they are looked for with: pixels of their level. */
const WAYS = 4;
const [WAVE_PX, SIGMA_PX, REACH] = [5, 2, 4] as const;

/** Pairs of filters, even and odd, that answer to bars in a direction; each without a mean (Gabor 1946). */
const GABORS = Array.from({ length: WAYS }, (_, way) => {
  const angle = (way * Math.PI) / WAYS;
  const taps: { dx: number; dy: number; even: number; odd: number }[] = [];
  for (let dy = -REACH; dy <= REACH; dy++)
    for (let dx = -REACH; dx <= REACH; dx++) {
      const across = dx * Math.cos(angle) + dy * Math.sin(angle);
      const soft = Math.exp(-(dx * dx + dy * dy) / (2 * SIGMA_PX * SIGMA_PX));
      const phase = (2 * Math.PI * across) / WAVE_PX;
      taps.push({ dx, dy, even: soft * Math.cos(phase), odd: soft * Math.sin(phase) });
    }
  const soft = (tap: { dx: number; dy: number }) =>
    Math.exp(-(tap.dx * tap.dx + tap.dy * tap.dy) / (2 * SIGMA_PX * SIGMA_PX));
  const all = taps.reduce((sum, tap) => sum + soft(tap), 0);
  const mean = taps.reduce((sum, { even }) => sum + even, 0) / all;
  return taps.map((tap) => ({
    ...tap,
    even: (2 * (tap.even - mean * soft(tap))) / all,
    odd: (2 * tap.odd) / all,
  }));
});

/** Numbers of the cells round one that lie under the taps of a filter, beyond the picture those at its edge. */
function underTaps(
  { width, height }: Plane,
  way: number,
  row: number,
  column: number,
  into: Int32Array,
): void {
  GABORS[way]!.forEach(({ dx, dy }, tap) => {
    const x = Math.min(width - 1, Math.max(0, column + dx));
    const y = Math.min(height - 1, Math.max(0, row + dy));
    into[tap] = y * width + x - row * width - column;
  });
}

/** How strongly bars of a direction stand in each place that is there, as an amplitude in the picture's unit. */
function barsOf(plane: Plane, way: number, there: Plane): Plane {
  const { width, height, values } = plane;
  const out = new Float32Array(values.length);
  const [evens, odds] = [
    Float64Array.from(GABORS[way]!, ({ even }) => even),
    Float64Array.from(GABORS[way]!, ({ odd }) => odd),
  ];
  // Away from the edges the same cells lie round every one.
  const [usual, own] = [new Int32Array(evens.length), new Int32Array(evens.length)];
  GABORS[way]!.forEach(({ dx, dy }, tap) => (usual[tap] = dy * width + dx));
  for (let row = 0; row < height; row++)
    for (let column = 0; column < width; column++) {
      const at = row * width + column;
      if (there.values[at] === 0) continue;
      const away =
        row >= REACH && column >= REACH && row + REACH < height && column + REACH < width ? usual : own;
      if (away === own) underTaps(plane, way, row, column, own);
      let [even, odd] = [0, 0];
      for (let tap = 0; tap < away.length; tap++) {
        const value = values[at + away[tap]!]!;
        even += evens[tap]! * value;
        odd += odds[tap]! * value;
      }
      out[at] = Math.sqrt(even * even + odd * odd);
    }
  return { width, height, values: out };
}

interface Peak {
  readonly x: number;
  readonly y: number;
  readonly value: number;
}

/** The highest place of each of many squares of a map. */
function peaksOf({ width, height, values }: Plane, block: number): Peak[] {
  const peaks: Peak[] = [];
  for (let top = 0; top < height; top += block)
    for (let left = 0; left < width; left += block) {
      let peak: Peak = { x: left, y: top, value: 0 };
      for (let y = top; y < Math.min(height, top + block); y++)
        for (let x = left; x < Math.min(width, left + block); x++)
          if (values[y * width + x]! > peak.value) peak = { x, y, value: values[y * width + x]! };
      if (peak.value > 0) peaks.push(peak);
    }
  return peaks.sort((one, other) => other.value - one.value);
}

/** Squares that peaks are looked for in: so many along the shorter side; and the least that a peak is, of the highest. */
const [SQUARES, LEAST_PEAK] = [12, 0.1] as const;

/** A map's peaks other than the highest, on average: one peak alone counts for more than many alike. */
function otherPeaks(plane: Plane, most: number): number {
  const block = Math.max(3, Math.round(Math.min(plane.width, plane.height) / SQUARES));
  const apart: Peak[] = [];
  for (const peak of peaksOf(plane, block)) {
    if (peak.value < LEAST_PEAK * most) break;
    // The slope of a higher peak is none of its own.
    const isOwn = apart.every(({ x, y }) => Math.hypot(x - peak.x, y - peak.y) > 1.5 * block);
    if (isOwn) apart.push(peak);
  }
  const others = apart.slice(1);
  return others.length > 0 ? others.reduce((sum, { value }) => sum + value, 0) / others.length : 0;
}

/** Itti's normalisation: a map with one peak is kept, one with many alike is pressed down. */
function promoted(plane: Plane): Plane {
  const most = plane.values.reduce((high, value) => Math.max(high, value), 0);
  if (most < LEAST_SEEN) return { ...plane, values: new Float32Array(plane.values.length) };
  const alone = (1 - otherPeaks(plane, most) / most) ** 2;
  return { ...plane, values: plane.values.map((value) => value * alone) };
}

interface Looked {
  readonly mask: Plane;
  readonly width: number;
  readonly height: number;
}

/** What centres of a pyramid differ from their surrounds by, each map promoted, added up. */
function contrasts(levels: readonly Plane[], { mask, width, height }: Looked): Plane {
  const sum = new Float32Array(width * height);
  for (const centre of CENTRES)
    for (const apart of SURROUNDS) {
      const [near, far] = [levels[centre]!, levels[centre + apart]!];
      const around = resized(far, near.width, near.height);
      const difference = {
        ...near,
        values: near.values.map((value, at) => Math.abs(value - around.values[at]!)),
      };
      const own = resized(difference, width, height);
      const there = promoted({ ...own, values: own.values.map((value, at) => value * mask.values[at]!) });
      for (let at = 0; at < sum.length; at++) sum[at]! += there.values[at]!;
    }
  return { width, height, values: sum };
}

const added = (planes: readonly Plane[]): Plane => ({
  ...planes[0]!,
  values: planes[0]!.values.map((_, at) => planes.reduce((sum, { values }) => sum + values[at]!, 0)),
});

/**
 * Where the eye goes first in a picture: contrasts of lightness, of hue and of direction between places and what lies
 * around them, at several sizes; what is alone counts for more than what is everywhere. Source: Itti, Koch and Niebur, "A
 * model of saliency-based visual attention for rapid scene analysis", IEEE Trans PAMI 20, 1998; on CIE L*a*b* instead of
 * a camera's colours, so that differences keep the size the eye gives them; scales one step finer, as the pictures are half as
 * large. Its middle is not preferred. It knows nothing of faces and of what things mean.
 * @param lab L*, a* and b* of each pixel, each a plane of its own
 * @param there 0…1: how much of each pixel is the thing looked at; what lies beside it draws nobody
 * @returns 0…1 at half the size; 0 everywhere where nothing stands out
 */
export function salienceOf(lab: readonly [Plane, Plane, Plane], there: Plane): Salience {
  const masks = pyramid(there, LEVELS);
  const mask = masks[OUT_LEVEL]!;
  const looked = { mask, width: mask.width, height: mask.height };
  const [light, redGreen, blueYellow] = continued(lab, there).map((plane) => pyramid(plane, LEVELS)) as [
    Plane[],
    Plane[],
    Plane[],
  ];
  const lightness = contrasts(light, looked);
  const hue = added([contrasts(redGreen, looked), contrasts(blueYellow, looked)]);
  const bars = added(
    Array.from({ length: WAYS }, (_, way) => {
      const levels = light.map((level, at) => (at === 0 ? level : barsOf(level, way, masks[at]!)));
      return promoted(contrasts(levels, looked));
    }),
  );
  const all = added([lightness, hue, bars].map(promoted));
  const most = all.values.reduce((high, value) => Math.max(high, value), 0);
  return { ...all, values: all.values.map((value) => (most > 0 ? value / most : 0)) };
}
