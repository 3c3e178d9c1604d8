import { cardsOf, type Card } from "../../core/plan/cards";
import { defineQuestion } from "../question";
import { planSchema, type PlanInput } from "./benchPdf";

/** The cards of a job alone, for whoever does not look at it closer. */
export const cards = defineQuestion<PlanInput, readonly Card[]>({
  id: "cards",
  schema: planSchema(),
  run: ({ job, paints, painter }) => cardsOf(job, paints, painter),
});
