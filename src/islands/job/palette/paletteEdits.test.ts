import { describe, expect, it } from "vitest";
import { ferrySergeant } from "../../../data/demo/ferrySergeant";
import { demoShelf } from "../../../data/demo/shelf";
import { parseJob } from "../../../core/formats/job-json/jobSchema";
import type { Well } from "../../../core/job";
import { defaultPainter } from "../../../core/painter";
import { cardsOf } from "../../../core/plan/cards";
import { withDrops } from "../../../core/plan/wells";
import { tickCard } from "../log/logEdits";
import { additionsText } from "./additionsText";
import { batchWarning } from "./BatchLine";
import {
  changeReference,
  changeTarget,
  withoutReference,
  withoutTarget,
  withReference,
  withTargets,
} from "./targetEdits";
import { largestBatch } from "./useArea";
import { changeWell, withoutWell, withWell } from "./wellEdits";

const job = ferrySergeant();
const cards = cardsOf(job, demoShelf, defaultPainter);
const empty = (id: string): Well => ({
  id,
  name: "Well",
  mixId: "straw",
  added: [],
  content: [],
  waterUl: 0,
});
const target = { name: "Cloth", colour: "#446688", share: null, referenceId: null };
const picture = { name: "Cloth", pictureId: "a".repeat(64), width: 30, height: 20, neutral: null };

describe("targets", () => {
  it("get free ids, keep their order, are changed and dropped one by one", () => {
    const more = withTargets(job, [target, { ...target, colour: "#112233" }]);
    expect(more.targets).toHaveLength(job.targets.length + 2);
    expect(new Set(more.targets.map((one) => one.id)).size).toBe(more.targets.length);
    const [a, b] = more.targets.slice(-2);
    const changed = changeTarget(more, b!.id, { name: "Line" });
    expect(changed.targets.at(-1)!.name).toBe("Line");
    expect(changed.targets.at(-2)).toEqual(a);
    const dropped = withoutTarget(changed, a!.id);
    expect(withTargets(dropped, [target]).targets.at(-1)!.id).toBe(a!.id);
    expect(parseJob(changed)).toEqual(changed);
  });

  it("never get more than a job can hold", () => {
    const many = withTargets(
      job,
      Array.from({ length: 400 }, () => target),
    );
    expect(many.targets).toHaveLength(200);
    expect(parseJob(many)).toEqual(many);
  });

  it("outlive the picture they were taken from", () => {
    const one = withReference(job, picture);
    const id = one.references[0]!.id;
    const taken = withTargets(one, [{ ...target, referenceId: id }]);
    expect(changeReference(taken, id, { neutral: [1, 1.1, 0.9] }).references[0]!.neutral).toEqual([
      1, 1.1, 0.9,
    ]);
    const gone = withoutReference(taken, id);
    expect(gone.references).toEqual([]);
    expect(gone.targets.at(-1)).toMatchObject({ colour: "#446688", referenceId: null });
    expect(withReference(withReference(job, picture), picture).references.map((each) => each.id)).toEqual([
      "picture-1",
      "picture-2",
    ]);
  });
});

describe("wells of a job", () => {
  const sizes = { paints: demoShelf, waterDropUl: 50 };

  it("come under free ids and go without touching others", () => {
    const two = withWell(withWell(job, empty), empty);
    expect(two.wells.map((well) => well.id)).toEqual(["well-1", "well-2"]);
    const filled = changeWell(two, "well-2", (well) => withDrops(well, "paint-straw", 2, sizes));
    expect(filled.wells[0]!.added).toEqual([]);
    expect(filled.wells[1]!.added).toEqual([{ paintId: "paint-straw", drops: 2 }]);
    expect(withoutWell(filled, "well-1").wells.map((well) => well.id)).toEqual(["well-2"]);
    expect(parseJob(filled)).toEqual(filled);
  });

  it("give the log what was really mixed, from the newest well of the mix", () => {
    const card = cards.find((one) => one.coat.mixId === "straw")!;
    expect(tickCard(job, card).log[0]!.recipe).toBeNull();
    const first = withWell(job, (id) => withDrops(empty(id), "paint-straw", 3, sizes));
    const second = withWell(first, (id) =>
      withDrops(withDrops(empty(id), "paint-shell", 1, sizes), null, 2, sizes),
    );
    expect(tickCard(second, card).log[0]!.recipe).toEqual([
      { paintId: "paint-shell", drops: 1 },
      { paintId: null, drops: 2 },
    ]);
    const other = cards.find((one) => one.coat.mixId === "rust")!;
    expect(tickCard(second, other).log[0]!.recipe).toBeNull();
  });

  it("tell their drops in words", () => {
    const text = additionsText(
      [
        { paintId: "paint-straw", drops: 1 },
        { paintId: null, drops: 3 },
        { paintId: "paint-gone", drops: 2 },
      ],
      demoShelf,
    );
    expect(text).toBe("1 drop Straw, 3 drops water, 2 drops missing pot");
  });
});

describe("drops for the area at hand", () => {
  it("are those of the coat that needs most", () => {
    const mix = job.mixes.find((one) => one.id === "deep-tarn")!;
    const area = largestBatch(job, cards, mix)!;
    const needs = cards.filter((card) => card.coat.mixId === mix.id).map((card) => card.batch!.neededUl);
    expect(area.batch.neededUl).toBe(Math.max(...needs));
    expect(largestBatch(job, cards, { ...mix, id: "unused" })).toBeNull();
  });

  it("say what is wrong with them, and name the next batch that is right", () => {
    const { batch } = largestBatch(job, cards, job.mixes[0]!)!;
    expect(batchWarning({ ...batch, warning: null }, 1)).toBeNull();
    expect(batchWarning({ ...batch, surplus: 7, warning: { why: "too small", next: null } }, 1)).toContain(
      "7 times what is needed",
    );
    const off = { why: "water off", next: { times: 3, batchUl: 410, waterDrops: 5 } } as const;
    const text = batchWarning({ ...batch, realWater: 0.5, warning: off }, 1)!;
    expect(text).toContain("½ : 1 instead of 1 : 1");
    expect(text).toContain("410\u202fµl, 3 times the parts with 5 drops of water");
  });
});
