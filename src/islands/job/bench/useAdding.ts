import { useEffect, useMemo, useState } from "react";
import type { Card } from "../../../core/plan/cards";
import { addsOfCards, type CardAdds } from "../../../core/plan/stopping";
import { taskWorker } from "../../../worker/client";
import type { Adding } from "../../../worker/questions/adding";
import { useDesign, usePaints } from "../jobStore";

/** What cards add, by their ids: those of surfaces that are looked at already. */
export function useAdding(cards: readonly Card[]): ReadonlyMap<string, CardAdds> {
  const job = useDesign();
  const paints = usePaints();
  const [adding, setAdding] = useState<Adding>({});
  useEffect(() => {
    const worker = taskWorker();
    const id = worker.ask("adding", { job, paints }, { part: setAdding, answer: setAdding });
    return () => {
      worker.forget(id);
      worker.cancel(id);
    };
  }, [job, paints]);
  return useMemo(
    () =>
      new Map(
        Object.entries(adding).flatMap(([surfaceId, adds]) => [
          ...addsOfCards(
            cards.filter(({ surface }) => surface.id === surfaceId),
            adds,
          ),
        ]),
      ),
    [cards, adding],
  );
}
