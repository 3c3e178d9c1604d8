import { hash01 } from "../../random";
import { smoothstep } from "../../units";
import type { Place } from "./form";

/** Folds on the inner side of a joint. */
export interface JointCreases {
  readonly count: number;
  /** From the swelling into the crease, mm. */
  readonly deepMm: number;
  /** Height of the joint, and between two creases on its outer side about, mm. */
  readonly jointMm: number;
  readonly apartMm: number;
  /** Turn of the inner side, degrees. */
  readonly innerDeg: number;
}

/** Folds that run out from the inner side of a bend and spread as they go round, mm. */
export function jointCreases(
  { count, deepMm, jointMm, apartMm, innerDeg }: JointCreases,
  seed: number,
): (place: Place) => number {
  const folds = Array.from({ length: count }, (_, at) => ({
    off: at - (count - 1) / 2 + 0.35 * (hash01(seed, at, 1) - 0.5),
    inner: innerDeg + 50 * (hash01(seed, at, 2) - 0.5),
    reach: 0.5 + 0.45 * hash01(seed, at, 3),
    lean: 0.5 * (hash01(seed, at, 4) - 0.5),
    deep: 0.7 + 0.3 * hash01(seed, at, 5),
  }));
  return ({ turnDeg, heightMm }) => {
    let height = 0;
    for (const fold of folds) {
      const turned = ((turnDeg - fold.inner + 540) % 360) - 180;
      const away = Math.abs(turned) / 180;
      const fade = smoothstep(fold.reach, fold.reach - 0.45, away);
      if (fade === 0) continue;
      const line = jointMm + apartMm * fold.off * (0.45 + 0.9 * away) + fold.lean * (turned / 90);
      const off = (heightMm - line) / apartMm;
      // A swelling between narrow valleys: less than half of the spacing.
      height +=
        deepMm *
        fold.deep *
        fade *
        (0.55 * Math.exp(-((off / 0.42) ** 2)) - 0.8 * Math.exp(-(((off - 0.42) / 0.13) ** 2)));
    }
    return height;
  };
}

/** A band of a width from an end: rounded over its edges, with a seam a little inside. @param inMm from the end */
export function cuffBand(inMm: number, widthMm: number, proudMm: number): number {
  if (widthMm === 0) return 0;
  const soft = Math.min(0.16, widthMm / 3);
  const over = Math.sqrt(1 - (1 - smoothstep(-0.02, soft, inMm)) ** 2);
  const off = smoothstep(widthMm + 0.06, widthMm - soft, inMm);
  const groove = 0.35 * proudMm * Math.exp(-(((inMm - widthMm + 0.3) / 0.07) ** 2));
  return proudMm * over * off - (widthMm > 0.8 ? groove : 0);
}
