import { hash01 } from "../../random";
import { smoothstep } from "../../units";
import type { Motion } from "../acrossSeam";
import type { Sheet } from "../sheet";
import type { Scale } from "./rows";

/** How a scale stands. */
export interface ScaleStand {
  /** How far its free edge stands off more than its root, mm, of one of ordinary size. */
  readonly liftMm: number;
  /** Height of the keel along its middle, against its width. */
  readonly keel: number;
  /** Width of an ordinary scale, mm: smaller ones stand off less. */
  readonly usualMm: number;
  /** Share of scales that are scarred, 0…1. */
  readonly scars: number;
}

/** Half width of a scale along its length against its widest: nearly round at the root, pointed at its free edge. */
export function outlineAt(a: number, pointed: number): number {
  if (a < 0.55) return 0.75 + 0.25 * Math.sqrt(Math.max(0, a) / 0.55);
  return Math.max(0, 1 - ((a - 0.55) / 0.45) ** 2) ** (0.75 * pointed);
}

/** How bowed a belly plate is, in widths squared, and from where on its rear edge is cut. */
const [BOW, CUT] = [0.1, 0.97] as const;

/** What a scale has of its own. */
interface Own {
  readonly lift: number;
  readonly tilt: number;
  readonly pointed: number;
  readonly liftBy: number;
  /** A groove across it: where it crosses its middle, along it, how slanting, and how deep, mm; null for most. */
  readonly scar: { readonly at: number; readonly slant: number; readonly deepMm: number } | null;
}

/** A scar is so wide, in lengths of its scale, and so deep, in its widths. */
const [SCAR_WIDE, SCAR_DEEP] = [0.075, 0.16] as const;

function ownOf({ seed, widthMm, onBelly }: Scale, { liftMm, usualMm, scars }: ScaleStand): Own {
  const chance = (k: number) => hash01(seed, k);
  return {
    lift: liftMm * (onBelly ? 1.35 : Math.min(1, 0.25 + (0.75 * widthMm) / usualMm)),
    liftBy: 0.9 + 0.2 * chance(1),
    tilt: 0.08 * (chance(2) - 0.5),
    pointed: 0.6 + 0.3 * chance(3),
    scar:
      chance(4) < scars && !onBelly
        ? { at: 0.4 + 0.4 * chance(5), slant: 0.6 * (chance(6) - 0.5), deepMm: SCAR_DEEP * widthMm }
        : null,
  };
}

/** Height of a back scale at a place of it, mm; −Infinity beside it. @param a 0 root … 1 free edge. @param b −1 … 1 across */
function backUp(a: number, b: number, { widthMm, seed }: Scale, own: Own, keel: number): number {
  const half = outlineAt(a, own.pointed) - 0.02;
  const aside = Math.abs(b);
  if (aside > half) return -Infinity;
  const { scar } = own;
  const off = scar ? (a - scar.at - scar.slant * b) / SCAR_WIDE : 0;
  const cut = scar ? scar.deepMm * Math.exp(-off * off) : 0;
  const edge = (aside / (half + 0.02)) ** 3;
  const crest = keel * widthMm * (1 - aside) ** 1.35 * smoothstep(0, 0.35, a) * own.liftBy;
  const rings = 0.006 * Math.sin(6 * aside + 3 * a + (seed % 7)) * smoothstep(0.15, 0.3, aside);
  return (
    own.lift * (1.05 * a - 0.5) * own.liftBy +
    own.tilt * b * widthMm * 0.5 +
    crest +
    0.06 * widthMm * (1 - b * b) -
    0.1 * widthMm * edge -
    0.05 * smoothstep(0.88, 1, a) +
    rings -
    cut
  );
}

/** The same of a belly plate: wide, flat, its rear edge rolled down. */
function bellyUp(a: number, b: number, own: Own): number {
  if (a > CUT || 1 - Math.abs(b) ** 8 <= 0) return -Infinity;
  return own.lift * (1.05 * a - 0.5) + 0.09 * (1 - b * b) - 0.16 * smoothstep(0.86, CUT, a);
}

/** Draws a scale where it is higher than what is there. @param motion where else it is drawn; as it is where null */
export function drawScale(
  sheet: Sheet,
  scale: Scale,
  number: number,
  stand: ScaleStand,
  motion: Motion | null,
): void {
  const { width, height, pitchMm, originX, originY } = sheet.grid;
  const own = ownOf(scale, stand);
  const { lengthMm, widthMm, onBelly, way } = scale;
  const [x, y] = motion ? motion(scale.at) : scale.at;
  const bow = onBelly ? BOW * widthMm : 0;
  const reach = Math.hypot(lengthMm / 2 + bow, widthMm / 2);
  const clampedTo = (value: number, most: number) => Math.min(most, Math.max(0, value));
  const first = clampedTo(Math.ceil((y - reach - originY) / pitchMm), height);
  const last = clampedTo(Math.floor((y + reach - originY) / pitchMm), height - 1);
  const left = clampedTo(Math.ceil((x - reach - originX) / pitchMm), width);
  const right = clampedTo(Math.floor((x + reach - originX) / pitchMm), width - 1);
  for (let row = first; row <= last; row++) {
    const dy = originY + row * pitchMm - y;
    for (let column = left; column <= right; column++) {
      const dx = originX + column * pitchMm - x;
      const b = (dy * way[0] - dx * way[1]) / (widthMm / 2);
      const a = (dx * way[0] + dy * way[1] + bow * b * b) / lengthMm + 0.5;
      if (a < 0 || a > 1 || b < -1 || b > 1) continue;
      const up = onBelly ? bellyUp(a, b, own) : backUp(a, b, scale, own, stand.keel);
      const at = row * width + column;
      if (up <= sheet.upMm[at]!) continue;
      sheet.upMm[at] = up;
      sheet.thing[at] = number;
      sheet.along[at] = 255 * a;
      sheet.across[at] = 127 * b;
    }
  }
}
