import { useMemo } from "react";
import { isDone } from "../../../../core/plan/progress";
import { useHistory } from "../../historyStore";
import { useDesign, usePainter, usePaints } from "../../jobStore";
import { useAsked, type Asked } from "../../useAsked";
import { useCards } from "../../useStageStates";

/** Asks the worker what to leave out of a figure so that it takes no more than some minutes. */
export function useFit(figureId: string, minutes: number): Asked<"fit"> {
  const job = useDesign();
  const paints = usePaints();
  const painter = usePainter();
  const cards = useCards();
  const { log } = useHistory();
  return useAsked(
    "fit",
    useMemo(
      () => ({
        ...{ job, paints, painter, figureId, minutes },
        painted: cards.filter((card) => isDone(card, log)).map(({ id }) => id),
      }),
      [job, paints, painter, figureId, minutes, cards, log],
    ),
  );
}
