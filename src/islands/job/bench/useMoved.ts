import { useState } from "react";
import { withMoved } from "../../../core/plan/wishes";
import { useEdit, useJob } from "../jobStore";
import { useCards } from "../useStageStates";
import { titleOf } from "./planWords";
import type { Plan, PlanItem } from "./usePlan";

/** What came of moving a card. */
export interface Said {
  readonly kind: "info" | "warning";
  readonly words: string;
}

/** Puts cards to another time of the plan, and says what came of it. */
export function useMoved({ turns }: Plan) {
  const { bench } = useJob();
  const cards = useCards();
  const edit = useEdit();
  const [said, setSaid] = useState<Said | null>(null);
  const move = (item: PlanItem, toMinutes: number) => {
    const result = withMoved(cards, turns.turns, bench.wishes, item.turn, toMinutes);
    if (result.kind === "same") return;
    if (result.kind === "refused") {
      setSaid({ kind: "warning", words: result.why });
      return;
    }
    edit((job) => ({ ...job, bench: { ...job.bench, wishes: [...result.wishes] } }));
    setSaid({ kind: "info", words: `${titleOf(item)} was moved; the rest follows.` });
  };
  return { move, said, forget: () => setSaid(null) };
}
