import type { Addition, MixPart, Paint } from "../job";

/** What a pot of somewhere else is called here. */
export type Rename = (paintId: string) => string;

/** Whether two pots of one id are the same pot: by name, range, kind and colour; what is left in them may differ. */
const isSamePot = (one: Paint, other: Paint): boolean =>
  one.name === other.name &&
  one.range === other.range &&
  one.kind === other.kind &&
  one.thick === other.thick;

/**
 * What pots that come from elsewhere are called on a shelf: those that are there already are those; one that only shares
 * its id with another pot gets an id of its own.
 */
export function namesHere(paints: readonly Paint[], shelf: readonly Paint[]): Rename {
  const taken = new Set([...shelf, ...paints].map(({ id }) => id));
  const names = new Map<string, string>();
  for (const paint of paints) {
    const own = shelf.find(({ id }) => id === paint.id);
    if (!own || isSamePot(own, paint)) continue;
    let number = 2;
    while (taken.has(`${paint.id}-${number}`)) number++;
    const id = `${paint.id}-${number}`;
    taken.add(id);
    names.set(paint.id, id);
  }
  return (paintId) => names.get(paintId) ?? paintId;
}

/** Parts of a mix with its pots as they are called here. */
export const partsCalled = (parts: readonly MixPart[], rename: Rename): MixPart[] =>
  parts.map((part) => ({ ...part, paintId: rename(part.paintId) }));

/** Drops with their pots as they are called here. */
export const dropsCalled = (list: readonly Addition[], rename: Rename): Addition[] =>
  list.map((one) => (one.paintId === null ? one : { ...one, paintId: rename(one.paintId) }));
