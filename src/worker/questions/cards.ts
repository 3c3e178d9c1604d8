import { cardsOf, type Card } from "../../core/plan/cards";
import { bringWhatIsKept } from "../heights";
import { defineQuestion } from "../question";
import { planSchema, type PlanInput } from "./benchPdf";

/** The cards of a job alone, for whoever does not look at it closer. */
export const cards = defineQuestion<PlanInput, readonly Card[]>({
  id: "cards",
  schema: planSchema(),
  async run({ job, paints, painter }) {
    await bringWhatIsKept(job.surfaces);
    return cardsOf(job, paints, painter);
  },
});
