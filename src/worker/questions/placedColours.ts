import { array, mixed, number, object } from "yup";
import type { Neutral } from "../../core/colour/mainColours";
import { SHOWN, type PlacedColour, type Shown } from "../../core/colour/placedColours";
import { defineQuestion } from "../question";
import { blobField } from "./picture";

export interface PlacedColoursInput {
  readonly picture: Blob;
  /** Colours wanted at most. */
  readonly most: number;
  readonly neutral: Neutral | null;
  readonly shown: Shown;
}

/** Colours of a beast in a kept picture, their shares and where they lie. */
export const placedColours = defineQuestion<PlacedColoursInput, readonly PlacedColour[]>({
  id: "placedColours",
  schema: object({
    picture: blobField(),
    most: number().strict().required().integer().min(1).max(16),
    neutral: array(number().strict().required().min(0.01).max(100)).length(3).nullable().defined(),
    shown: mixed<Shown>()
      .oneOf([...SHOWN])
      .required(),
  }),
  run: async (input) => (await import("../paletteTasks")).answerPlaced(input),
});
