import { array, object, string } from "yup";
import { checkSteps } from "../../core/checks";
import type { PaintedCard } from "../../core/checks/painted";
import type { Finding } from "../../core/checks/finding";
import { use } from "../../core/job/surface";
import { patternFacts } from "../../core/patterns/facts";
import { cardsOf, type Card } from "../../core/plan/cards";
import { bringWhatIsKept } from "../heights";
import { defineQuestion } from "../question";
import { planSchema, type PlanInput } from "./benchPdf";

/** What is thought about a job whenever it changes. */
export interface Judgement {
  readonly findings: readonly Finding[];
  readonly cards: readonly Card[];
  /** What each surface's pattern tells of itself, by surface; as its own setter reads it. */
  readonly facts: Readonly<Record<string, unknown>>;
}

/** Where findings alone take longer than this, they do not wait for their remedies, ms. */
const AHEAD_MS = 1000;

/** Cards, and findings whose remedies are still being tried. */
export type FirstJudgement = Pick<Judgement, "cards" | "findings">;

interface JudgeInput extends PlanInput {
  /** Cards that are done; none where left out. */
  readonly painted?: readonly PaintedCard[];
}

const paintedSchema = object({
  cardId: string().strict().defined().max(260),
  form: use.nullable().defined(),
}).required();

/** Cards that are done. */
export const paintedField = () => array(paintedSchema).max(20_000).defined();

/** Findings, cards and the numbers of patterns: they take too long for the page's own thread. */
export const judge = defineQuestion<JudgeInput, Judgement, FirstJudgement>({
  id: "judge",
  behind: true,
  schema: planSchema().shape({ painted: paintedField().optional() }),
  async run({ job, paints, painter, painted = [] }, { wanted, part }) {
    // Of many quick edits only the last is worth counting: those it overtook end here.
    if (!(await wanted(0, 1))) return null;
    await bringWhatIsKept(job.surfaces);
    const cards = cardsOf(job, paints, painter);
    const begun = performance.now();
    const looking = checkSteps(job, paints, painted);
    for (let step = looking.next(), done = 1; ; step = looking.next(), done++) {
      if (step.done) return { findings: step.value, cards, facts: patternFacts(job, paints) };
      // What is found comes ahead of what would mend it, which is tried one by one.
      if (step.value && performance.now() - begun > AHEAD_MS) part({ cards, findings: step.value });
      if (!(await wanted(done, done + 1))) return null;
    }
  },
});
