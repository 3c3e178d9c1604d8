import type { Coat, Job } from "../job";
import type { Change, Remedy } from "./finding";

const isCoat = (value: Change["value"]): value is Coat =>
  typeof value === "object" && value !== null && "technique" in value && "mixId" in value;

const isIds = (value: Change["value"]): value is readonly string[] =>
  Array.isArray(value) && value.length > 0 && value.every((one) => typeof one === "string");

/** A list in the order of its entries' ids; entries that are not named come last. */
function ordered(list: readonly { readonly id?: unknown }[], ids: readonly string[]): unknown[] {
  const placeOf = ({ id }: { readonly id?: unknown }) => {
    const at = ids.indexOf(String(id));
    return at < 0 ? ids.length : at;
  };
  return [...list].sort((one, other) => placeOf(one) - placeOf(other));
}

function setAt(node: unknown, path: readonly string[], value: Change["value"], parent = ""): unknown {
  const [head, ...rest] = path;
  if (head === undefined && Array.isArray(node) && isIds(value)) return ordered(node, value);
  if (head === undefined)
    return Array.isArray(node) && isCoat(value) ? [...(node as unknown[]), value] : value;
  if (typeof node !== "object" || node === null) throw new RangeError(`the job has nothing at "${head}"`);
  if (Array.isArray(node)) {
    const list = node as readonly { id?: unknown }[];
    if (!list.some((entry) => entry.id === head)) throw new RangeError(`the job has no entry "${head}"`);
    return list.map((entry) => (entry.id === head ? setAt(entry, rest, value, head) : entry));
  }
  const record = node as Record<string, unknown>;
  // A setting that was left out stands at its default, and can be set.
  const leftOut = parent === "params" && rest.length === 0;
  if (!Object.hasOwn(record, head) && !leftOut) throw new RangeError(`the job has nothing at "${head}"`);
  return { ...record, [head]: setAt(record[head], rest, value, head) };
}

/** The job with a remedy's changes made. @throws RangeError where a change names a place that is gone */
export const applyRemedy = (job: Job, remedy: Remedy): Job =>
  remedy.changes.reduce<Job>((current, change) => setAt(current, change.path, change.value) as Job, job);
