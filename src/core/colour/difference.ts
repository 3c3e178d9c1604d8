import type { Triple } from "./spaces";

const rad = Math.PI / 180;

/** 25⁷, where the corrections for saturated colours turn. */
const TURN7 = 25 ** 7;

// Written out: this is asked millions of times, and `hypot` and `pow` take most of its time.
const length = (a: number, b: number): number => Math.sqrt(a * a + b * b);

function seventh(x: number): number {
  const cubed = x * x * x;
  return cubed * cubed * x;
}

function hueDegrees(a: number, b: number): number {
  if (a === 0 && b === 0) return 0;
  const degrees = Math.atan2(b, a) / rad;
  return degrees < 0 ? degrees + 360 : degrees;
}

/** Mean of two hues the short way round; where one colour has no hue, the other's counts. */
function meanHue(h1: number, h2: number, neutral: boolean): number {
  if (neutral) return h1 + h2;
  if (Math.abs(h1 - h2) <= 180) return (h1 + h2) / 2;
  return h1 + h2 < 360 ? (h1 + h2 + 360) / 2 : (h1 + h2 - 360) / 2;
}

function hueStep(h1: number, h2: number, neutral: boolean): number {
  if (neutral) return 0;
  const step = h2 - h1;
  return step > 180 ? step - 360 : step < -180 ? step + 360 : step;
}

/**
 * Colour difference CIEDE2000 with kL = kC = kH = 1.
 * Source: Sharma, Wu, Dalal, "The CIEDE2000 Color-Difference Formula", Color Res Appl 30, 2005.
 * @param one L*, a*, b* (D65)
 * @returns 0 for equal colours; about 1 is just visible side by side
 */
export function ciede2000(one: Triple, other: Triple): number {
  const [l1, a1, b1] = one;
  const [l2, a2, b2] = other;
  const meanC7 = seventh((length(a1, b1) + length(a2, b2)) / 2);
  const g = 1 + 0.5 * (1 - Math.sqrt(meanC7 / (meanC7 + TURN7)));
  const c1 = length(a1 * g, b1);
  const c2 = length(a2 * g, b2);
  const h1 = hueDegrees(a1 * g, b1);
  const h2 = hueDegrees(a2 * g, b2);
  const neutral = c1 * c2 === 0;

  const dL = l2 - l1;
  const dC = c2 - c1;
  const dH = 2 * Math.sqrt(c1 * c2) * Math.sin((hueStep(h1, h2, neutral) * rad) / 2);

  const l = (l1 + l2) / 2;
  const c = (c1 + c2) / 2;
  const h = meanHue(h1, h2, neutral);
  const t =
    1 -
    0.17 * Math.cos((h - 30) * rad) +
    0.24 * Math.cos(2 * h * rad) +
    0.32 * Math.cos((3 * h + 6) * rad) -
    0.2 * Math.cos((4 * h - 63) * rad);
  const sL = 1 + (0.015 * (l - 50) ** 2) / Math.sqrt(20 + (l - 50) ** 2);
  const sC = 1 + 0.045 * c;
  const sH = 1 + 0.015 * c * t;
  const c7 = seventh(c);
  const turn = 60 * Math.exp(-(((h - 275) / 25) ** 2)) * rad;
  const rT = -Math.sin(turn) * 2 * Math.sqrt(c7 / (c7 + TURN7));
  return Math.sqrt((dL / sL) ** 2 + (dC / sC) ** 2 + (dH / sH) ** 2 + rT * (dC / sC) * (dH / sH));
}

/** What a difference means to a painter, side by side and in good light. */
export function differenceInWords(difference: number): string {
  if (difference < 1.2) return "not visible";
  if (difference < 2.5) return "just visible side by side";
  if (difference < 5) return "visible side by side";
  if (difference < 10) return "clearly different";
  return "another colour";
}

/** Least part of a difference that is worth naming, in L*, a*, b*. */
const NAMED = 1;

/** How a colour departs from another, as a painter would say it: "darker, redder"; "" where nothing stands out. */
export function directionInWords(goal: Triple, got: Triple): string {
  const steps = [got[0] - goal[0], got[1] - goal[1], got[2] - goal[2]] as const;
  const words = [
    [steps[0], "lighter", "darker"],
    [steps[1], "redder", "greener"],
    [steps[2], "yellower", "bluer"],
  ] as const;
  const chroma = Math.hypot(got[1], got[2]) - Math.hypot(goal[1], goal[2]);
  const along = Math.hypot(steps[1], steps[2]);
  // Where the hue stays, more or less colour says it better than two hues.
  if (along > NAMED && Math.abs(chroma) > 0.85 * along) {
    const lightness = Math.abs(steps[0]) > NAMED ? [steps[0] > 0 ? "lighter" : "darker"] : [];
    return [...lightness, chroma > 0 ? "stronger" : "greyer"].join(", ");
  }
  return words
    .filter(([step]) => Math.abs(step) > NAMED)
    .sort((a, b) => Math.abs(b[0]) - Math.abs(a[0]))
    .slice(0, 2)
    .map(([step, more, less]) => (step > 0 ? more : less))
    .join(", ");
}
