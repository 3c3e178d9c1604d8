import { array, mixed, number, object } from "yup";
import { BANDS } from "../../core/colour/bands";
import type { FoundGlaze, ToneGoal } from "../../core/colour/glazeFinder";
import type { Paint } from "../../core/job";
import { paintsField } from "../checked";
import { defineQuestion } from "../question";

const spectrum = () =>
  mixed((value): value is Float64Array => value instanceof Float64Array && value.length === BANDS).required();

export interface GlazesInput {
  readonly paints: readonly Paint[];
  readonly tones: readonly ToneGoal[];
}

/** Which glaze carries the tones to their goals. */
export const glazes = defineQuestion<GlazesInput, readonly FoundGlaze[]>({
  id: "glazes",
  schema: object({
    paints: paintsField(),
    tones: array(
      object({
        ground: spectrum(),
        goal: array(number().strict().required()).length(3).required(),
      }).required(),
    )
      .min(1)
      .max(12)
      .required(),
  }),
  run: async (input, { wanted }) => (await import("../paletteTasks")).answerGlazes(input, wanted),
});
