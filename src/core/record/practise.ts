import type { LogEntry } from "../job";
import { isTechniqueId, techniques } from "../techniques";

/** The one technique that cost most, and why it is worth ten minutes on a spare piece. */
export interface Practice {
  readonly technique: string;
  readonly label: string;
  /** Minutes its cards took over their plan; 0 where they took none. */
  readonly overMinutes: number;
  /** How often it went wrong, and of how many cards. */
  readonly wrong: number;
  readonly entries: number;
  /** What to do. */
  readonly how: string;
}

/** What one mishap costs besides its minutes: what mends it, and the courage. */
const MISHAP_MINUTES = 8;
/** Fewer entries tell nothing of a hand. */
const LEAST_ENTRIES = 3;
/** Less than this is no reason to practise, minutes. */
const LEAST_COST = 4;

const howTo = (id: keyof typeof techniques): string => {
  const { trial } = techniques[id].bench;
  const first = trial ? `${trial} ` : "";
  return `${first}Then ten in a row on a primed spare piece, and point at the three you would keep: what did the hand do there?`;
};

/** The technique whose cards took most over their plan or went wrong most; null where nothing stands out. */
export function practiceOf(log: readonly LogEntry[]): Practice | null {
  const sums = new Map<string, { over: number; wrong: number; entries: number }>();
  for (const { planned, minutes, mishap } of log) {
    const id = planned?.technique;
    if (id === undefined || !isTechniqueId(id)) continue;
    const sum = sums.get(id) ?? { over: 0, wrong: 0, entries: 0 };
    sums.set(id, {
      over: sum.over + (minutes === null ? 0 : minutes - planned!.minutes),
      wrong: sum.wrong + (mishap === undefined ? 0 : 1),
      entries: sum.entries + 1,
    });
  }
  const costs = [...sums].flatMap(([technique, { over, wrong, entries }]) => {
    const overMinutes = Math.max(0, over);
    const cost = overMinutes + MISHAP_MINUTES * wrong;
    return entries >= LEAST_ENTRIES && cost >= LEAST_COST
      ? [{ technique, overMinutes, wrong, entries, cost }]
      : [];
  });
  const worst = costs.toSorted((a, b) => b.cost - a.cost)[0];
  if (!worst || !isTechniqueId(worst.technique)) return null;
  const { technique, overMinutes, wrong, entries } = worst;
  return {
    ...{ technique, overMinutes, wrong, entries },
    ...{ label: techniques[technique].label, how: howTo(technique) },
  };
}

/** How a technique is practised; null for one that is not known. */
export const practiseHow = (technique: string): { label: string; how: string } | null =>
  isTechniqueId(technique) ? { label: techniques[technique].label, how: howTo(technique) } : null;
