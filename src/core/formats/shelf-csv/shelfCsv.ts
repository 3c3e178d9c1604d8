import Papa from "papaparse";
import type { Paint } from "../../job";
import { cell, COLUMNS, FIELD_OF, matchHeadings, type Column, type Heading } from "./columns";
import { mergeOntoShelf, type LineOutcome, type ShelfReport } from "./merge";

/** What one line of cells says of a pot, and what in it cannot be read. */
function readLine(
  cells: readonly string[],
  columns: readonly (Column | null)[],
  trouble: string | undefined,
) {
  const reasons: string[] = [];
  const fields: Record<string, unknown> = {};
  if (trouble !== undefined) reasons.push(`The line cannot be split into cells: ${trouble}.`);
  if (cells.length > columns.length)
    reasons.push(`It has ${cells.length} cells, the first line names ${columns.length} columns.`);
  columns.forEach((column, index) => {
    const content = (cells[index] ?? "").trim();
    if (content === "" || column === null) return;
    const read = cell(column, content);
    if ("reason" in read) reasons.push(read.reason);
    else fields[FIELD_OF[column]] = read.value;
  });
  if (fields.name === undefined) reasons.push("name is empty.");
  if (fields.thick === undefined && !reasons.some((reason) => reason.startsWith("colour")))
    reasons.push("colour is empty.");
  return { fields, reasons };
}

const KNOWN = `Known are ${COLUMNS.join(", ")}.`;

/** What is wrong with the headings as a whole; null where name and colour are there. */
function missingHeading(headings: readonly Heading[]): string | null {
  const missing = (["name", "colour"] as const).filter(
    (needed) => !headings.some(({ column }) => column === needed),
  );
  return missing.length === 0
    ? null
    : `The first line must name the columns; ${missing.join(" and ")} is missing. ${KNOWN}`;
}

/** The cells of a table, and the first one that is not empty under each heading. */
function cellsOf(text: string) {
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, ""), { skipEmptyLines: false });
  const [head = [], ...written] = parsed.data;
  const body = written.map((cells) => cells.map(fromText));
  const examples = head.map((_, at) => body.find((cells) => cells[at]?.trim())?.[at]?.trim() ?? "");
  const broken = new Map(parsed.errors.map((error) => [error.row ?? 0, error.message]));
  return { head, body, examples: examples.map((example) => example.slice(0, 60)), broken };
}

/**
 * Reads a table of pots against a shelf. Comma, semicolon or tab between the cells, the first line names the columns.
 * Every line gets an outcome: nothing is left out in silence.
 * @param given what the painter wants each heading read as, null for left out; where it is missing, words decide
 */
export function readShelfCsv(
  text: string,
  shelf: readonly Paint[],
  given?: readonly (Column | null)[],
): ShelfReport {
  const { head, body, examples, broken } = cellsOf(text);
  const headings = matchHeadings(head, examples, given);
  const refused = (reason: string): LineOutcome => ({
    kind: "refused",
    line: 1,
    text: head.join(","),
    reasons: [reason],
  });
  const missing = missingHeading(headings);
  if (missing !== null) return { lines: [refused(missing)], headings };
  const columns = headings.map(({ column }) => column);
  const rows = body.flatMap((cells, at) =>
    cells.every((one) => one.trim() === "")
      ? []
      : [{ line: at + 2, text: cells.join(","), ...readLine(cells, columns, broken.get(at + 1)) }],
  );
  const lines = mergeOntoShelf(rows, shelf);
  const unknown = headings.filter(({ by, title }) => by === "none" && title !== "").map(({ title }) => title);
  if (unknown.length === 0) return { lines, headings };
  return {
    lines: [refused(`Not known and left out: ${unknown.join(", ")}. ${KNOWN}`), ...lines],
    headings,
  };
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
