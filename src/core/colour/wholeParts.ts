import { gcd } from "./search";

/** Shares as small whole parts, and how far they are off. */
export interface WholeParts {
  readonly parts: readonly number[];
  /** Largest error of any share, 0…1. */
  readonly error: number;
}

/** A share may be off by this much before more parts are worth counting. */
const GOOD_SHARE = 0.012;

/**
 * Small whole parts in the ratio of some weights.
 * @param weights above 0
 * @param most largest part allowed
 * @returns the smallest parts whose shares are right to about one in eighty, else the best there are
 */
export function wholeParts(weights: readonly number[], most: number): WholeParts {
  const total = weights.reduce((sum, value) => sum + value, 0);
  const largest = Math.max(...weights);
  let best: WholeParts | null = null;
  for (let top = 1; top <= most; top++) {
    const parts = weights.map((value) => Math.max(1, Math.round((value * top) / largest)));
    const sum = parts.reduce((a, b) => a + b, 0);
    const error = Math.max(...parts.map((part, at) => Math.abs(part / sum - weights[at]! / total)));
    if (best === null || error < best.error - 1e-12) {
      const common = parts.reduce(gcd, 0);
      best = { parts: parts.map((part) => part / common), error };
    }
    if (best.error <= GOOD_SHARE) break;
  }
  return best ?? { parts: weights.map(() => 1), error: 1 };
}
