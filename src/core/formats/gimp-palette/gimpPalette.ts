import type { Paint } from "../../job";
import { mergeOntoShelf, type ShelfReport } from "../shelf-csv/merge";

/** First line of every GIMP palette. */
const HEAD = "GIMP Palette";

const byte = (text: string | undefined) => {
  const number = Number(text);
  return /^\d{1,3}$/.test(text ?? "") && number <= 255 ? number : null;
};

/**
 * Reads a GIMP palette (.gpl) against a shelf: each colour is a pot's thick colour, its name the pot's, the palette's
 * name the range. Colours without a name are named by their place.
 */
export function readGimpPalette(text: string, shelf: readonly Paint[]): ShelfReport {
  const lines = text.replace(/^\uFEFF/, "").split(/\r?\n/);
  if (lines[0]?.trim() !== HEAD) {
    const reason = `This is no GIMP palette: its first line must be "${HEAD}".`;
    return {
      lines: [{ kind: "refused", line: 1, text: (lines[0] ?? "").slice(0, 80), reasons: [reason] }],
      headings: [],
    };
  }
  let range = "";
  const rows = lines.slice(1).flatMap((line, at) => {
    const trimmed = line.trim();
    if (trimmed === "" || trimmed.startsWith("#")) return [];
    const title = /^(Name|Columns)\s*:\s*(.*)$/i.exec(trimmed);
    if (title) {
      if (title[1]!.toLowerCase() === "name") range = title[2]!.trim().slice(0, 80);
      return [];
    }
    const [r, g, b, ...words] = trimmed.split(/\s+/);
    const channels = [byte(r), byte(g), byte(b)];
    const given = words.join(" ");
    const name = given === "" || given === "Untitled" ? `Colour ${at + 2}` : given;
    const hex = `#${channels.map((one) => (one ?? 0).toString(16).padStart(2, "0")).join("")}`;
    const reasons = channels.includes(null)
      ? ["It must begin with red, green and blue, each a whole number from 0 to 255."]
      : [];
    return [{ line: at + 2, text: trimmed, fields: { name, range, thick: hex }, reasons }];
  });
  return { lines: mergeOntoShelf(rows, shelf), headings: [] };
}

/** The shelf as a GIMP palette; only names and thick colours fit into it. */
export const writeGimpPalette = (paints: readonly Paint[], name: string): string =>
  [
    HEAD,
    `Name: ${name.replaceAll(/\s+/g, " ")}`,
    "Columns: 8",
    "#",
    ...paints.map((paint) => {
      const channels = [1, 3, 5].map((at) =>
        String(parseInt(paint.thick.slice(at, at + 2), 16)).padStart(3, " "),
      );
      return `${channels.join(" ")}\t${paint.name}`;
    }),
    "",
  ].join("\n");
