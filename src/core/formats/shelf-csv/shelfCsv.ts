import Papa from "papaparse";
import { startStrength } from "../../colour/startStrength";
import { ValidationError } from "yup";
import { labToHex } from "../../colour/spaces";
import { paintSchema } from "../../job";
import { upgradePaint } from "../job-json/upgrade";
import type { Paint } from "../../job";

/** Columns of a shelf table; only `name` and `colour` must be there. */
export const COLUMNS = [
  "name",
  "range",
  "kind",
  "state",
  "colour",
  "over_white",
  "over_black",
  "hiding",
  "finish",
  "strength",
  "drop_ul",
] as const;
type Column = (typeof COLUMNS)[number];

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

interface DescribedPot {
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
    const pot = paintSchema.validateSync(upgradePaint({ ...begin, ...given }), { abortEarly: false });
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
export function mergeOntoShelf(rows: readonly DescribedPot[], shelf: readonly Paint[]): ShelfReport {
  const taken = new Set(shelf.map((paint) => paint.id));
  const onShelf = new Map(shelf.map((paint) => [nameKey(paint), paint]));
  const seen = new Set<string>();
  const tried = new Map<string, number>();
  const lines = rows.map(({ line, text, fields, reasons }): LineOutcome => {
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
  return { lines };
}

const FIELD_OF: Readonly<Record<Column, keyof Paint>> = {
  name: "name",
  range: "range",
  kind: "kind",
  state: "state",
  colour: "thick",
  over_white: "overWhite",
  over_black: "overBlack",
  hiding: "hiding",
  finish: "finish",
  strength: "strength",
  drop_ul: "dropUl",
};
const COLOURS: readonly Column[] = ["colour", "over_white", "over_black"];
const NUMBERS: readonly Column[] = ["strength", "drop_ul"];

const LAB = /^lab\(\s*(-?[\d.]+)[\s,]+(-?[\d.]+)[\s,]+(-?[\d.]+)\s*\)$/i;

/** A colour as "#rrggbb", "rrggbb" or "lab(L a b)". @returns null for anything else */
export function readColour(text: string): string | null {
  const hex = /^#?([0-9a-f]{6})$/i.exec(text);
  if (hex) return `#${hex[1]!.toLowerCase()}`;
  const lab = LAB.exec(text);
  if (!lab) return null;
  const [l, a, b] = [Number(lab[1]), Number(lab[2]), Number(lab[3])];
  return l >= 0 && l <= 100 && Math.abs(a) <= 128 && Math.abs(b) <= 128 ? labToHex([l, a, b]) : null;
}

/** One cell of the table as a field of a pot, or why it cannot be. */
function cell(column: Column, text: string): { value: unknown } | { reason: string } {
  if (COLOURS.includes(column)) {
    const colour = readColour(text);
    return colour
      ? { value: colour }
      : { reason: `${column} must be #rrggbb or lab(L a b), it is "${text}".` };
  }
  if (NUMBERS.includes(column)) {
    const number = Number(text.replace(",", "."));
    return Number.isFinite(number)
      ? { value: number }
      : { reason: `${column} must be a number, it is "${text}".` };
  }
  if (column === "name" || column === "range") return { value: text };
  return { value: text.toLowerCase() };
}

const titlesOf = (head: readonly string[]): string[] =>
  head.map((title) =>
    title
      .trim()
      .toLowerCase()
      .replaceAll(/[\s-]+/g, "_"),
  );

/** What one line of cells says of a pot, and what in it cannot be read. */
function readLine(cells: readonly string[], titles: readonly string[], trouble: string | undefined) {
  const reasons: string[] = [];
  const fields: Record<string, unknown> = {};
  if (trouble !== undefined) reasons.push(`The line cannot be split into cells: ${trouble}.`);
  if (cells.length > titles.length)
    reasons.push(`It has ${cells.length} cells, the first line names ${titles.length} columns.`);
  titles.forEach((title, index) => {
    const content = (cells[index] ?? "").trim();
    const column = title as Column;
    if (content === "" || !COLUMNS.includes(column)) return;
    const read = cell(column, content);
    if ("reason" in read) reasons.push(read.reason);
    else fields[FIELD_OF[column]] = read.value;
  });
  if (fields.name === undefined) reasons.push("name is empty.");
  if (fields.thick === undefined && !reasons.some((reason) => reason.startsWith("colour")))
    reasons.push("colour is empty.");
  return { fields, reasons };
}

/**
 * Reads a table of pots against a shelf. Comma, semicolon or tab between the cells, the first line names the columns.
 * Every line gets an outcome: nothing is left out in silence.
 */
export function readShelfCsv(text: string, shelf: readonly Paint[]): ShelfReport {
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, ""), { skipEmptyLines: false });
  const [head = [], ...written] = parsed.data;
  const body = written.map((cells) => cells.map(fromText));
  const titles = titlesOf(head);
  const refused = (reason: string): LineOutcome => ({
    kind: "refused",
    line: 1,
    text: head.join(","),
    reasons: [reason],
  });
  const missing = (["name", "colour"] as const).filter((column) => !titles.includes(column));
  const known = `Known are ${COLUMNS.join(", ")}.`;
  if (missing.length > 0) {
    const reason = `The first line must name the columns; ${missing.join(" and ")} is missing. ${known}`;
    return { lines: [refused(reason)] };
  }
  const broken = new Map(parsed.errors.map((error) => [error.row ?? 0, error.message]));
  const rows = body.flatMap((cells, at) =>
    cells.every((one) => one.trim() === "")
      ? []
      : [{ line: at + 2, text: cells.join(","), ...readLine(cells, titles, broken.get(at + 1)) }],
  );
  const { lines } = mergeOntoShelf(rows, shelf);
  const unknown = titles.filter((title) => title !== "" && !COLUMNS.includes(title as Column));
  if (unknown.length === 0) return { lines };
  return { lines: [refused(`Not known and left out: ${unknown.join(", ")}. ${known}`), ...lines] };
}

/** What a table program would take for a formula. */
const FORMULA = /^[=+\-@\t\r]/;

/** A cell as text: what would be worked out as a formula stands behind an apostrophe, which reading takes off again. */
const asText = (value: unknown): unknown =>
  typeof value === "string" && (FORMULA.test(value) || /^'[=+\-@\t\r]/.test(value))
    ? `'${value}`
    : (value ?? "");
const fromText = (cell: string): string => (/^''?[=+\-@\t\r]/.test(cell) ? cell.slice(1) : cell);

/** The shelf as a table that `readShelfCsv` reads back; readings stay behind. */
export const writeShelfCsv = (paints: readonly Paint[]): string =>
  `${Papa.unparse({
    fields: [...COLUMNS],
    data: paints.map((paint) => COLUMNS.map((column) => asText(paint[FIELD_OF[column]]))),
  })}\r\n`;
