import { describe, expect, it } from "vitest";
import { ferrySergeant } from "../../../data/demo/ferrySergeant";
import { demoShelf } from "../../../data/demo/shelf";
import { parseJob } from "../../../core/formats/job-json/jobSchema";
import { defaultPainter } from "../../../core/painter";
import { cardsOf } from "../../../core/plan/cards";
import { additionsText } from "./additionsText";
import { batchWarning } from "./BatchLine";
import {
  changeReference,
  changeGoal,
  withoutReference,
  withoutGoal,
  withReference,
  withGoals,
} from "./goalEdits";
import { largestBatch } from "./useArea";

const job = ferrySergeant();
const cards = cardsOf(job, demoShelf, defaultPainter);
const goal = { name: "Cloth", colour: "#446688", share: null, referenceId: null };
const picture = { name: "Cloth", pictureId: "a".repeat(64), width: 30, height: 20, neutral: null };

describe("goals", () => {
  it("get free ids, keep their order, are changed and dropped one by one", () => {
    const more = withGoals(job, [goal, { ...goal, colour: "#112233" }]);
    expect(more.goals).toHaveLength(job.goals.length + 2);
    expect(new Set(more.goals.map((one) => one.id)).size).toBe(more.goals.length);
    const [a, b] = more.goals.slice(-2);
    const changed = changeGoal(more, b!.id, { name: "Line" });
    expect(changed.goals.at(-1)!.name).toBe("Line");
    expect(changed.goals.at(-2)).toEqual(a);
    const dropped = withoutGoal(changed, a!.id);
    expect(withGoals(dropped, [goal]).goals.at(-1)!.id).toBe(a!.id);
    expect(parseJob(changed)).toEqual(changed);
  });

  it("never get more than a job can hold", () => {
    const many = withGoals(
      job,
      Array.from({ length: 400 }, () => goal),
    );
    expect(many.goals).toHaveLength(200);
    expect(parseJob(many)).toEqual(many);
  });

  it("outlive the picture they were taken from", () => {
    const one = withReference(job, picture);
    const id = one.references[0]!.id;
    const taken = withGoals(one, [{ ...goal, referenceId: id }]);
    expect(changeReference(taken, id, { neutral: [1, 1.1, 0.9] }).references[0]!.neutral).toEqual([
      1, 1.1, 0.9,
    ]);
    const gone = withoutReference(taken, id);
    expect(gone.references).toEqual([]);
    expect(gone.goals.at(-1)).toMatchObject({ colour: "#446688", referenceId: null });
    expect(withReference(withReference(job, picture), picture).references.map((each) => each.id)).toEqual([
      "picture-1",
      "picture-2",
    ]);
  });
});

describe("drops of a well", () => {
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
