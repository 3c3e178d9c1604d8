import { array, number, object } from "yup";
import type { MainColour, Neutral } from "../../core/colour/mainColours";
import { defineQuestion } from "../question";
import { blobField } from "./picture";

export interface MainColoursInput {
  readonly picture: Blob;
  readonly count: number;
  readonly neutral: Neutral | null;
}

/** Main colours of a kept picture. */
export const mainColours = defineQuestion<MainColoursInput, readonly MainColour[]>({
  id: "mainColours",
  schema: object({
    picture: blobField(),
    count: number().strict().required().integer().min(1).max(16),
    neutral: array(number().strict().required().min(0.01).max(100)).length(3).nullable().defined(),
  }),
  run: async (input) => (await import("../paletteTasks")).answerColours(input),
});
