import { applyRemedy } from "../../core/checks/applyRemedy";
import type { Remedy } from "../../core/checks/finding";
import type { PaintedCard } from "../../core/checks/painted";
import { judgeFigure, type FigureJudgement } from "../../core/figure/judge";
import { isSameFault, type Fault } from "../../core/figure/judge/faults";
import { remediesFor } from "../../core/figure/judge/remedies";
import type { Job } from "../../core/job";
import { deriveCoats } from "../../core/patterns/derive";
import type { Simulator, StillWanted } from "../../core/simulate/simulator";
import { figureJudgedSchema, pictured, type FigureJudgedInput } from "../figurePictured";
import { seatedSurfaces } from "../figureSkins";
import { bringWhatIsKept } from "../heights";
import { defineQuestion } from "../question";
import { simulator } from "../simulation";
import { paintedField } from "./judge";

/** A figure, and the cards that are done: no remedy asks for these coats to be other ones. */
export interface FigureMendedInput extends FigureJudgedInput {
  readonly painted: readonly PaintedCard[];
}

/** Remedies that mend are offered up to so many for each fault. */
const MOST_OFFERED = 2;

/** A figure's picture, judged; null where it has no body or was stopped. */
async function judgedOf(
  sim: Simulator,
  input: FigureJudgedInput,
  wanted: StillWanted,
): Promise<FigureJudgement | null> {
  const made = await pictured(sim, input, wanted);
  return made && judgeFigure(made.still, made.parts);
}

/** Remedies of a fault that do away with it and bring no other, tried on the figure itself; of each ladder the mildest. */
async function mending(
  sim: Simulator,
  input: FigureMendedInput,
  fault: Fault,
  { faults: before, looks }: FigureJudgement,
  wanted: StillWanted,
): Promise<Remedy[] | null> {
  const offered: Remedy[] = [];
  const climbed = new Set<string>();
  for (const remedy of remediesFor(input.job, input.paints, fault, { looks, painted: input.painted })) {
    if (offered.length >= MOST_OFFERED) break;
    if (remedy.ladder !== undefined && climbed.has(remedy.ladder)) continue;
    const mended: Job = deriveCoats(applyRemedy(input.job, remedy), input.paints, input.job);
    const after = await judgedOf(sim, { ...input, job: mended }, wanted);
    if (!after) return null;
    const gone = !after.faults.some((one) => isSameFault(one, fault));
    const none = after.faults.every((one) => before.some((old) => isSameFault(old, one)));
    if (!gone || !none) continue;
    offered.push(remedy);
    if (remedy.ladder !== undefined) climbed.add(remedy.ladder);
  }
  return offered;
}

/** The figure as one: where the eye goes, which parts run together, what is alone. */
export const figureJudged = defineQuestion<FigureJudgedInput, FigureJudgement>({
  id: "figureJudged",
  newestOnly: true,
  schema: figureJudgedSchema(),
  async run(input, { wanted }) {
    await bringWhatIsKept(seatedSurfaces(input.job, input.figureId));
    return judgedOf(await simulator, input, wanted);
  },
});

/** Remedies of each fault of a figure, in their order. */
export type FigureMended = readonly (readonly Remedy[])[];

/** What mends the faults of a figure, each tried on the figure itself; those found so far come ahead. */
export const figureMended = defineQuestion<FigureMendedInput, FigureMended, FigureMended>({
  id: "figureMended",
  newestOnly: true,
  behind: true,
  schema: figureJudgedSchema().shape({ painted: paintedField() }),
  async run(input, { wanted, part }) {
    await bringWhatIsKept(seatedSurfaces(input.job, input.figureId));
    const sim = await simulator;
    const judged = await judgedOf(sim, input, wanted);
    if (!judged) return null;
    const found: Remedy[][] = [];
    for (const fault of judged.faults) {
      const remedies = await mending(sim, input, fault, judged, wanted);
      if (!remedies) return null;
      found.push(remedies);
      part(found);
    }
    return found;
  },
});
