import { execFileSync } from "node:child_process";
import { mkdtempSync, writeFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import sharp from "sharp";
import { beforeAll, describe, expect, it } from "vitest";
import { nameAt } from "../../plan/gaugePiece";
import { ferrySergeant } from "../../../data/demo/ferrySergeant";
import { demoShelf } from "../../../data/demo/shelf";
import { defaultPainter } from "../../painter";
import { settGauge } from "../../patterns/sett/gauge";
import { settLayout } from "../../patterns/sett/testing";
import { cardFacts } from "../../plan/cardText";
import { cardsOf, SITTING_CAUTIONS } from "../../plan/cards";
import { writeGaugeSvg } from "../gauge-svg/gaugeSvg";
import { writeBenchPdf } from "./benchPdf";
import {
  drawnPage,
  font,
  ink,
  longestRun,
  PX_PER_MM,
  reachX,
  type Ink,
} from "../../../../tests/unit/printed";

const demo = ferrySergeant();
const surface = demo.surfaces[0]!;
const layout = settLayout(demo, surface);
const pieces = settGauge(layout);
const folder = mkdtempSync(path.join(os.tmpdir(), "crenna-pdf-"));
const file = path.join(folder, "bench.pdf");

beforeAll(async () => {
  const picture = new Uint8Array(
    await sharp({ create: { width: 40, height: 20, channels: 3, background: "#2f4f5f" } })
      .png()
      .toBuffer(),
  );
  const cards = cardsOf(demo, demoShelf, defaultPainter).map((card, at) => ({
    kind: "card" as const,
    number: at + 1,
    title: card.title,
    facts: cardFacts(card, demoShelf),
    lookAt: card.lookAt,
    before: picture,
    after: picture,
  }));
  const pdf = await writeBenchPdf({
    title: demo.name,
    cautions: SITTING_CAUTIONS,
    cards,
    gauges: [{ surface: surface.name, title: "Gauge strip", use: "Lay it round.", pieces }],
    fonts: { regular: font(400), bold: font(600) },
  });
  writeFileSync(file, pdf);
});

/** Text of one page, as another program reads it. */
const textOf = (page: number) =>
  execFileSync("pdftotext", ["-f", String(page), "-l", String(page), "-layout", file, "-"], {
    encoding: "utf8",
  });
const pageCount = () =>
  Number(/Pages:\s+(\d+)/.exec(execFileSync("pdfinfo", [file], { encoding: "utf8" }))?.[1]);

describe("making it", () => {
  const input = (cards: number, pictures: readonly Uint8Array[]) => ({
    title: "Many",
    cautions: [],
    gauges: [],
    fonts: { regular: font(400), bold: font(600) },
    cards: Array.from({ length: cards }, (_, at) => ({
      kind: "card" as const,
      number: at + 1,
      title: "Base",
      facts: [["Mix", "2 Slate"]] as const,
      lookAt: ["Look."],
      before: pictures[at % pictures.length]!,
      after: pictures[(at + 1) % pictures.length]!,
    })),
  });
  const noise = async (background: string) =>
    new Uint8Array(
      await sharp({
        create: {
          ...{ width: 200, height: 200, channels: 3, background },
          noise: { type: "gaussian", mean: 120, sigma: 40 },
        },
      })
        .jpeg({ quality: 95 })
        .toBuffer(),
    );

  it("can be stopped at any card, and tells how many are written", async () => {
    const told: number[] = [];
    const made = await writeBenchPdf(input(5, [await noise("#888888")]), (done) => {
      told.push(done);
      return Promise.resolve(done < 3);
    });
    expect(made).toBeNull();
    expect(told).toEqual([0, 1, 2, 3]);
  });

  it("takes JPEG pictures as they are, and one that serves twice once", async () => {
    const pictures = [await noise("#884422"), await noise("#224488")];
    const each = pictures.reduce((sum, { length }) => sum + length, 0);
    const pdf = await writeBenchPdf(input(12, pictures));
    // Both pictures once, both fonts, and the text of three pages.
    expect(pdf.length).toBeLessThan(each + 60_000);
    writeFileSync(path.join(folder, "many.pdf"), pdf);
    const list = execFileSync("pdfimages", ["-list", path.join(folder, "many.pdf")], { encoding: "utf8" });
    expect(list).toContain("jpeg");
  });
});

describe("the printed gauge, measured by another program", () => {
  let page: Ink;
  let ruler: { y: number; from: number; length: number };
  beforeAll(async () => {
    const last = pageCount();
    const out = path.join(folder, "gauge");
    page = await drawnPage(file, last, out);
    ruler = longestRun(page);
  });

  it("is on A4", () => {
    expect(page.width / PX_PER_MM).toBeCloseTo(210, 1);
    expect(page.height / PX_PER_MM).toBeCloseTo(297, 1);
  });

  it("has a test ruler of 50 mm to 0.1 mm", () => {
    // The two end ticks are 0.15 mm wide and stand half outside.
    expect(Math.abs(ruler.length / PX_PER_MM - 50)).toBeLessThan(0.1 + 0.15);
    const [first, last] = reachX(
      page,
      ruler.y - 60,
      ruler.y - 50,
      ruler.from - 40,
      ruler.from + ruler.length + 40,
    );
    expect(Math.abs((last - first) / PX_PER_MM - 0.15 - 50)).toBeLessThan(0.1);
  });

  it("has an outline as wide and as high as the band's development, to 0.1 mm", () => {
    const below = ruler.y + Math.round(9 * PX_PER_MM);
    const rows: number[] = [];
    const [first, last] = reachX(page, below, page.height);
    for (let y = below; y < page.height; y++) {
      const [a, b] = reachX(page, y, y + 1);
      if (b > a) rows.push(y);
    }
    expect(Math.abs((last - first) / PX_PER_MM - 0.15 - pieces[0]!.widthMm)).toBeLessThan(0.1);
    // The piece's name stands above it; its last row is the hem's lowest point.
    const lowest = rows.at(-1)!;
    const gapFree = rows.findLast((_y, at) => at > 0 && rows[at]! - rows[at - 1]! > 4) ?? rows[0]!;
    expect(Math.abs((lowest + 1 - gapFree) / PX_PER_MM - 0.15 - pieces[0]!.heightMm)).toBeLessThan(0.1);
  });

  it("has the hem ticks where the guides are, to 0.1 mm", () => {
    const below = ruler.y + Math.round(9 * PX_PER_MM);
    const [left] = reachX(page, below, page.height);
    let lowest = below;
    for (let y = below; y < page.height; y++) if (reachX(page, y, y + 1)[1] > 0) lowest = y;
    const toPx = ([x, y]: readonly [number, number]) =>
      [left + (x + 0.075) * PX_PER_MM, lowest + 1 - (pieces[0]!.heightMm + 0.075 - y) * PX_PER_MM] as const;
    const ticks = pieces[0]!.ticks.filter((tick) => tick.axis === "column" && tick.kind === "edge");
    for (const tick of ticks) {
      // In the middle of the tick there must be ink within 0.1 mm, across the tick.
      const [x, y] = toPx([(tick.from[0] + tick.to[0]) / 2, (tick.from[1] + tick.to[1]) / 2]);
      const reach = Math.floor(0.1 * PX_PER_MM);
      let found = false;
      for (let dy = -reach; dy <= reach; dy++)
        for (let dx = -reach; dx <= reach; dx++) found ||= page.dark(Math.round(x + dx), Math.round(y + dy));
      expect(found).toBe(true);
    }
  });
});

describe("the printed cards", () => {
  it("carry every coat with mix, drops and cautions as text", () => {
    const pages = Array.from({ length: pageCount() }, (_, at) => textOf(at + 1)).join("\n");
    for (const coat of surface.coats) expect(pages).toContain(coat.name);
    expect(pages).toMatch(/6 brush-loads Rust Red,\s+2 brush-loads/);
    expect(pages).toMatch(/\d+\.\d µl on the figure, \d+ µl with losses/);
    expect(pages).toMatch(/Hand time\s+\d+ min/);
    expect(pages).not.toMatch(/[\u202f\ufffd]/);
    expect(pages).toContain("Do not lick the brush");
    expect(pages).toContain("Measure this line before you cut");
  });
});

describe("the gauge as SVG", () => {
  it("is in millimetres, with the same ticks and ruler", async () => {
    const svg = writeGaugeSvg(pieces, "Ferry & sergeant");
    const [, width] = /width="([\d.]+)mm"/.exec(svg)!;
    expect(svg).toContain(`viewBox="0 0 ${width} `);
    expect(svg.match(/<line /g)).toHaveLength(pieces[0]!.ticks.length);
    expect(svg).toContain("Ferry &amp; sergeant");
    // Every guide is named once at the hem and once at a side, by the stripe that begins there.
    const named = pieces[0]!.ticks.filter(({ name }) => name !== "");
    expect(named.length).toBe(pieces[0]!.ticks.length / 2);
    for (const tick of named) {
      expect(tick.label.endsWith(tick.name)).toBe(true);
      const [x, y] = nameAt(tick);
      expect(Math.hypot(x - tick.to[0], y - tick.to[1])).toBeCloseTo(0.9, 6);
      expect(Math.hypot(x - tick.from[0], y - tick.from[1])).toBeGreaterThan(0.9);
    }
    expect(svg.match(/<text [^>]*font-size="1"/g)).toHaveLength(named.length);
    // Drawn by another program: the ruler's base line is 50 mm.
    const png = path.join(folder, "gauge-svg.png");
    await sharp(Buffer.from(svg), { density: 300, limitInputPixels: false })
      .flatten({ background: "#fff" })
      .png()
      .toFile(png);
    const page = await ink(png);
    const pxPerMm = page.width / Number(width);
    expect(Math.abs(longestRun(page).length / pxPerMm - 50)).toBeLessThan(0.25);
  });
});
