import { checkJob } from "../../core/checks";
import { GRAVITIES, type Finding } from "../../core/checks/finding";
import { seenFindings } from "../../core/checks/seen";
import type { Job } from "../../core/job";
import { cardsOf, totalsOf, type Card } from "../../core/plan/cards";
import { counted, formatMinutes } from "../../core/units";
import { lastOf } from "../../ui/lastOf";
import { useDesign, useJob, usePainter, usePaints } from "./jobStore";
import type { Steps } from "../../worker/protocol";
import type { Stage } from "./stages";
import { useSimulation } from "./useSimulation";

const findingsOf = lastOf(checkJob);
const plannedCards = lastOf(cardsOf);

const withSeen = lastOf(
  (findings: readonly Finding[], design: Job, steps: Steps | null): readonly Finding[] => {
    const surface = steps && design.surfaces.find((one) => one.id === steps.surfaceId);
    if (!surface) return findings;
    return [...findings, ...seenFindings(surface, steps.effects, steps.baseHue)].sort(
      (a, b) => GRAVITIES.indexOf(a.gravity) - GRAVITIES.indexOf(b.gravity),
    );
  },
);

/** All verdicts on the job; those on a simulated surface join once it has been painted. */
export function useFindings(): readonly Finding[] {
  const design = useDesign();
  const paints = usePaints();
  const steps = useSimulation((state) => state.steps);
  return withSeen(findingsOf(design, paints), design, steps);
}

export function useCards(): readonly Card[] {
  const design = useDesign();
  const paints = usePaints();
  const painter = usePainter();
  return plannedCards(design, paints, painter);
}

/** Each stage's state in words. */
export function useStageStates(): Readonly<Record<Stage, string>> {
  const job = useJob();
  const findings = useFindings();
  const cards = useCards();
  const musts = findings.filter((finding) => finding.gravity === "must").length;
  const looks = findings.filter((finding) => finding.gravity === "look").length;
  const unusable = findings.filter((finding) => finding.id.endsWith("/unusable")).length;
  const done = cards.filter((card) => job.log.some((entry) => entry.cardId === card.id)).length;
  const empty = job.mixes.filter((mix) => mix.parts.length === 0).length;
  return {
    brief: job.surfaces.length === 0 ? "no surface yet" : unusable > 0 ? "sizes to mend" : "complete",
    palette:
      empty > 0 ? counted(empty, "empty mix", "empty mixes") : counted(job.mixes.length, "mix", "mixes"),
    coats: counted(cards.length, "coat"),
    check: musts > 0 ? `${musts} must be mended` : looks > 0 ? `${looks} to look at` : "nothing found",
    bench: cards.length === 0 ? "no cards" : formatMinutes(totalsOf(cards).handMinutes),
    log: done === 0 ? "not begun" : done === cards.length ? "all done" : `${done} of ${cards.length} done`,
  };
}
