import { useEffect, useRef, useState } from "react";
import { hexToLab } from "../../../core/colour/spaces";
import type { Well } from "../../../core/job";
import type { FoundAddition } from "../../../core/plan/wells";
import { taskWorker } from "../../../worker/client";
import { usePainter, usePaints } from "../jobStore";
import { atHand } from "./questions/useFoundMixes";

type Answered =
  | { readonly kind: "busy" }
  | { readonly kind: "found"; readonly answers: readonly FoundAddition[] }
  | { readonly kind: "failed"; readonly message: string };

/** What to add to a well to reach a colour, found in the worker; an answer goes with the well it was asked for. */
export function useWellAdditions(well: Well, mostUl: number) {
  const paints = usePaints();
  const painter = usePainter();
  const [state, setState] = useState<{ readonly of: Well; readonly answered: Answered } | null>(null);
  const asked = useRef<number | null>(null);
  const clear = () => {
    if (asked.current !== null) taskWorker().forget(asked.current);
    asked.current = null;
    setState(null);
  };
  useEffect(
    () => () => {
      if (asked.current !== null) taskWorker().forget(asked.current);
    },
    [],
  );
  const ask = (goal: string) => {
    clear();
    const set = (answered: Answered) => setState({ of: well, answered });
    set({ kind: "busy" });
    const { waterDropUl } = painter;
    const input = { well, goal: hexToLab(goal), pots: atHand(paints), paints, waterDropUl, mostUl };
    asked.current = taskWorker().ask("wellAdditions", input, {
      answer: (answers) => set({ kind: "found", answers }),
      failed: (message) => set({ kind: "failed", message }),
    });
  };
  return { answered: state?.of === well ? state.answered : null, ask, clear };
}
