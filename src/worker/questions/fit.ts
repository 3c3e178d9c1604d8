import { array, number, string } from "yup";
import { cardsOf } from "../../core/plan/cards";
import { fittedBy, frontierSteps, type Fitted, type Frontier } from "../../core/plan/fit/fit";
import { bringWhatIsKept } from "../heights";
import { defineQuestion } from "../question";
import { planSchema, type PlanInput } from "./benchPdf";

export interface FitQuestion extends PlanInput {
  readonly figureId: string;
  /** Of one figure. */
  readonly minutes: number;
  /** Cards that are painted: they are not left out any more. */
  readonly painted: readonly string[];
}

/** What to leave out of a figure: ids of its cards, and what that comes to. */
export type FitAnswer = Omit<Fitted, "cards"> & { readonly cardIds: readonly string[] };

/** What could be left out of the figure asked for last: other minutes of the same figure are told at once. */
let last: { readonly key: string; readonly frontier: Frontier } | null = null;

async function frontierOf(
  input: Parameters<typeof frontierSteps>[0],
  wanted: (done: number, total: number) => Promise<boolean>,
): Promise<Frontier | null> {
  const steps = frontierSteps(input);
  for (let step = steps.next(), done = 1; ; step = steps.next(), done++) {
    if (step.done) return step.value;
    if (done % 4 === 0 && !(await wanted(done, done + step.value))) return null;
  }
}

/** Which coats are left out so that a figure fits some minutes; null where it was stopped. */
export const fit = defineQuestion<FitQuestion, FitAnswer>({
  id: "fit",
  newestOnly: true,
  schema: planSchema().shape({
    figureId: string().strict().required().max(120),
    minutes: number().strict().required().min(0).max(100_000),
    painted: array(string().strict().required().max(260)).max(20_000).defined(),
  }),
  async run({ job, paints, painter, figureId, minutes, painted }, { wanted }) {
    await bringWhatIsKept(job.surfaces.filter((surface) => surface.figureId === figureId));
    const known = new Set(painted);
    const cards = cardsOf(job, paints, painter).filter(
      (card) => card.surface.figureId === figureId && !known.has(card.id),
    );
    const key = JSON.stringify([job, paints, painter, figureId, painted]);
    const frontier =
      last?.key === key ? last.frontier : await frontierOf({ job, paints, figureId, cards }, wanted);
    if (!frontier) return null;
    last = { key, frontier };
    const { cards: out, ...rest } = fittedBy(frontier, cards, minutes);
    return { ...rest, cardIds: out.map(({ id }) => id) };
  },
});
