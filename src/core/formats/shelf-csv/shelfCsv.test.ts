import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { demoShelf } from "../../../data/demo/shelf";
import { readGimpPalette, writeGimpPalette } from "../gimp-palette/gimpPalette";
import { readColour } from "./columns";
import { potId, type LineOutcome } from "./merge";
import { readShelfCsv, writeShelfCsv } from "./shelfCsv";

const refused = (lines: readonly LineOutcome[]) =>
  lines.flatMap((line) => (line.kind === "refused" ? [line] : []));
const kinds = (lines: readonly LineOutcome[]) => lines.map((line) => line.kind);

describe("the shelf as a table", () => {
  it("comes back as it was, onto the same shelf and onto an empty one", () => {
    const text = writeShelfCsv(demoShelf);
    const again = readShelfCsv(text, demoShelf).lines;
    expect(again.every((line) => line.kind === "merged" && line.changed.length === 0)).toBe(true);
    const fresh = readShelfCsv(text, []).lines;
    const paints = fresh.flatMap((line) => (line.kind === "taken" ? [{ ...line.paint, id: "" }] : []));
    expect(paints).toEqual(demoShelf.map((paint) => ({ ...paint, id: "" })));
  });

  it("changes in a pot that is there only what the line says", () => {
    const [line] = readShelfCsv("name;range;colour;state\nstraw;HARBOUR MATT;#c0b070;low\n", demoShelf).lines;
    expect(line).toMatchObject({ kind: "merged", into: "paint-straw" });
    const paint = line!.kind === "merged" ? line!.paint : null;
    expect(paint).toMatchObject({ thick: "#c0b070", state: "low", hiding: "semi", name: "straw" });
  });

  it("takes tabs, a byte order mark, blank lines, quotes and L*a*b*", () => {
    const text = '\uFEFFName\tColour\tDrop uL\r\n"Mud, wet"\tlab(30 5 12)\t35,5\r\n\r\nGrey\t777777\t\r\n';
    const { lines } = readShelfCsv(text, []);
    expect(kinds(lines)).toEqual(["taken", "taken"]);
    expect(lines[0]).toMatchObject({ line: 2, paint: { name: "Mud, wet", dropUl: 35.5 } });
    expect(lines[1]).toMatchObject({ line: 4, paint: { thick: "#777777" } });
  });

  it("names what is wrong in each bad line, and takes the good ones beside them", () => {
    const rows = [
      "name,range,kind,state,colour,hiding,finish,strength,drop_ul",
      "Good,Own,paint,have,#112233,semi,matt,1,40",
      ",Own,paint,have,#112233,semi,matt,1,40",
      "No colour,Own,paint,have,,semi,matt,1,40",
      "Bad colour,Own,paint,have,mud,semi,matt,1,40",
      "Bad kind,Own,jelly,have,#112233,semi,matt,1,40",
      "Bad state,Own,paint,lost,#112233,semi,matt,1,40",
      "Bad hiding,Own,paint,have,#112233,quite,matt,1,40",
      "Bad finish,Own,paint,have,#112233,semi,shiny,1,40",
      "Strong,Own,paint,have,#112233,semi,matt,99,40",
      "Drop,Own,paint,have,#112233,semi,matt,1,big",
      "Good,Own,paint,have,#445566,semi,matt,1,40",
      "Long,Own,paint,have,#112233,semi,matt,1,40,more,cells",
      `${"n".repeat(90)},Own,paint,have,#112233,semi,matt,1,40`,
    ];
    const { lines } = readShelfCsv(rows.join("\n"), []);
    expect(kinds(lines).filter((kind) => kind === "taken")).toHaveLength(1);
    const bad = refused(lines);
    expect(bad.map((line) => line.line)).toEqual([3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14]);
    const words = [
      /name/,
      /colour is empty/,
      /"mud"/,
      /kind/,
      /state/,
      /hiding/,
      /finish/,
      /strength/,
      /"big"/,
    ];
    words.forEach((word, at) => expect(bad[at]!.reasons.join(" ")).toMatch(word));
    expect(bad[9]!.reasons[0]).toMatch(/earlier line/);
    expect(bad[10]!.reasons[0]).toMatch(/11 cells/);
    expect(bad[11]!.reasons[0]).toMatch(/80/);
  });

  it("says which columns are missing or not known", () => {
    expect(refused(readShelfCsv("title,colour\nA,#112233", []).lines)[0]!.reasons[0]).toMatch(
      /name is missing/,
    );
    const { lines } = readShelfCsv("name,colour,price\nA,#112233,3", []);
    expect(refused(lines)[0]!.reasons[0]).toMatch(/price/);
    expect(kinds(lines)).toEqual(["refused", "taken"]);
    expect(refused(readShelfCsv("", []).lines)).toHaveLength(1);
  });

  it("reads usual other headings, says so, and leaves the rest to the painter", () => {
    const text = "Paint,Maker,Opacity,Amount,Hex,Price\nA,Own,Semi-opaque,empty,#112233,3\n";
    const { lines, headings } = readShelfCsv(text, []);
    expect(headings.map(({ column }) => column)).toEqual([
      "name",
      "range",
      "hiding",
      "state",
      "colour",
      null,
    ]);
    expect(headings.map(({ by }) => by)).toEqual([...Array<string>(5).fill("guess"), "none"]);
    expect(headings[5]).toMatchObject({ title: "Price", example: "3" });
    expect(lines[1]).toMatchObject({
      kind: "taken",
      paint: { name: "A", range: "Own", hiding: "semi", state: "out", thick: "#112233" },
    });
  });

  it("reads headings as the painter says, without a word about those he leaves out", () => {
    const text = "title;maker;shade;hue;price\nA;Own;#112233;red;3\n";
    expect(kinds(readShelfCsv(text, []).lines)).toEqual(["refused"]);
    const { lines, headings } = readShelfCsv(text, [], ["name", null, "colour", null, null]);
    expect(kinds(lines)).toEqual(["taken"]);
    expect(lines[0]).toMatchObject({ paint: { name: "A", range: "", thick: "#112233" } });
    expect(headings.every(({ by }) => by === "painter")).toBe(true);
  });

  it("gives a column to one heading only, its own word first", () => {
    const { headings } = readShelfCsv("brand,maker,hex,colour,name\n", []);
    expect(headings.map(({ column }) => column)).toEqual(["range", null, null, "colour", "name"]);
  });

  it("gives every line of any text an outcome without failing", () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 200 }), (text) => {
        const { lines } = readShelfCsv(`name,colour\n${text}`, demoShelf);
        for (const line of lines) if (line.kind === "refused") expect(line.reasons.length).toBeGreaterThan(0);
      }),
    );
  });

  it("makes ids that are free and allowed", () => {
    expect(potId("Tarn Blue", "", new Set())).toBe("paint-tarn-blue");
    expect(potId("漆", "", new Set(["paint-pot"]))).toBe("paint-pot-2");
    expect(readColour("#ABCDEF")).toBe("#abcdef");
    expect(readColour("lab(120 0 0)")).toBeNull();
  });

  it("writes a name that a table program would work out as text, and reads it back as it was", () => {
    const names = ["=1+1", "+3", "-2", "@sum", "'=quoted", "'plain", "Tarn = Blue"];
    const shelf = names.map((name, at) => ({ ...demoShelf[0]!, id: `odd-${at}`, name, fit: null }));
    const text = writeShelfCsv(shelf);
    for (const line of text.split("\r\n")) expect(line).not.toMatch(/^"?[=+\-@]/);
    const back = readShelfCsv(text, []).lines.map((line) =>
      line.kind === "taken" ? line.paint.name : "refused",
    );
    expect(back).toEqual(names);
  });

  it("reads thirty thousand lines of one beginning, each with an id of its own", () => {
    const lines = Array.from({ length: 30_000 }, (_, at) => `漆 ${at % 7 === 0 ? "" : at},R${at},#336699`);
    const { lines: found } = readShelfCsv(["name,range,colour", ...lines].join("\n"), []);
    const ids = found.map((line) => (line.kind === "taken" ? line.paint.id : ""));
    expect(new Set(ids).size).toBe(30_000);
  });
});

describe("the shelf as a GIMP palette", () => {
  it("keeps names and thick colours", () => {
    const { lines } = readGimpPalette(writeGimpPalette(demoShelf, "Crenna shelf"), []);
    const got = lines.flatMap((line) => (line.kind === "taken" ? [[line.paint.name, line.paint.thick]] : []));
    expect(got).toEqual(demoShelf.map((paint) => [paint.name, paint.thick]));
    expect(lines.every((line) => line.kind === "taken" && line.paint.range === "Crenna shelf")).toBe(true);
  });

  it("refuses lines without a colour and files that are no palette", () => {
    const { lines } = readGimpPalette(
      "GIMP Palette\nName: Own\n# note\n10 20 30\tInk\n300 0 0\tHot\n1 2\n5 5 5\n",
      [],
    );
    expect(kinds(lines)).toEqual(["taken", "refused", "refused", "taken"]);
    expect(lines[3]).toMatchObject({ paint: { name: "Colour 7", range: "Own" } });
    expect(refused(readGimpPalette("hello", []).lines)[0]!.reasons[0]).toMatch(/no GIMP palette/);
  });
});
