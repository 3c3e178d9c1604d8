import type { Painter } from "../../../core/painter";
import type { DoubtId } from "../../../core/routes/doubtIds";
import { call, messageOf } from "../../../ui/api";
import { useState } from "react";
import { useJobStore, usePainter } from "../jobStore";

/** One is kept after the other, so that the last tick is what stays. */
let before: Promise<void> = Promise.resolve();

/** Keeps it with the painter: the profile as it was set, not as the log has it. */
async function keep(without: readonly DoubtId[]): Promise<void> {
  const { painter } = await call<{ painter: Painter }>("/api/painter");
  await call("/api/painter", { method: "PUT", json: { ...painter, without } });
}

const NOTHING: readonly DoubtId[] = [];

/** What the painter does without: taken at once, and kept in the profile. */
export function useWithout() {
  const { without = NOTHING } = usePainter();
  const [problem, setProblem] = useState<string | null>(null);
  const change = (next: readonly DoubtId[]) => {
    useJobStore.setState(({ painter }) => ({ painter: painter && { ...painter, without: next } }));
    setProblem(null);
    before = before
      .then(() => keep(next))
      .catch((error: unknown) => setProblem(`It could not be kept. ${messageOf(error)}`));
  };
  return { without, change, problem };
}
