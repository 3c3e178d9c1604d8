import { Schema, ValidationError } from "yup";
import { startStrength } from "../../colour/startStrength";
import { paintSchema, type Paint } from "../../job";
import { upgradePaint } from "../job-json/upgrade";
import type { Heading } from "./columns";

/** What came of one line of a file. */
export type LineOutcome =
  | { readonly kind: "taken"; readonly line: number; readonly paint: Paint }
  | {
      readonly kind: "merged";
      readonly line: number;
      readonly paint: Paint;
      /** The pot on the shelf it changes. */
      readonly into: string;
      readonly changed: readonly string[];
    }
  | {
      readonly kind: "refused";
      readonly line: number;
      readonly text: string;
      readonly reasons: readonly string[];
    };

/** What comes of a shelf file, line by line. */
export interface ShelfReport {
  readonly lines: readonly LineOutcome[];
  /** What the headings of a table are read as; empty where the format has none. */
  readonly headings: readonly Heading[];
}

/** The same for pots that are one: name and range, whatever their case. */
const nameKey = ({ name, range }: Pick<Paint, "name" | "range">): string =>
  JSON.stringify([name.toLowerCase(), range.toLowerCase()]);

/** A free id made from name and range. @param tried numbers given to ids of one beginning before, to go on from */
export function potId(
  name: string,
  range: string,
  taken: ReadonlySet<string>,
  tried = new Map<string, number>(),
): string {
  const words = `${range} ${name}`
    .toLowerCase()
    .normalize("NFKD")
    .replaceAll(/[^a-z0-9]+/g, "-")
    .replaceAll(/^-+|-+$/g, "");
  const base = `paint-${words || "pot"}`.slice(0, 100);
  for (let number = tried.get(base) ?? 1; ; number++) {
    const id = number === 1 ? base : `${base}-${number}`;
    tried.set(base, number + 1);
    if (!taken.has(id)) return id;
  }
}

/** A pot as a line of some file describes it. */
export interface DescribedPot {
  readonly line: number;
  readonly text: string;
  readonly fields: Readonly<Record<string, unknown>>;
  readonly reasons: readonly string[];
}

const USUAL_POT = {
  kind: "paint",
  state: "have",
  overWhite: null,
  hiding: "semi",
  strength: 1,
  dropUl: 40,
} as const;

/** Whether a field is one that a pot may have. */
const fits = (key: string, value: unknown): boolean => {
  const schema: unknown = Object.hasOwn(paintSchema.fields, key) && paintSchema.fields[key as keyof Paint];
  return schema instanceof Schema && schema.isValidSync(value);
};

/** @throws ValidationError with every reason */
function checkedPot(described: unknown, fields: DescribedPot["fields"]): Paint {
  // A pot that was right stays so with fields that are; the whole is only looked at for the reasons, as lists may have
  // thousands of lines.
  return Object.entries(fields).every(([key, value]) => fits(key, value))
    ? (described as Paint)
    : paintSchema.validateSync(described, { abortEarly: false });
}

const textOf = (value: unknown) => (typeof value === "string" ? value : "");

/** A pot as a line describes it, over the one that is on the shelf already; why it cannot be used. */
function potOf(
  fields: DescribedPot["fields"],
  old: Paint | undefined,
  taken: ReadonlySet<string>,
  tried: Map<string, number>,
): Paint | string[] {
  const named = { name: textOf(fields.name), range: textOf(fields.range) };
  const begin = old ?? { id: potId(named.name, named.range, taken, tried), ...named, ...USUAL_POT };
  const colours = ["thick", "overWhite", "overBlack", "hiding"].some((key) => key in fields);
  const given = { ...fields, ...(colours ? { fit: null } : {}), ...(old ? named : {}) };
  try {
    const pot = checkedPot(upgradePaint({ ...begin, ...given }), { id: begin.id, ...fields });
    // A new pot whose strength is not told starts with what its kind and darkness suggest.
    return old || "strength" in fields ? pot : { ...pot, strength: startStrength(pot) };
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    return (error.inner.length > 0 ? error.inner : [error]).map((one) => `${one.message}.`);
  }
}

/**
 * Puts a list of described pots beside a shelf: which are new, which change one that is there, which cannot be used.
 * A pot is the same where name and range are, whatever their case; only what the line says is changed in it.
 */
export function mergeOntoShelf(rows: readonly DescribedPot[], shelf: readonly Paint[]): LineOutcome[] {
  const taken = new Set(shelf.map((paint) => paint.id));
  const onShelf = new Map(shelf.map((paint) => [nameKey(paint), paint]));
  const seen = new Set<string>();
  const tried = new Map<string, number>();
  return rows.map(({ line, text, fields, reasons }): LineOutcome => {
    if (reasons.length > 0) return { kind: "refused", line, text, reasons };
    const named = { name: textOf(fields.name), range: textOf(fields.range) };
    const key = nameKey(named);
    if (seen.has(key)) {
      const reason = `"${named.name}" of the same range stands in an earlier line of this file.`;
      return { kind: "refused", line, text, reasons: [reason] };
    }
    const old = onShelf.get(key);
    const paint = potOf(fields, old, taken, tried);
    if (Array.isArray(paint)) return { kind: "refused", line, text, reasons: paint };
    taken.add(paint.id);
    seen.add(key);
    if (!old) return { kind: "taken", line, paint };
    const changed = (Object.keys(paint) as (keyof Paint)[]).filter(
      (key) => JSON.stringify(paint[key]) !== JSON.stringify(old[key]),
    );
    return { kind: "merged", line, paint, into: old.id, changed };
  });
}
