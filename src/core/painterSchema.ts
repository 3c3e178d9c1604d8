import { handSchema } from "./job";
import type { Painter } from "./painter";
import { fields, size } from "./shape";

/** Allowed ranges of the painter's profile. */
export const painterSchema = fields({
  hand: handSchema,
  waterDropUl: size(5, 200),
  brushLossUl: size(0, 200),
  paletteLossUl: size(0, 500),
  brushLoadUl: size(0.5, 50),
  paletteHours: size(0.2, 72),
  roomC: size(5, 40),
  humidityPercent: size(5, 98),
  airMps: size(0, 5),
  secondsPerPull: size(0.5, 120),
  secondsPerBox: size(0.5, 120),
  secondsPerDot: size(0.2, 60),
  mm2PerMinute: size(10, 5000),
  setUpMinutes: size(0, 30),
});

/** @throws ValidationError with every problem */
export const parsePainter = (value: unknown): Painter =>
  painterSchema.validateSync(value, { abortEarly: false });
