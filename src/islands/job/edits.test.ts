import { describe, expect, it } from "vitest";
import { defaultPainter } from "../../core/painter";
import { laidOut } from "../../core/patterns/sett/testing";
import { cardsOf } from "../../core/plan/cards";
import { parseJob } from "../../core/formats/job-json/jobSchema";
import { ferrySergeant } from "../../data/demo/ferrySergeant";
import { demoShelf } from "../../data/demo/shelf";
import { batchesIn, shopping } from "../../core/plan/shopping";
import { placesFor } from "./coats/places";
import { placeName } from "../../core/plan/placeWords";
import { withParts } from "./palette/questions/goals";
import { withNewMix } from "../../core/edits/mixes";
import { CHART_GROUNDS, drawdown, inkOn, trueGround } from "./palette/useLight";

const job = ferrySergeant();
const surface = job.surfaces[0]!;
const pattern = laidOut(job, surface);
const cards = cardsOf(job, demoShelf, defaultPainter);

describe("shopping", () => {
  it("adds up what every batch takes out of a pot", () => {
    const list = shopping(cards, demoShelf);
    const taken = batchesIn(cards)
      .flatMap((batch) => batch.pots)
      .filter((pot) => pot.paintId === "paint-straw");
    const straw = list.find((pot) => pot.name === "Straw")!;
    expect(taken.length).toBeGreaterThan(1);
    expect(straw.ml).toBeCloseTo(taken.reduce((sum, pot) => sum + pot.ul, 0) / 1000, 9);
    expect(straw.drops).toBe(Math.ceil(straw.ml / 0.04));
    expect(shopping(cards, []).every((pot) => pot.name === "missing pot")).toBe(true);
  });
});

describe("targets", () => {
  it("are offered by what a technique lays, each with its own words", () => {
    for (const coat of surface.coats) {
      const targets = placesFor(coat, pattern);
      expect(targets.length).toBeGreaterThan(0);
      expect(targets).toContainEqual(coat.place);
      const names = targets.map((target) => placeName(target, pattern));
      expect(new Set(names).size).toBe(names.length);
    }
  });
  it("of the cloth are not offered where there is none", () => {
    const line = surface.coats.find((coat) => coat.technique.id === "line")!;
    expect(placesFor(line, null)).toEqual([]);
    expect(placesFor(surface.coats[0]!, null).map((target) => target.kind)).toEqual([
      "everywhere",
      "hollows",
      "zones",
    ]);
  });
});

describe("drawdowns", () => {
  const straw = job.mixes.find((mix) => mix.id === "straw")!;
  const luminance = (hex: string) => parseInt(hex.slice(3, 5), 16);

  it("come nearer to each other with every coat, from black and from white", () => {
    const [black, white] = CHART_GROUNDS.map((ground) =>
      drawdown(straw, demoShelf, ground.spectrum).map((coat) => coat.dry),
    ) as [string[], string[]];
    const gaps = black.map((hex, at) => luminance(white[at]!) - luminance(hex));
    expect(gaps[0]).toBeGreaterThan(gaps[1]!);
    expect(gaps[1]).toBeGreaterThan(gaps[2]!);
    expect(gaps[2]).toBeGreaterThanOrEqual(0);
  });

  it("lie on what really is below: primer, base, or the boxes a line crosses", () => {
    const ground = (id: string) => trueGround(job, id, demoShelf).name;
    expect(ground("base")).toBe("over grey primer");
    expect(ground("straw")).toBe("over Base");
    expect(ground("rust")).toMatch(/^over .* boxes$|^over Half-tone/);
    expect(trueGround(job, "never-used", demoShelf).name).toBe("over grey primer");
    const broken = { ...surface, form: { ...surface.form, params: { ...surface.form.params, hemMm: 900 } } };
    expect(trueGround({ ...job, surfaces: [broken] }, "straw", demoShelf).name).toBe("over grey primer");
  });

  it("carry ink that reads on them", () => {
    expect([inkOn("#ffffff"), inkOn("#c8b178"), inkOn("#101010"), inkOn("#1f4e66")]).toEqual([
      "#000000",
      "#000000",
      "#ffffff",
      "#ffffff",
    ]);
  });
});

describe("answers taken over", () => {
  it("become a mix of their own with a free id, or go into the mix they are for", () => {
    const parts = [{ paintId: "paint-moss", parts: 2 }];
    const one = withNewMix(job, "Own", parts, 1);
    const two = withNewMix(one, "Own again", parts, 1);
    expect(new Set(two.mixes.map((mix) => mix.id)).size).toBe(two.mixes.length);
    expect(parseJob(two).mixes.at(-1)).toMatchObject({ name: "Own again", parts });
    const changed = withParts(job, "rust", parts);
    expect(changed.mixes.find((mix) => mix.id === "rust")!.parts).toBe(parts);
    expect(changed.mixes.filter((mix) => mix.id !== "rust")).toEqual(
      job.mixes.filter((mix) => mix.id !== "rust"),
    );
  });
});
