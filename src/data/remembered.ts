import type { Db } from "./database";

/** What the database held when something was read from it: changes with every write, of this process or another. */
function stateOf({ $client }: Db): string {
  const others = $client.pragma("data_version", { simple: true }) as number;
  const own = $client.prepare("select total_changes() as n").get() as { n: number };
  return `${others}/${own.n}`;
}

interface Known {
  readonly state: string;
  readonly values: Map<string, unknown>;
}

const known = new WeakMap<Db, Known>();
/** More than so many things are not kept at once. */
const MOST_KEPT = 64;

/**
 * Reads something from the database once for as long as nothing in it changes. What is read must depend on nothing else.
 * @param key names what is read
 */
export function remembered<T>(db: Db, key: string, read: () => T): T {
  const state = stateOf(db);
  let kept = known.get(db);
  if (kept?.state !== state || kept.values.size >= MOST_KEPT)
    known.set(db, (kept = { state, values: new Map() }));
  if (kept.values.has(key)) return kept.values.get(key) as T;
  const value = read();
  // Reading may write too (a first start fills the database): such a value is not kept.
  if (stateOf(db) === state) kept.values.set(key, value);
  return value;
}
