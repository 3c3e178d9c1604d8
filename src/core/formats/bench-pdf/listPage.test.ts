import { execFileSync } from "node:child_process";
import { mkdtempSync, writeFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { describe, expect, it } from "vitest";
import { font } from "../../../../tests/unit/printed";
import { writeBenchPdf } from "./benchPdf";

const folder = mkdtempSync(path.join(os.tmpdir(), "crenna-list-"));

/** Text and pages of a list with so many pots and mixes, as another program reads it. */
async function printedList(pots: number, mixes: number): Promise<{ text: string; pages: number }> {
  const items = (count: number, name: string) =>
    Array.from({ length: count }, (_, at) => ({
      ...{ name: `${name} ${at + 1}`, amount: `${at + 3} drops, 0.12\u202fml` },
      note: at % 3 === 0 ? "3 drops Straw, 1 drop Shell; for Base coat, Coat skirt and 2 more cards" : "",
    }));
  const pdf = await writeBenchPdf({
    ...{ title: "Sergeant", cautions: [], cards: [], gauges: [] },
    fonts: { regular: font(400), bold: font(600) },
    list: { title: "Sergeant: paint", pots: items(pots, "Pot"), mixes: items(mixes, "Mix") },
  });
  const file = path.join(folder, `${pots}-${mixes}.pdf`);
  writeFileSync(file, pdf);
  const run = (program: string, ...more: string[]) =>
    execFileSync(program, [file, ...more], { encoding: "utf8" });
  return {
    text: run("pdftotext", "-"),
    pages: Number(/Pages:\s+(\d+)/.exec(run("pdfinfo"))?.[1]),
  };
}

describe("the list of paint", () => {
  it.each([
    [3, 2],
    [20, 40],
    [24, 60],
  ])("of %i pots and %i mixes stands on one page, with all of them", async (pots, mixes) => {
    const { text, pages } = await printedList(pots, mixes);
    expect(pages).toBe(1);
    const missing = [
      ...Array.from({ length: pots }, (_, at) => `Pot ${at + 1}`),
      ...Array.from({ length: mixes }, (_, at) => `Mix ${at + 1}`),
    ].filter((name) => !new RegExp(`${name}\\b`).test(text));
    expect(missing).toEqual([]);
  });

  it("goes on on further pages rather than in letters that cannot be read", async () => {
    const { text, pages } = await printedList(60, 160);
    expect(pages).toBeGreaterThan(1);
    expect(text).toContain("Mix 160");
  });
});
