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

/** Remedies in their order, those of one ladder together, mildest first. */
function laddersOf(remedies: readonly Remedy[]): Remedy[][] {
  const ladders = new Map<string, Remedy[]>();
  remedies.forEach((remedy, at) => {
    const key = remedy.ladder ?? String(at);
    ladders.set(key, [...(ladders.get(key) ?? []), remedy]);
  });
  return [...ladders.values()];
}

/** A fault of a figure, and what was found of the figure with it. */
interface Faulty {
  readonly fault: Fault;
  readonly judged: FigureJudgement;
}

/** Whether a fault is gone where a figure is mended, and whether nothing else is found instead; null where it was stopped. */
async function triedOn(
  sim: Simulator,
  input: FigureMendedInput,
  { fault, judged }: Faulty,
  remedy: Remedy,
  wanted: StillWanted,
): Promise<{ readonly gone: boolean; readonly cures: boolean } | null> {
  const mended: Job = deriveCoats(applyRemedy(input.job, remedy), input.paints, input.job);
  const after = await judgedOf(sim, { ...input, job: mended }, wanted);
  if (!after) return null;
  const gone = !after.faults.some((one) => isSameFault(one, fault));
  const none = after.faults.every((one) => judged.faults.some((old) => isSameFault(old, one)));
  return { gone, cures: gone && none };
}

/** The mildest of a ladder that cures, if any; null where it was stopped. What its strongest leaves, the others leave too. */
async function climbed(
  ladder: readonly Remedy[],
  tried: (remedy: Remedy) => ReturnType<typeof triedOn>,
): Promise<Remedy[] | null> {
  const strongest = ladder.length > 1 ? await tried(ladder.at(-1)!) : { gone: true, cures: false };
  if (!strongest) return null;
  if (!strongest.gone) return [];
  for (const remedy of ladder) {
    const known = ladder.length > 1 && remedy === ladder.at(-1) ? strongest : await tried(remedy);
    if (!known) return null;
    if (known.cures) return [remedy];
  }
  return [];
}

/** Remedies of a fault that do away with it and bring no other, tried on the figure itself; of each ladder the mildest. */
async function mending(
  sim: Simulator,
  input: FigureMendedInput,
  faulty: Faulty,
  wanted: StillWanted,
): Promise<Remedy[] | null> {
  const offered: Remedy[] = [];
  const { looks } = faulty.judged;
  const remedies = remediesFor(input.job, input.paints, faulty.fault, { looks, painted: input.painted });
  for (const ladder of laddersOf(remedies)) {
    if (offered.length >= MOST_OFFERED) break;
    const found = await climbed(ladder, (remedy) => triedOn(sim, input, faulty, remedy, wanted));
    if (!found) return null;
    offered.push(...found);
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
      const remedies = await mending(sim, input, { fault, judged }, wanted);
      if (!remedies) return null;
      found.push(remedies);
      part(found);
    }
    return found;
  },
});
