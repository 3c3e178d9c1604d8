import { hash01 } from "../../random";
import { smoothstep } from "../../units";
import type { FlatPoint, SurfaceForm } from "../../surface/forms/form";
import { growthAt, type Lie } from "../../surface/growthField";
import type { HideRoom } from "../hide";

/** Sizes of scales as a painter asks for them. */
export interface ScaleSizes {
  readonly width: number;
  readonly long: number;
  readonly small: number;
  readonly lift: number;
  readonly keel: number;
  readonly belly: number;
  readonly bellyAt: number;
  readonly plates: number;
  readonly unlike: number;
  readonly lower: number;
  readonly upper: number;
  readonly bend: number;
  readonly fine: number;
}

/** One scale or belly plate. */
export interface Scale {
  /** Its middle on the flat, mm. */
  readonly at: FlatPoint;
  /** Unit vector towards its free edge. */
  readonly way: FlatPoint;
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly onBelly: boolean;
  readonly seed: number;
}

/** A row lies over the next by so much of its width; a scale is so many times as long as they lie apart, and as wide as its row. */
const [ROW_STEP, LENGTHS, WIDTHS] = [0.86, 1.72, 1.14] as const;
/** Scales do not grow smaller with the body than this share of their size. */
const LEAST_GIRTH = 0.3;
/** Where between belly, 0, and the middle of the back, 1, scales are largest, and over how much they shrink. */
const [LARGEST_AT, SHRINKS_OVER] = [0.55, 0.33] as const;
const STEPS = 200;

/** Sizes along a body follow its girth: at every height the girth against the largest, and how many units of size lie below. */
function girthsOf(form: SurfaceForm) {
  const heights = Array.from({ length: STEPS + 1 }, (_, at) => (at / STEPS) * form.slantMm);
  const most = Math.max(...heights.map((height) => form.lengthAt(height)));
  const share = (height: number) => Math.max(LEAST_GIRTH, form.lengthAt(height) / most);
  const units = [0];
  const step = form.slantMm / STEPS;
  for (let at = 0; at < STEPS; at++) units.push(units[at]! + step / share((at + 0.5) * step));
  /** Height at which so many units lie below; beyond both ends it goes on. */
  const heightAt = (unit: number): number => {
    if (unit <= 0) return unit * share(0);
    if (unit >= units[STEPS]!) return form.slantMm + (unit - units[STEPS]!) * share(form.slantMm);
    let [low, high] = [0, STEPS];
    while (high - low > 1) {
      const middle = (low + high) >> 1;
      if (units[middle]! <= unit) low = middle;
      else high = middle;
    }
    return (low + (unit - units[low]!) / (units[high]! - units[low]!)) * step;
  };
  return { most, share, all: units[STEPS]!, heightAt };
}

/** A row of scales that runs along the body: where it lies, degrees of turn, and how wide it is where the body is widest, mm. */
interface Row {
  readonly turnDeg: number;
  readonly widthMm: number;
  /** Next to the belly: the border strays here. */
  readonly border: boolean;
}

/** Width of rows between the belly, 0, and the middle of the back, 1. */
const widthAt = ({ width, small }: ScaleSizes, share: number): number =>
  width * (small / 100 + (1 - small / 100) * Math.exp(-(((share - LARGEST_AT) / SHRINKS_OVER) ** 2)));

/** Rows from the belly's border up to the middle of the back, so many that they fill it evenly: shares of the way. */
function sharesOf(sizes: ScaleSizes, halfMm: number): { share: number; widthMm: number }[] {
  const rows = [0];
  for (let at = 0; at < STEPS; at++)
    rows.push(rows[at]! + halfMm / STEPS / (ROW_STEP * widthAt(sizes, (at + 0.5) / STEPS)));
  const count = Math.max(1, Math.round(rows[STEPS]!));
  return Array.from({ length: count + 1 }, (_, row) => {
    const wanted = (row / count) * rows[STEPS]!;
    const found = rows.findIndex((one) => one >= wanted - 1e-9);
    const before = Math.max(0, found - 1);
    const share =
      found === 0 ? 0 : (before + (wanted - rows[before]!) / (rows[found]! - rows[before]!)) / STEPS;
    // As much wider or narrower as a whole number of rows asks for.
    return { share, widthMm: (widthAt(sizes, share) * rows[STEPS]!) / count };
  });
}

/** Rows all round a closed body, both sides alike; side by side on an open piece. */
function rowsOn(form: SurfaceForm, sizes: ScaleSizes, mostMm: number): Row[] {
  if (!form.closed) {
    const count = Math.max(1, Math.round(mostMm / (ROW_STEP * sizes.width)));
    return Array.from({ length: count + 1 }, (_, row) => ({
      turnDeg: (row / count) * form.turnDeg,
      widthMm: mostMm / ROW_STEP / count,
      border: false,
    }));
  }
  const half = 180 * (1 - sizes.belly / 100);
  const rows = sharesOf(sizes, (mostMm * half) / 360);
  const back = sizes.bellyAt + 180;
  return rows.flatMap(({ share, widthMm }): Row[] => {
    const aside = half * (1 - share);
    const row = (turnDeg: number): Row => ({ turnDeg, widthMm, border: share < 0.06 && sizes.belly > 0 });
    return aside < 1e-6 ? [row(back)] : [row(back - aside), row(back + aside)];
  });
}

const lie: Lie = { x: 0, y: 1, length: 1, lift: 0 };
const wrapped = (form: SurfaceForm, turnDeg: number): number =>
  form.closed ? ((turnDeg % form.turnDeg) + form.turnDeg) % form.turnDeg : turnDeg;

/** Whether a scale whose middle is at a height belongs to a kind. @param chance −0.5 … 0.5, its own: borders stray by it */
type Belongs = (heightMm: number, chance: number) => boolean;

/** Scales of all rows, each staggered against the one beside it, turned and sized by growth and girth. */
function rowsOfScales(
  { grid: { form }, lie: field, seed }: HideRoom,
  sizes: ScaleSizes,
  belongs: Belongs,
): Scale[] {
  const girths = girthsOf(form);
  const loose = sizes.unlike / 50;
  const scales: Scale[] = [];
  rowsOn(form, sizes, girths.most).forEach(({ turnDeg, widthMm, border }, row) => {
    const pitch = (widthMm * sizes.long) / 100;
    const count = Math.max(1, Math.round(girths.all / pitch));
    const own = girths.all / count;
    for (let at = -1; at <= count + 1; at++) {
      const number = row * 4099 + at;
      const chance = (k: number) => hash01(seed, number, k) - 0.5;
      // Rows on both sides of the back lie alike: every second pair is half a scale on.
      const stagger = Math.ceil(row / 2) % 2 === 0 ? 0 : 0.5;
      const heightMm = girths.heightAt((at + stagger + 0.12 * loose * chance(1)) * own);
      const share = girths.share(Math.min(form.slantMm, Math.max(0, heightMm)));
      if ((border && hash01(seed, number, 9) < 0.3) || !belongs(heightMm, chance(5))) continue;
      const stray = (0.24 * loose * chance(2) * widthMm * 360) / girths.most;
      const at2 = form.flatten({ turnDeg: wrapped(form, turnDeg + stray), heightMm });
      growthAt(field, at2[0], at2[1], lie);
      const angle = 0.12 * loose * chance(3);
      const grown = Math.min(1.6, Math.max(0.4, lie.length));
      scales.push({
        at: at2,
        way: [
          lie.x * Math.cos(angle) - lie.y * Math.sin(angle),
          lie.x * Math.sin(angle) + lie.y * Math.cos(angle),
        ],
        lengthMm: own * share * LENGTHS * grown,
        widthMm: widthMm * share * WIDTHS * (1 + 0.16 * loose * chance(4)),
        onBelly: false,
        seed: Math.floor(hash01(seed + 3, number) * 1e9),
      });
    }
  });
  return scales;
}

/** Borders of small scales stray by so many of their widths. */
const FINE_STRAY = 1.6;

/** Where a hide has small scales: at the ends of its piece and round its bend. */
function isFine({ slantMm }: SurfaceForm, { lower, upper, bend, width }: ScaleSizes): Belongs {
  const strayMm = FINE_STRAY * width;
  return (heightMm, chance) => {
    const at = heightMm + strayMm * chance;
    return (
      at < (lower / 100) * slantMm ||
      at > slantMm * (1 - upper / 100) ||
      Math.abs(at - slantMm / 2) < ((bend / 100) * slantMm) / 2
    );
  };
}

/** All scales beside the belly; small ones where it has some, which end under the others. */
export function scalesOn(room: HideRoom, sizes: ScaleSizes): Scale[] {
  const { lower, upper, bend, width, fine } = sizes;
  if (lower + upper + bend === 0) return rowsOfScales(room, sizes, () => true);
  const { form } = room.grid;
  const small = { ...sizes, width: (width * fine) / 100, small: 100 };
  const isSmall = isFine(form, sizes);
  // The small ones reach a scale further, below the others: no ground is left between both.
  const reach = { ...sizes, ...widened(form, sizes) };
  return [
    ...rowsOfScales({ ...room, seed: room.seed + 7 }, small, isFine(form, reach)),
    ...rowsOfScales(room, sizes, (heightMm, chance) => !isSmall(heightMm, chance)),
  ];
}

/** Where small scales lie, a scale's width further to every side. */
function widened({ slantMm }: SurfaceForm, { lower, upper, bend, width }: ScaleSizes) {
  const more = (100 * width) / slantMm;
  const wider = (share: number, by: number) => (share === 0 ? 0 : share + by);
  return { lower: wider(lower, more), upper: wider(upper, more), bend: wider(bend, 2 * more) };
}

/** Plates that lie across the belly, one after the other along it; none where it has no belly. */
export function platesOn({ grid: { form }, lie: field, seed }: HideRoom, sizes: ScaleSizes): Scale[] {
  if (!form.closed || sizes.belly === 0) return [];
  const girths = girthsOf(form);
  const count = Math.max(1, Math.round(girths.all / sizes.plates));
  const own = girths.all / count;
  return Array.from({ length: count + 2 }, (_, number): Scale => {
    const heightMm = girths.heightAt((number - 0.5 + 0.1 * (hash01(seed + 1, number, 1) - 0.5)) * own);
    const held = Math.min(form.slantMm, Math.max(0, heightMm));
    const at = form.flatten({ turnDeg: wrapped(form, sizes.bellyAt), heightMm });
    growthAt(field, at[0], at[1], lie);
    const ends = smoothstep(0, 0.12, held / form.slantMm) * smoothstep(1, 0.88, held / form.slantMm);
    return {
      at,
      way: [lie.x, lie.y],
      lengthMm: own * girths.share(held) * 1.55,
      widthMm: Math.max(0.3, form.lengthAt(held) * (sizes.belly / 100) * (1 + 0.06 * ends)),
      onBelly: true,
      seed: Math.floor(hash01(seed + 2, number) * 1e9),
    };
  });
}
