import { HIDING } from "./colour/paint";
import { handSchema } from "./job";
import { LEARNT_KEYS, type LearntKey, type Painter } from "./painter";
import { DOUBT_IDS } from "./routes/doubtIds";
import { fields, id, manyIfAny, manyOf, one, size, utcTime } from "./shape";

/** Least and most of the numbers that follow the log. */
export const LEARNT_RANGES: Readonly<Record<LearntKey, readonly [number, number]>> = {
  brushLoadUl: [0.5, 50],
  secondsPerPull: [0.5, 120],
  secondsPerBox: [0.5, 120],
  secondsPerDot: [0.2, 60],
  mm2PerMinute: [10, 5000],
  sprayedMm2PerMinute: [10, 50_000],
  setUpMinutes: [0, 30],
  handlingMinutes: [0, 10],
  dryingTimes: [0.1, 10],
  waterTimes: [0.1, 10],
};
const learnt = (key: LearntKey) => size(...LEARNT_RANGES[key]);

/** Allowed ranges of the painter's profile. */
export const painterSchema = fields({
  hand: handSchema,
  waterDropUl: size(5, 200),
  brushLossUl: size(0, 200),
  paletteLossUl: size(0, 500),
  brushLoadUl: learnt("brushLoadUl"),
  paletteHours: size(0.2, 72),
  roomC: size(5, 40),
  humidityPercent: size(5, 98),
  airMps: size(0, 5),
  secondsPerPull: learnt("secondsPerPull"),
  secondsPerBox: learnt("secondsPerBox"),
  secondsPerDot: learnt("secondsPerDot"),
  mm2PerMinute: learnt("mm2PerMinute"),
  sprayedMm2PerMinute: learnt("sprayedMm2PerMinute"),
  setUpMinutes: learnt("setUpMinutes"),
  handlingMinutes: learnt("handlingMinutes"),
  dryingTimes: learnt("dryingTimes"),
  waterTimes: learnt("waterTimes"),
  without: manyIfAny(one(DOUBT_IDS), DOUBT_IDS.length),
  learning: fields({
    locked: manyOf(one(LEARNT_KEYS), LEARNT_KEYS.length),
    since: manyOf(fields({ key: one(LEARNT_KEYS), at: utcTime() }), LEARNT_KEYS.length),
    pots: manyIfAny(fields({ paintId: id(), strength: size(0.2, 20), hiding: one(HIDING) }), 5000),
  }),
});

/** @throws ValidationError with every problem */
export const parsePainter = (value: unknown): Painter =>
  painterSchema.validateSync(value, { abortEarly: false });
