import { number, object, string } from "yup";
import { applyRemedy } from "../../core/checks/applyRemedy";
import type { Remedy } from "../../core/checks/finding";
import type { PaintedCard } from "../../core/checks/painted";
import { drawFigure, type FigureView } from "../../core/figure/figureStill";
import { judgeFigure, type FigureJudgement } from "../../core/figure/judge";
import { isSameFault, type Fault } from "../../core/figure/judge/faults";
import { remediesFor } from "../../core/figure/judge/remedies";
import { standingFigure } from "../../core/figure/standingFigure";
import { figureOf, type Job } from "../../core/job";
import { deriveCoats } from "../../core/patterns/derive";
import type { Simulator, StillWanted } from "../../core/simulate/simulator";
import { jobField, paintsField } from "../checked";
import { seatedSurfaces, skinsOn, type FigureShown } from "../figureSkins";
import { bringWhatIsKept } from "../heights";
import { pieceViewField } from "../pieceView";
import { defineQuestion } from "../question";
import { simulator } from "../simulation";
import { paintedField } from "./judge";

/** A figure, and from where and how large it is judged. */
export interface FigureJudgedInput extends Pick<FigureShown, "job" | "paints" | "figureId"> {
  readonly view: FigureView;
}

/** A figure, and the cards that are done: no remedy asks for these coats to be other ones. */
export interface FigureMendedInput extends FigureJudgedInput {
  readonly painted: readonly PaintedCard[];
}

/** Remedies that mend are offered up to so many for each fault. */
const MOST_OFFERED = 2;

/** A figure's picture, judged; null where it has no body or was stopped. */
async function judgedOf(
  sim: Simulator,
  { job, paints, figureId, view }: FigureJudgedInput,
  wanted: StillWanted,
): Promise<FigureJudgement | null> {
  const standing = standingFigure(job, figureOf(job, { figureId }));
  if (!standing) return null;
  const shown: FigureShown = { job, paints, figureId, as: "paint", step: null };
  const skins = await skinsOn(sim, shown, false, wanted);
  if (!skins) return null;
  const still = drawFigure(standing, figureOf(job, { figureId }), skins, view);
  const parts = seatedSurfaces(job, figureId).map(({ id, name, volumes }) => ({
    id,
    name,
    importance: volumes.importance,
  }));
  return judgeFigure(still, parts);
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

const inputSchema = () =>
  object({
    job: jobField(),
    paints: paintsField(),
    figureId: string().strict().required(),
    view: pieceViewField()
      .shape({ viewMm: number().strict().min(50).max(10000).nullable().defined() })
      .required(),
  });

/** The figure as one: where the eye goes, which parts run together, what is alone. */
export const figureJudged = defineQuestion<FigureJudgedInput, FigureJudgement>({
  id: "figureJudged",
  newestOnly: true,
  schema: inputSchema(),
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
  schema: inputSchema().shape({ painted: paintedField() }),
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
