import { readFileSync } from "node:fs";
import path from "node:path";
import { Ajv2020 } from "ajv/dist/2020.js";
import { describe, expect, it } from "vitest";
import { wholeSergeant } from "../../../data/demo/company";
import { demoShelf } from "../../../data/demo/shelf";
import { schemeOf } from "../../edits/ownSchemes";
import { InputError } from "../../errors";
import type { OwnScheme } from "../../job";
import { schemeFileSchema } from "../job-json/publishedSchema";
import { readSchemeFile, schemesHere, writeSchemeFile } from "./schemeFile";

const sergeant = wholeSergeant();
const AT = "2026-05-01T09:30:00Z";
const plain = sergeant.surfaces.map((surface) =>
  schemeOf(sergeant, surface, { id: `own-${surface.id}`, name: surface.name, at: AT }),
);
const told: OwnScheme = {
  ...plain[0]!,
  ...{ id: "told", asPainted: true, notes: "Pulled from the hem up." },
  batches: [
    {
      mix: "Base",
      coats: ["Base"],
      added: [{ paintId: "paint-moss", drops: 3 }],
      at: AT,
      read: [50, 1, 2],
      water: 1,
    },
    { mix: "Base", coats: ["Base"], added: [{ paintId: "long-gone", drops: 3 }], at: AT },
  ],
};
const schemes = [...plain, told];
const text = writeSchemeFile(schemes, demoShelf);
const changed = (change: object): string => JSON.stringify({ ...JSON.parse(text), ...change });

/** What a file is refused with. */
function refused(of: string): string {
  try {
    readSchemeFile(of);
  } catch (error) {
    if (error instanceof InputError) return error.message;
    throw error;
  }
  return "taken";
}

describe("a scheme file", () => {
  it("reads back as it was written, with the pots its schemes and their batches name and no others", () => {
    const { schemes: read, paints } = readSchemeFile(text);
    expect(read).toEqual(schemes);
    const ids = paints.map(({ id }) => id);
    expect(ids).toContain("paint-moss");
    expect(ids.length).toBeLessThan(demoShelf.length);
    for (const scheme of schemes)
      for (const { parts } of scheme.mixes)
        for (const { paintId } of parts)
          if (!ids.includes(paintId)) throw new Error(`${paintId} is left out`);
  });

  it("keeps to its published schema, which is what the schemas that read it say", () => {
    const published = JSON.parse(
      readFileSync(path.resolve("public/schema/crenna-scheme-file-2.schema.json"), "utf8"),
    ) as object;
    expect(published).toEqual(schemeFileSchema());
    const validate = new Ajv2020({ allErrors: true }).compile(published);
    expect(validate(JSON.parse(text)), JSON.stringify(validate.errors)).toBe(true);
    expect(validate({ ...JSON.parse(text), schemes: [{ ...told, wear: 3 }] })).toBe(false);
  });

  it("of the first version reads as what was kept then", () => {
    const { id, name, pattern, coats, mixes } = plain[0]!;
    const first = { id, version: 1, name, pattern, coats, mixes };
    const [read] = readSchemeFile(changed({ version: 1, schemes: [first] })).schemes;
    expect(read).toEqual({
      ...{ ...plain[0]!, keptAt: null, from: null, piece: null },
      ...{ asPainted: false, notes: "", batches: [] },
    });
  });

  it("is refused with what is wrong, where, and what is allowed", () => {
    expect(refused("{")).not.toBe("taken");
    expect(refused("{}")).toMatch(/no scheme file.*crenna-scheme-file.*no format/);
    expect(refused(changed({ version: 9 }))).toMatch(/versions 1 to 2 are/);
    expect(refused(changed({ schemes: 3 }))).toMatch(/no list of schemes/);
    expect(refused(changed({ paints: undefined }))).toMatch(/no list of paints/);
    expect(refused(changed({ schemes: Array.from({ length: 201 }, () => ({})) }))).toMatch(
      /201 .* at most 200/,
    );
    expect(refused(changed({ schemes: [plain[0], { ...plain[1], name: "" }] }))).toMatch(
      /schemes\[1\].*name/,
    );
    expect(refused(changed({ paints: [{ ...demoShelf[0], dropUl: -1 }] }))).toMatch(/paints\[0\].*dropUl/);
  });
});

describe("schemes of another shelf", () => {
  it("name pots that only share an id by an id of their own, in mixes and batches", () => {
    const other = demoShelf.map((paint) =>
      paint.id === "paint-moss" ? { ...paint, name: "Another", thick: "#ff0000" } : paint,
    );
    const here = schemesHere(readSchemeFile(text), other);
    expect(here.schemes.at(-1)!.batches[0]!.added).toEqual([{ paintId: "paint-moss-2", drops: 3 }]);
    expect(here.paints.map(({ id }) => id)).toContain("paint-moss-2");
    expect(schemesHere(readSchemeFile(text), demoShelf).schemes).toEqual(schemes);
  });

  it("are refused where a mix names a pot that is nowhere; a batch may tell of one that is gone", () => {
    const file = readSchemeFile(text);
    const lone = { ...file, paints: [] };
    expect(() => schemesHere(lone, [])).toThrow(/names the pot ".*", which is neither/);
    expect(() => schemesHere({ ...lone, schemes: [{ ...told, mixes: [] }] }, [])).not.toThrow();
  });
});
