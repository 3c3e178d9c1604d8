import { InputError } from "../errors";

/** Deeper than any job is; checking deeper ones would need a stack that grows with them. */
const DEEPEST = 40;
/** More than the largest job and its pictures have. */
const MOST_VALUES = 2_000_000;

const refuse = (message: string): never => {
  throw new InputError([{ field: "file", message }]);
};

/** Finite numbers, no deeper and no more than allowed; looked at without recursion. */
function holdToLimits(root: unknown): void {
  const open: { readonly value: unknown; readonly depth: number }[] = [{ value: root, depth: 0 }];
  let seen = 0;
  for (let next = open.pop(); next; next = open.pop()) {
    const { value, depth } = next;
    if (typeof value === "number" && !Number.isFinite(value)) refuse("A number is too large to be one.");
    if (typeof value !== "object" || value === null) continue;
    if (depth >= DEEPEST) refuse(`Lists and groups lie more than ${DEEPEST} deep inside each other.`);
    const inside: unknown[] = Array.isArray(value) ? value : Object.values(value);
    seen += inside.length;
    if (seen > MOST_VALUES) refuse(`There are more than ${MOST_VALUES} values.`);
    for (const one of inside) open.push({ value: one, depth: depth + 1 });
  }
}

/**
 * Reads JSON text that may come from anywhere.
 * @throws InputError where it is not whole, has numbers beyond what a number can be, lies too deep or is too much
 */
export function parsePlainJson(text: string): unknown {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch (error) {
    const why = error instanceof Error ? error.message : "";
    return refuse(`The text is not whole JSON: ${why}.`);
  }
  holdToLimits(value);
  return value;
}
