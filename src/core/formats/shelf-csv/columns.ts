import { labToHex } from "../../colour/spaces";
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
export type Column = (typeof COLUMNS)[number];

/** The field of a pot that a column fills. */
export const FIELD_OF: Readonly<Record<Column, keyof Paint>> = {
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

/** Words of other tables for what a column holds; the column's own words stand in its schema. */
const WORDS: Readonly<Partial<Record<Column, Readonly<Record<string, string>>>>> = {
  state: {
    yes: "have",
    full: "have",
    owned: "have",
    "nearly empty": "low",
    no: "out",
    none: "out",
    empty: "out",
  },
  hiding: {
    "semi-opaque": "semi",
    "semi opaque": "semi",
    "semi-transparent": "semi",
    "semi transparent": "semi",
    translucent: "transparent",
    clear: "transparent",
  },
  finish: { flat: "matt", matte: "matt", mat: "matt", "semi-gloss": "satin", glossy: "gloss" },
};

/** One cell of the table as a field of a pot, or why it cannot be. */
export function cell(column: Column, text: string): { value: unknown } | { reason: string } {
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
  const word = text.toLowerCase();
  const words = WORDS[column];
  return { value: words && Object.hasOwn(words, word) ? words[word] : word };
}

/** How a heading of a file came to its column: by our own word, by a usual other one, by the painter, or not at all. */
export type HeadingBy = "own" | "guess" | "painter" | "none";

/** One heading of a table, and what its cells are read as. */
export interface Heading {
  /** As it stands in the file. */
  readonly title: string;
  /** Null for what is left out. */
  readonly column: Column | null;
  readonly by: HeadingBy;
  /** The first cell below it that is not empty. */
  readonly example: string;
}

/** Headings of other tables, by the column that holds the same. */
const OTHER_TITLES: Readonly<Partial<Record<Column, readonly string[]>>> = {
  name: ["paint", "paint_name", "pot", "pot_name", "colour_name", "color_name"],
  range: ["maker", "make", "manufacturer", "producer", "brand", "series", "line", "set"],
  kind: ["type", "sort"],
  state: ["amount", "stock", "status", "level", "left", "owned"],
  colour: ["color", "hex", "hex_code", "rgb", "lab", "thick", "swatch"],
  over_white: ["on_white"],
  over_black: ["on_black"],
  hiding: ["opacity", "coverage", "cover", "transparency", "hiding_power"],
  finish: ["sheen", "gloss", "surface"],
  strength: ["tinting", "tinting_strength", "tint_strength"],
  drop_ul: ["drop", "drop_size", "drop_volume", "drop_µl"],
};

const plain = (title: string): string =>
  title
    .trim()
    .toLowerCase()
    .replaceAll(/[\s-]+/g, "_");

const guessed = (title: string): Column | undefined =>
  COLUMNS.find((column) => OTHER_TITLES[column]?.includes(title));

/**
 * What each heading is read as. Our own words come first, then usual other ones for columns that are still free.
 * @param given the painter's own choice, one a heading, null for left out; where it is missing, words decide
 */
export function matchHeadings(
  titles: readonly string[],
  examples: readonly string[],
  given?: readonly (Column | null)[],
): Heading[] {
  const taken = new Set<Column>();
  const take = (column: Column | undefined): Column | null => {
    if (column === undefined || taken.has(column)) return null;
    taken.add(column);
    return column;
  };
  const words = titles.map(plain);
  const own = words.map((word) => take(COLUMNS.find((column) => column === word)));
  return titles.map((title, at): Heading => {
    const told = { title: title.trim(), example: examples[at] ?? "" };
    if (given) return { ...told, column: given[at] ?? null, by: "painter" };
    if (own[at]) return { ...told, column: own[at], by: "own" };
    const column = take(guessed(words[at]!));
    return { ...told, column, by: column ? "guess" : "none" };
  });
}
