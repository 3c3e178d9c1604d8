import { wholeParts } from "../colour/wholeParts";
import type { Addition, MixPart, Paint } from "../job";

/** Parts of one pot in a mix, at most. */
const MOST_PARTS = 24;
/** A drop of a pot that is not on the shelf any more, µl. */
const USUAL_DROP_UL = 40;

/** A mix as it was dropped, in whole parts by volume, without its water; empty where only water was dropped. */
export function partsOf(
  added: readonly Addition[],
  paints: readonly Pick<Paint, "id" | "dropUl">[],
): MixPart[] {
  const ul = new Map<string, number>();
  for (const { paintId, drops } of added) {
    if (paintId === null) continue;
    const drop = paints.find(({ id }) => id === paintId)?.dropUl ?? USUAL_DROP_UL;
    ul.set(paintId, (ul.get(paintId) ?? 0) + drops * drop);
  }
  // A mix has at most eight pots: of more, the fullest count.
  const pots = [...ul].toSorted((a, b) => b[1] - a[1]).slice(0, 8);
  if (pots.length === 0) return [];
  const { parts } = wholeParts(
    pots.map(([, amount]) => amount),
    MOST_PARTS,
  );
  return pots.map(([paintId], at) => ({ paintId, parts: parts[at]! }));
}

/** The largest difference of one pot's share in two mixes, 0…1. */
export function sharesApart(one: readonly MixPart[], other: readonly MixPart[]): number {
  const all = (parts: readonly MixPart[]) => parts.reduce((sum, part) => sum + part.parts, 0);
  const share = (parts: readonly MixPart[], paintId: string) =>
    parts.reduce((sum, part) => sum + (part.paintId === paintId ? part.parts : 0), 0) /
    Math.max(1, all(parts));
  const pots = new Set([...one, ...other].map(({ paintId }) => paintId));
  return [...pots].reduce((most, pot) => Math.max(most, Math.abs(share(one, pot) - share(other, pot))), 0);
}
