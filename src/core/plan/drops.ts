import type { Mix, Paint } from "../job";
import { SOLIDS_SHARE } from "../colour/mix";
import type { Painter } from "../painter";

/** A mix in whole drops for the area it has to cover, with what is lost on the way. */
export interface Batch {
  /** Mixed and thinned paint that lands on the figures, µl. */
  readonly onFigureUl: number;
  /** With what stays in brush and on the palette, µl. */
  readonly neededUl: number;
  /** Whole drops of each pot. */
  readonly drops: readonly { readonly paintId: string; readonly drops: number }[];
  readonly waterDrops: number;
  /** What these drops make, µl. */
  readonly batchUl: number;
  /** Fewer whole drops in these parts cannot be mixed. */
  readonly smallest: boolean;
  /** Thinning these whole drops really give, parts of water to one of paint. */
  readonly realWater: number;
  /** Times over what is needed, 1 for just enough. */
  readonly surplus: number;
  /** Why whole drops do not serve this coat well, in words; null where they do. */
  readonly warning: BatchWarning | null;
}

/** A batch too small to mix in whole drops: what goes wrong, and the next batch that does not have it. */
export interface BatchWarning {
  readonly why: "too small" | "water off";
  /** Next batch whose whole drops give the thinning, as times the parts; null where only the waste is the matter. */
  readonly next: { readonly times: number; readonly batchUl: number; readonly waterDrops: number } | null;
}

/** Above this many times of what is needed, most of a batch is thrown away. */
const WASTEFUL = 3;
/** Thinning may be off by this share before the marks change. */
const WATER_OFF = 0.15;

function waterIn(paintUl: number, water: number, dropUl: number): number {
  return water === 0 ? 0 : Math.max(1, Math.round((paintUl * water) / dropUl));
}

const waterError = (paintUl: number, water: number, dropUl: number): number =>
  water === 0 ? 0 : Math.abs((waterIn(paintUl, water, dropUl) * dropUl) / paintUl / water - 1);

function warningFor(
  onceUl: number,
  times: number,
  water: number,
  dropUl: number,
  surplus: number,
): BatchWarning | null {
  if (times === 0) return null;
  if (waterError(onceUl * times, water, dropUl) > WATER_OFF) {
    for (let more = times + 1; more <= times + 40; more++) {
      if (waterError(onceUl * more, water, dropUl) > WATER_OFF) continue;
      const waterDrops = waterIn(onceUl * more, water, dropUl);
      return {
        why: "water off",
        next: { times: more, waterDrops, batchUl: onceUl * more + waterDrops * dropUl },
      };
    }
    return { why: "water off", next: null };
  }
  return times === 1 && surplus > WASTEFUL ? { why: "too small", next: null } : null;
}

/**
 * Whole drops for one coat: the smallest whole multiple of the parts that is enough.
 * @param areaMm2 covered area, all figures and passes counted once
 * @param filmUm dry film over that area, all passes together
 * @param loads times the brush is rinsed, each leaving some paint behind
 * @param solids share of the volume that stays when it is dry
 */
export function batchFor(
  mix: Mix,
  paints: readonly Paint[],
  water: number,
  areaMm2: number,
  filmUm: number,
  loads: number,
  painter: Painter,
  solids = SOLIDS_SHARE,
): Batch {
  // 1 µm over 1 mm² is 0.001 µl.
  const paintUl = (areaMm2 * filmUm * 0.001) / solids;
  const onFigureUl = paintUl * (1 + water);
  const neededUl = onFigureUl + painter.paletteLossUl + painter.brushLossUl * loads;
  const pots = mix.parts.map((part) => ({
    ...part,
    dropUl: paints.find((paint) => paint.id === part.paintId)?.dropUl ?? 40,
  }));
  const onceUl = pots.reduce((sum, pot) => sum + pot.parts * pot.dropUl, 0);
  const times = onceUl > 0 ? Math.max(1, Math.ceil(neededUl / (1 + water) / onceUl - 1e-9)) : 0;
  const madeUl = onceUl * times;
  const waterDrops = waterIn(madeUl, water, painter.waterDropUl);
  const waterUl = waterDrops * painter.waterDropUl;
  const surplus = neededUl > 0 ? (madeUl + waterUl) / neededUl : 0;
  return {
    onFigureUl,
    neededUl,
    drops: pots.map((pot) => ({ paintId: pot.paintId, drops: pot.parts * times })),
    waterDrops,
    batchUl: madeUl + waterUl,
    smallest: times === 1,
    realWater: madeUl > 0 ? waterUl / madeUl : 0,
    surplus,
    warning: warningFor(onceUl, times, water, painter.waterDropUl, surplus),
  };
}
