import { useEffect, useState } from "react";
import type { Job, Paint } from "../../core/job";
import type { Painter } from "../../core/painter";
import type { Card } from "../../core/plan/cards";
import { deskWorker } from "../deskWorker";

/** The cards of a job on the desk; null while the job is read or they are being counted. */
export function useJobCards(
  job: Job | null,
  paints: readonly Paint[],
  painter: Painter,
): readonly Card[] | null {
  const [cards, setCards] = useState<readonly Card[] | null>(null);
  useEffect(() => {
    if (!job) return;
    const input = { job, paints, painter };
    const id = deskWorker().ask("cards", input, { answer: setCards, failed: () => setCards([]) });
    return () => deskWorker().forget(id);
  }, [job, paints, painter]);
  return cards;
}
