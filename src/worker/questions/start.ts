import { object, string } from "yup";
import type { Job, Paint } from "../../core/job";
import { schemeIds, type SchemeId } from "../../core/schemes";
import { AGES, LOOKS, type SchemeAnswers } from "../../core/schemes/scheme";
import type { StartPlan } from "../../core/schemes/start";
import { jobField, paintsField } from "../checked";
import { defineQuestion } from "../question";

export interface StartInput {
  readonly job: Job;
  readonly paints: readonly Paint[];
  readonly surfaceId: string;
  readonly schemeId: SchemeId;
  readonly answers: SchemeAnswers;
}

/** A scheme worked out for a surface. */
export const start = defineQuestion<StartInput, StartPlan>({
  id: "start",
  schema: object({
    job: jobField(),
    paints: paintsField(),
    surfaceId: string().strict().required(),
    schemeId: string().strict().required().oneOf(schemeIds),
    answers: object({
      age: string().strict().required().oneOf(AGES),
      look: string().strict().required().oneOf(LOOKS),
      colour: string()
        .strict()
        .required()
        .matches(/^#[0-9a-f]{6}$/i),
    }).required(),
  }),
  run: async (input, { wanted }) => (await import("../paletteTasks")).answerStart(input, wanted),
});
