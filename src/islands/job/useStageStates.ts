import type { Finding } from "../../core/checks/finding";
import { activeCoats, isMishap } from "../../core/job";
import { isUnmeasured } from "../../core/newJob";
import { totalsOf, type Card } from "../../core/plan/cards";
import { isDone } from "../../core/plan/progress";
import { counted, formatMinutes } from "../../core/units";
import { useHistory } from "./historyStore";
import { useJob } from "./jobStore";
import type { Stage } from "./stages";
import { useJudged } from "./useJudged";

/** All verdicts on the job, of every surface, wherever the painter has looked. */
export const useFindings = (): readonly Finding[] => useJudged((judged) => judged.findings);

export const useCards = (): readonly Card[] => useJudged((judged) => judged.cards);

/** Whether cards and findings of the job are there; before, there are none to show. */
export const useCounted = (): boolean =>
  useJudged(({ jobId, counted }) => jobId !== null || counted !== null);

/** Each stage's state in words. */
export function useStageStates(): Readonly<Record<Stage, string>> {
  const job = useJob();
  const findings = useFindings();
  const cards = useCards();
  const judged = useCounted();
  const musts = findings.filter((finding) => finding.gravity === "must").length;
  const looks = findings.filter((finding) => finding.gravity === "look").length;
  const unusable = findings.filter((finding) => finding.id.endsWith("/unusable")).length;
  const unmeasured = job.surfaces.filter(isUnmeasured).length;
  const { log } = useHistory();
  const done = cards.filter((card) => isDone(card, log)).length;
  const empty = job.mixes.filter((mix) => mix.parts.length === 0).length;
  return {
    brief:
      job.surfaces.length === 0
        ? "no surface yet"
        : unusable > 0
          ? "sizes to mend"
          : unmeasured > 0
            ? `${unmeasured} not measured`
            : "complete",
    palette:
      empty > 0 ? counted(empty, "empty mix", "empty mixes") : counted(job.mixes.length, "mix", "mixes"),
    coats: counted(
      job.surfaces.reduce(
        (sum, surface) => sum + activeCoats(surface).filter((coat) => !isMishap(coat)).length,
        0,
      ),
      "coat",
    ),
    check: !judged
      ? "being looked at"
      : musts > 0
        ? `${musts} must be mended`
        : looks > 0
          ? `${looks} to look at`
          : "nothing found",
    bench: !judged
      ? "being counted"
      : cards.length === 0
        ? "no cards"
        : formatMinutes(totalsOf(cards).handMinutes),
    log: !judged
      ? ""
      : done === 0
        ? "not begun"
        : done === cards.length
          ? "all done"
          : `${done} of ${cards.length} done`,
  };
}
