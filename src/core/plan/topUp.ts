import { thickDifference } from "../colour/appearance";
import type { Paint } from "../job";
import type { Painter } from "../painter";
import { countedOut, takenUl, type Counted, type MixNeed } from "./batches";
import { waterText } from "./cardText";

/** What is added to a well that runs short, so that it keeps its colour. */
export interface TopUp extends Counted {
  /** Before thinning, µl. */
  readonly neededUl: number;
  readonly addedUl: number;
  /** Water for what is painted now; null where it is used as it is. */
  readonly water: string | null;
  /** CIEDE2000 between what is added and the mix, both laid thick. */
  readonly off: number;
}

/** So little is not worth mixing, share of a card. */
const LEAST_SHARE = 0.02;

/**
 * Tops a well up with its own parts.
 * @param needs what is painted now, then what the same well still has to serve
 * @param share how much of what is painted now is still to be painted, 0…1
 * @throws RangeError where nothing is needed
 */
export function topUp(
  [now, ...later]: readonly MixNeed[],
  share: number,
  paints: readonly Paint[],
  painter: Painter,
): TopUp {
  if (!now || now.mix.parts.length === 0) throw new RangeError("There is no mix to top up.");
  const left = { ...now, paintUl: now.paintUl * Math.min(1, Math.max(LEAST_SHARE, share)), rinses: 1 };
  const neededUl = [left, ...later].reduce((sum, need) => sum + takenUl(need, painter), 0);
  const counted = countedOut(now.form, now.mix, neededUl, paints, painter);
  const real = counted.pots.map(({ paintId, ul }) => ({ paintId, parts: ul }));
  return {
    ...counted,
    neededUl,
    addedUl: counted.pots.reduce((sum, { ul }) => sum + ul, 0),
    water: waterText(left, painter),
    off: thickDifference(now.mix.parts, real, paints),
  };
}
