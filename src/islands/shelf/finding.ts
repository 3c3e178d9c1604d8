import { paintOptics } from "../../core/colour/appearance";
import { ciede2000 } from "../../core/colour/difference";
import { masstone } from "../../core/colour/film";
import { hexToLab, spectrumToLab, type Triple } from "../../core/colour/spaces";
import type { Paint } from "../../core/job";
import { potLook } from "../pots/potLooks";

const labs = new WeakMap<Paint, Triple>();

/** L*a*b* of a pot laid thick; remembered, as lists ask for it again and again. */
export function labOfPot(paint: Paint): Triple {
  let lab = labs.get(paint);
  if (!lab) {
    lab = spectrumToLab(masstone(paintOptics(paint)));
    labs.set(paint, lab);
  }
  return lab;
}

export interface Wanted {
  readonly text: string;
  /** "" for any */
  readonly kind: string;
  /** "" for any, "hand" for have and low */
  readonly state: string;
  /** "#rrggbb" to be near to; null for none. */
  readonly near: string | null;
}

export interface ShownPot {
  readonly paint: Paint;
  /** CIEDE2000 from the colour asked for; null where none was. */
  readonly off: number | null;
}

const atHand = (paint: Paint) => paint.state === "have" || paint.state === "low";

/** Pots that fit what is looked for; nearest first where a colour was given. */
export function findPots(paints: readonly Paint[], { text, kind, state, near }: Wanted): ShownPot[] {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  const goal = near === null ? null : hexToLab(near);
  const shown = paints
    .filter((paint) => {
      const told = `${paint.name} ${paint.range} ${paint.kind} ${paint.hiding} ${paint.finish}`.toLowerCase();
      if (!words.every((word) => told.includes(word))) return false;
      if (kind !== "" && paint.kind !== kind) return false;
      return state === "" || (state === "hand" ? atHand(paint) : paint.state === state);
    })
    .map((paint) => ({ paint, off: goal ? ciede2000(labOfPot(paint), goal) : null }));
  return goal ? shown.sort((a, b) => a.off! - b.off!) : shown;
}

export interface Double {
  readonly one: Paint;
  readonly other: Paint;
  /** CIEDE2000 thick, and in one full coat over black and over white; the largest of the three. */
  readonly off: number;
}

/** Kinds that differ in what they do, whatever they look like on a chart. */
const APART: readonly Paint["kind"][] = ["metal", "medium", "varnish", "powder", "paste", "tufts", "oil"];

/** Whether one pot could stand for the other: a gloss varnish is no double of a matt one, nor a powder of a paint. */
function mayBeDoubles(one: Paint, other: Paint): boolean {
  if (one.kind !== other.kind && (APART.includes(one.kind) || APART.includes(other.kind))) return false;
  return one.kind !== "varnish" || one.finish === other.finish;
}

/** Pairs of pots of like kind that look alike thick and thin. */
export function findDoubles(paints: readonly Paint[], limit: number): Double[] {
  const looks = paints.map((paint) => {
    const { overBlack, overWhite } = potLook(paint);
    return { paint, thick: labOfPot(paint), black: hexToLab(overBlack), white: hexToLab(overWhite) };
  });
  const found: Double[] = [];
  looks.forEach((one, at) => {
    for (const other of looks.slice(at + 1)) {
      if (!mayBeDoubles(one.paint, other.paint)) continue;
      if (Math.abs(one.thick[0] - other.thick[0]) > 2 * limit) continue;
      const off = Math.max(
        ciede2000(one.thick, other.thick),
        ciede2000(one.black, other.black),
        ciede2000(one.white, other.white),
      );
      if (off < limit) found.push({ one: one.paint, other: other.paint, off });
    }
  });
  return found.sort((a, b) => a.off - b.off);
}
