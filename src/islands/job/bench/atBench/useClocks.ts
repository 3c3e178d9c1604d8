import { useEffect, useMemo, useRef, useState } from "react";
import { clocksOf, type Clock } from "../../../../core/plan/clocks";
import { useHistory } from "../../historyStore";
import { useCards } from "../../useStageStates";

/** The time, told anew every second. */
export function useNow(everyMs = 1000): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), everyMs);
    return () => clearInterval(timer);
  }, [everyMs]);
  return now;
}

/** Clocks of all that dries in the open job: they follow the log, so no reload and no power cut stops them. */
export function useClocks(): readonly Clock[] {
  const cards = useCards();
  const { log } = useHistory();
  const now = useNow();
  return useMemo(() => clocksOf(cards, log, (at) => (Date.parse(at) - now) / 60_000), [cards, log, now]);
}

/** Calls back once for every clock that comes to the next coat while it is looked at. */
export function useWhenDry(clocks: readonly Clock[], onDry: () => void): void {
  const wet = useRef(new Set<string>());
  useEffect(() => {
    let dry = false;
    for (const { id, state } of clocks) {
      if (state === "workable" || state === "setting") wet.current.add(id);
      else if (wet.current.delete(id)) dry = true;
    }
    if (dry) onDry();
  }, [clocks, onDry]);
}
