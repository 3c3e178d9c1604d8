import { useEffect, useMemo, useState } from "react";
import type { LogEntry } from "../../../core/job";
import type { Card } from "../../../core/plan/cards";
import { cardsInPlan, turnsInOrder, windowsFrom } from "../../../core/plan/inPlan";
import { figuresOf, isDone, isPassDone } from "../../../core/plan/progress";
import { tasksOf } from "../../../core/plan/schedule/tasksOf";
import type { Turn, Turns } from "../../../core/plan/schedule/turns";
import { restsOf, type CardAdds } from "../../../core/plan/stopping";
import { messageOf } from "../../../ui/api";
import { taskWorker } from "../../../worker/client";
import { useHistory } from "../historyStore";
import { useJob, usePainter, usePaints } from "../jobStore";
import { useCards } from "../useStageStates";

/** One thing to do at the bench, or done already. */
export interface PlanItem {
  readonly turn: Turn;
  /** Cards it paints: two where one is laid wet into the other. */
  readonly cards: readonly [Card, ...Card[]];
  readonly done: boolean;
  /** What the log tells of it; null while it is to be painted. */
  readonly entry: LogEntry | null;
  /** From 1, what is done first. */
  readonly number: number;
}

/** The plan for the bench. */
export interface Plan {
  readonly items: readonly PlanItem[];
  readonly turns: Turns;
  /** When the plan begins, ISO 8601, UTC; null while cards stand in the order of their surfaces. */
  readonly beganAt: string | null;
  /** Whether it is being worked out anew. */
  readonly planning: boolean;
  /** Why it could not be worked out. */
  readonly problem: string | null;
  /** Cards after which their surface may be left for another day; null without sittings, or until they are known. */
  readonly rests: ReadonlySet<string> | null;
}

interface Answered {
  readonly turns: Turns;
  readonly beganAt: string;
}

/** Asks the worker when everything is painted, whenever something changes that it follows. */
function useSchedule(
  cards: readonly Card[],
  rests: ReadonlySet<string> | null,
): {
  answered: Answered | null;
  planning: boolean;
  problem: string | null;
} {
  const paints = usePaints();
  const painter = usePainter();
  const { bench } = useJob();
  const { log } = useHistory();
  const [answered, setAnswered] = useState<Answered | null>(null);
  const [state, setState] = useState<{ planning: boolean; problem: string | null }>({
    planning: false,
    problem: null,
  });
  useEffect(() => {
    if (cards.length === 0) return;
    const beganAt = new Date().toISOString();
    const inMinutes = (at: string) => (Date.parse(at) - Date.parse(beganAt)) / 60_000;
    const tasks = tasksOf({
      ...{ cards, paints, log, unit: bench.unit, painter, inMinutes },
      ...(rests && { rests }),
    });
    const worker = taskWorker();
    const input = { tasks, windows: windowsFrom(bench.sittings, inMinutes), wishes: bench.wishes };
    const began = setTimeout(() => setState((now) => ({ ...now, planning: true })), 0);
    const ended = (problem: string | null) => {
      clearTimeout(began);
      setState({ planning: false, problem });
    };
    const id = worker.ask("schedule", input, {
      answer: (turns) => {
        setAnswered({ turns, beganAt });
        ended(null);
      },
      failed: (problem) => ended(messageOf(problem)),
    });
    return () => {
      clearTimeout(began);
      worker.forget(id);
      worker.cancel(id);
    };
  }, [cards, paints, log, bench, painter, rests]);
  return { answered, ...state };
}

const doneTurn = (entry: LogEntry, card: Card): Turn => ({
  ...{ id: entry.id, cardIds: [card.id], pass: entry.pass ?? null, part: null, goesOn: false },
  ...{ figures: entry.figures ?? figuresOf(card), setUpAt: 0, start: 0 },
  ...{ end: entry.planned?.minutes ?? card.handMinutes, sitting: -1, dries: 0 },
});

/** What is done, entry by entry of the log, then what is left. */
function itemsOf(
  turns: readonly Turn[],
  all: readonly Card[],
  planned: readonly Card[],
  log: readonly LogEntry[],
): PlanItem[] {
  const byId = new Map([...all, ...planned].map((card) => [card.id, card]));
  const done = log
    .toSorted((a, b) => a.doneAt.localeCompare(b.doneAt))
    .flatMap((entry) => {
      const card = byId.get(entry.cardId);
      return card ? [{ turn: doneTurn(entry, card), entry }] : [];
    });
  const isPainted = new Set(all.filter((card) => isDone(card, log)).map(({ id }) => id));
  // A plan that is older than the newest tick still names what was ticked.
  const left = turns
    .filter((turn) => {
      const card = byId.get(turn.cardIds[0]!);
      return !turn.cardIds.every((id) => isPainted.has(id)) && !(card && isPassDone(card, turn, log));
    })
    .map((turn) => ({ turn, entry: null }));
  return [...done, ...left].flatMap(({ turn, entry }, at) => {
    const [first, ...others] = turn.cardIds.flatMap((id) => byId.get(id) ?? []);
    if (!first) return [];
    return [{ turn, cards: [first, ...others] as const, done: entry !== null, entry, number: at + 1 }];
  });
}

/** Cards after which their surface may be left, where sittings end between them; null without, or until they are known. */
function useRests(cards: readonly Card[], adding: ReadonlyMap<string, CardAdds>): ReadonlySet<string> | null {
  const { bench } = useJob();
  const wanted = bench.sittings.length > 0 && cards.length > 0 && cards.every(({ id }) => adding.has(id));
  return useMemo(() => (wanted ? restsOf(cards, adding) : null), [wanted, cards, adding]);
}

/**
 * The plan of the open job: at once in the order of its surfaces, then as it is painted soonest.
 * @param adding what cards add, as far as it is known
 */
export function usePlan(adding: ReadonlyMap<string, CardAdds>): Plan {
  const cards = useCards();
  const rests = useRests(cards, adding);
  const paints = usePaints();
  const painter = usePainter();
  const { log } = useHistory();
  const { answered, planning, problem } = useSchedule(cards, rests);
  // A plan of other cards is kept only while it still names cards that there are.
  const current = useMemo(() => {
    const known = new Set(cards.map(({ id }) => id));
    const fits =
      cards.length > 0 && answered?.turns.turns.every(({ cardIds }) => cardIds.every((id) => known.has(id)));
    return fits === true ? answered : null;
  }, [answered, cards]);
  const turns = useMemo(() => current?.turns ?? turnsInOrder(cards), [current, cards]);
  const items = useMemo(
    () => itemsOf(turns.turns, cards, cardsInPlan(cards, turns, paints, painter), log),
    [turns, cards, paints, painter, log],
  );
  return { items, turns, beganAt: current?.beganAt ?? null, planning, problem, rests };
}
