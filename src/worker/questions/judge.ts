import { array, object, string } from "yup";
import { checkJob } from "../../core/checks";
import type { PaintedCard } from "../../core/checks/painted";
import type { Finding } from "../../core/checks/finding";
import { use } from "../../core/job/surface";
import { patternFacts } from "../../core/patterns/facts";
import { cardsOf, type Card } from "../../core/plan/cards";
import { defineQuestion } from "../question";
import { planSchema, type PlanInput } from "./benchPdf";

/** What is thought about a job whenever it changes. */
export interface Judgement {
  readonly findings: readonly Finding[];
  readonly cards: readonly Card[];
  /** What each surface's pattern tells of itself, by surface; as its own setter reads it. */
  readonly facts: Readonly<Record<string, unknown>>;
}

interface JudgeInput extends PlanInput {
  /** Cards that are done; none where left out. */
  readonly painted?: readonly PaintedCard[];
}

const paintedSchema = object({
  cardId: string().strict().defined().max(260),
  form: use.nullable().defined(),
}).required();

/** Findings, cards and the numbers of patterns: they take too long for the page's own thread. */
export const judge = defineQuestion<JudgeInput, Judgement>({
  id: "judge",
  schema: planSchema().shape({ painted: array(paintedSchema).max(20_000) }),
  async run({ job, paints, painter, painted = [] }, { wanted }) {
    // Of many quick edits only the last is worth counting: those it overtook end here.
    if (!(await wanted(0, 3))) return null;
    const cards = cardsOf(job, paints, painter);
    if (!(await wanted(1, 3))) return null;
    const findings = checkJob(job, paints, painted);
    if (!(await wanted(2, 3))) return null;
    return { findings, cards, facts: patternFacts(job, paints) };
  },
});
