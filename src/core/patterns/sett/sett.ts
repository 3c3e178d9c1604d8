import type { PatternFamily } from "../family";
import { boxSize } from "./checks/boxSize";
import { closure } from "./checks/closure";
import { fineLines } from "./checks/fineLines";
import { guidesShow } from "./checks/guidesShow";
import { halfTones } from "./checks/halfTones";
import { stripeContrast } from "./checks/stripeContrast";
import { completeSett, settCoats } from "./coats";
import { settGoals } from "./goals";
import { layoutSett, type SettLayout } from "./layout";
import { settMarks } from "./marks";
import { settSchema, type SettParams } from "./params";
import { settCrossings, settMeets, settPlaces, settTones } from "./places";
import { settGuides } from "./sheet";
import { settWork } from "./work";
import { settCounts, settLookAt } from "./words";

/** Check cloth: a thread count woven both ways, fitted to the panel. */
export const sett: PatternFamily<SettParams, SettLayout> = {
  id: "sett",
  version: 2,
  label: "Check cloth",
  about: "A thread count woven both ways, fitted to the panel: guides, boxes by tone, lines, dots.",
  schema: settSchema,
  /** A plain two-tone check, to be changed to the painter's own. */
  start({ mixes, form }) {
    const [light, dark] = [mixes[0]?.id ?? "", mixes[1]?.id ?? mixes[0]?.id ?? ""];
    return {
      threadCount: "A24 B24",
      rowThreadCount: null,
      pivots: "full",
      colours: { A: light, B: dark },
      crossings: {},
      periods: Math.max(1, Math.min(200, Math.round(form.lengthAt(form.slantMm / 2) / 3.1))),
      spread: "fan",
      rowPeriodMm: null,
      rowStartMm: 0,
      columnStartDeg: 0,
      threadsPerCm: 16,
      method: "boxes",
      painted: {},
      baseMixId: light,
      guideMixId: dark,
      glazeMixId: null,
    };
  },
  /** Version 1 left it to a stripe's width whether it is a line. */
  upgrade: (params, from) => (from < 2 ? { ...(params as object), painted: {} } : params),
  layout: (params, { form, hand }) => layoutSett(params, form, hand.finestLineMm),
  complete: completeSett,
  coats: settCoats,
  places: settPlaces,
  marks: settMarks,
  tones: settTones,
  meets: (_layout, key, tone) => settMeets(key, tone),
  crossings: settCrossings,
  work: settWork,
  lookAt: settLookAt,
  counts: settCounts,
  unseen: (key) => key === "guides",
  mapMixes(params, change) {
    const each = (mixes: Readonly<Record<string, string>>) =>
      Object.fromEntries(Object.entries(mixes).map(([key, mixId]) => [key, change(mixId)]));
    return {
      ...params,
      colours: each(params.colours),
      crossings: each(params.crossings),
      baseMixId: change(params.baseMixId),
      guideMixId: change(params.guideMixId),
      glazeMixId: params.glazeMixId === null ? null : change(params.glazeMixId),
    };
  },
  filmParams: ({
    threadCount,
    rowThreadCount,
    pivots,
    periods,
    spread,
    rowPeriodMm,
    rowStartMm,
    columnStartDeg,
    painted,
  }) => [
    ...[threadCount, rowThreadCount, pivots, periods, spread, rowPeriodMm, rowStartMm, columnStartDeg],
    painted,
  ],
  checks: [closure, boxSize, fineLines, stripeContrast, guidesShow, halfTones],
  guides: {
    title: "Gauge strip",
    use: "Cut along the outline and lay it round the figure, hem to hem. Full ticks are edges of boxes, named by the stripe that begins there; broken ticks are lines.",
    of: settGuides,
  },
  goals: settGoals,
};
