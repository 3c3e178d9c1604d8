import { ciede2000 } from "../colour/difference";
import { hexToLab } from "../colour/spaces";
import type { Paint } from "../job";
import { formatNumber, withUnit } from "../units";
import type { MixBatch } from "./batches";
import type { Card } from "./cards";

/** A pot at hand that comes nearest to one that is not. */
export interface Replacement {
  readonly name: string;
  /** CIEDE2000 between both, laid thick. */
  readonly difference: number;
}

/** What all batches take out of one pot. */
export interface PotWanted {
  readonly id: string;
  readonly name: string;
  readonly range: string;
  readonly ml: number;
  /** The same in drops of this pot, rounded up. */
  readonly drops: number;
  /** How much of it there is; missing where the shelf does not know it. */
  readonly state: Paint["state"] | "missing";
  /** For a pot that is low, out or missing: what replaces it; null where nothing of its kind is at hand. */
  readonly replacement: Replacement | null;
}

/** "0.40 ml"; less than is told so is "under 0.01 ml". */
export const mlText = (ml: number): string => (ml < 0.005 ? "under 0.01\u202fml" : withUnit(ml, 2, "ml"));

/** Every batch once, in the order in which they are mixed. */
export const batchesIn = (cards: readonly Card[]): MixBatch[] => [
  ...new Set(cards.flatMap(({ mixing }) => mixing)),
];

/** The pot at hand of the same kind that is nearest in colour. */
function replacementFor(paint: Paint, paints: readonly Paint[]): Replacement | null {
  const goal = hexToLab(paint.thick);
  const nearest = paints
    .filter(({ id, kind, state }) => id !== paint.id && kind === paint.kind && state === "have")
    .map(({ name, thick }) => ({ name, difference: ciede2000(goal, hexToLab(thick)) }))
    .sort((a, b) => a.difference - b.difference);
  return nearest[0] ?? null;
}

/** Paint out of every pot, all batches added up; most first. */
export function shopping(cards: readonly Card[], paints: readonly Paint[]): PotWanted[] {
  const sums = new Map<string, number>();
  for (const { pots } of batchesIn(cards))
    for (const { paintId, ul } of pots) sums.set(paintId, (sums.get(paintId) ?? 0) + ul);
  return [...sums]
    .sort((a, b) => b[1] - a[1])
    .map(([id, ul]) => {
      const paint = paints.find((one) => one.id === id);
      return {
        ...{ id, name: paint?.name ?? "missing pot", range: paint?.range ?? "", ml: ul / 1000 },
        drops: Math.ceil(ul / (paint?.dropUl ?? 40) - 1e-9),
        state: paint?.state ?? "missing",
        replacement: paint && paint.state !== "have" ? replacementFor(paint, paints) : null,
      };
    });
}

const STATES: Readonly<Record<PotWanted["state"], string | null>> = {
  have: null,
  low: "low",
  out: "empty",
  wanted: "wanted, not there yet",
  missing: "not on the shelf",
};

/** What is said of a pot that is not simply at hand; null where it is. */
export function lackText({ state, replacement }: PotWanted): string | null {
  const lack = STATES[state];
  if (lack === null) return null;
  if (!replacement) return `${lack}; nothing of its kind is at hand`;
  return `${lack}; nearest at hand: ${replacement.name} (CIEDE2000 ${formatNumber(replacement.difference, 1)})`;
}
