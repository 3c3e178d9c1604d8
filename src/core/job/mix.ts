import { number } from "yup";
import { colour, contentId, fields, id, name, size, text, triple, whole, manyOf, type Shape } from "../shape";

/** Whole parts of one pot. */
export const mixPartSchema = fields({ paintId: id(), parts: whole(1, 24) });
export type MixPart = Shape<typeof mixPartSchema>;

/** Paints in whole parts, thinned with water. */
export const mixSchema = fields({
  id: id(),
  name: name(),
  parts: manyOf(mixPartSchema, 8),
  /** Parts of water to one part of paint. */
  water: size(0, 20),
  /** Colour this mix is meant to show; null where none was set. */
  goal: colour().nullable().defined(),
});
export type Mix = Shape<typeof mixSchema>;

/** A colour to be met. */
export const goalSchema = fields({
  id: id(),
  name: name(),
  /** Corrected where the picture was. */
  colour: colour(),
  /** Share of the picture it was found in; null for one that was picked or typed. */
  share: number().strict().nullable().defined().min(0).max(1),
  /** Picture it comes from; null for none. */
  referenceId: text(120).nullable(),
});
export type Goal = Shape<typeof goalSchema>;

/** A picture to take colours from. */
export const referenceSchema = fields({
  id: id(),
  name: name(),
  pictureId: contentId(),
  /** Its size, pixels. */
  width: whole(1, 4096),
  height: whole(1, 4096),
  /** Linear factors for red, green and blue that make the painter's grey grey; null for the picture as it is. */
  neutral: triple(0.05, 20).nullable().defined(),
});
export type Reference = Shape<typeof referenceSchema>;

/** A mix of the job; undefined where it has none of that id. */
export const mixById = (job: { readonly mixes: readonly Mix[] }, mixId: string): Mix | undefined =>
  job.mixes.find((mix) => mix.id === mixId);
