import { number, object } from "yup";
import type { Painter } from "./painter";

const size = (min: number, max: number) => number().strict().required().min(min).max(max);

/** Allowed ranges of the painter's profile. */
export const painterSchema = object({
  hand: object({ finestLineMm: size(0.03, 1), steadiness01: size(0, 1) })
    .strict()
    .required()
    .noUnknown(),
  waterDropUl: size(5, 200),
  brushLossUl: size(0, 200),
  paletteLossUl: size(0, 500),
  secondsPerPull: size(0.5, 120),
  secondsPerBox: size(0.5, 120),
  secondsPerDot: size(0.2, 60),
  mm2PerMinute: size(10, 5000),
  setUpMinutes: size(0, 30),
})
  .strict()
  .required()
  .noUnknown("${path} has something unknown: ${unknown}");

/** @throws ValidationError with every problem */
export const parsePainter = (value: unknown): Painter =>
  painterSchema.validateSync(value, { abortEarly: false });
