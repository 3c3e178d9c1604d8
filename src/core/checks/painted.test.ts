import { describe, expect, it } from "vitest";
import { ferrySergeant } from "../../data/demo/ferrySergeant";
import { demoShelf } from "../../data/demo/shelf";
import type { Job, LogEntry, Paint } from "../job";
import { applyRemedy } from "./applyRemedy";
import { checkJob } from ".";
import { paintedCards, sizeChanges, type PaintedCard } from "./painted";

const demo = ferrySergeant();
const skirt = demo.surfaces[0]!;
const cardOf = (role: string) => `${skirt.id}/${skirt.coats.find((coat) => coat.role === role)!.id}`;
const painted = (role: string): PaintedCard => ({ cardId: cardOf(role), form: skirt.form });
const ids = (job: Job, paints: readonly Paint[], done: readonly PaintedCard[]) =>
  checkJob(job, paints, done).map(({ id }) => id);

const withHem = (hemMm: number): Job => ({
  ...demo,
  surfaces: demo.surfaces.map((surface) =>
    surface.id === skirt.id
      ? { ...surface, form: { ...surface.form, params: { ...surface.form.params, hemMm } } }
      : surface,
  ),
});

describe("findings on a job that is half painted", () => {
  const used = demoShelf.map((paint): Paint => (paint.name === "Straw" ? { ...paint, state: "out" } : paint));
  const straw = skirt.coats.filter(
    (coat) => demo.mixes.find(({ id }) => id === coat.mixId)!.name === "Straw",
  );

  it("say nothing of a coat that is done, though its pot is used up since", () => {
    const lacking = straw.map(({ id }) => `${skirt.id}/pots/${id}`);
    expect(ids(demo, used, [])).toEqual(expect.arrayContaining(lacking));
    const done = straw.map(({ id }) => ({ cardId: `${skirt.id}/${id}`, form: skirt.form }));
    for (const id of lacking) expect(ids(demo, used, done)).not.toContain(id);
    expect(ids(demo, used, done.slice(1))).toContain(lacking[0]);
  });

  it("do not ask for painted coats to be painted otherwise", () => {
    const thin = {
      ...demo,
      surfaces: [{ ...skirt, coats: skirt.coats.map((coat) => ({ ...coat, water: 6 })) }],
    };
    const found = checkJob(thin, demoShelf).filter(({ remedies }) =>
      remedies.some(({ changes }) => changes.some(({ path }) => path.includes("coats"))),
    );
    expect(found.length).toBeGreaterThan(0);
    const changed = (finding: (typeof found)[number]) =>
      finding.remedies.flatMap(({ changes }) => changes.flatMap(({ path }) => path[3] ?? []));
    const done = skirt.coats.slice(0, 4).map(({ id }) => ({ cardId: `${skirt.id}/${id}`, form: skirt.form }));
    for (const finding of checkJob(thin, demoShelf, done))
      for (const id of changed(finding))
        expect(done.map(({ cardId }) => cardId)).not.toContain(`${skirt.id}/${id}`);
  });
});

describe("sizes changed after coats were painted", () => {
  it("are said, with what they were and are, and one click brings them back", () => {
    const job = withHem(61.5);
    const [finding] = sizeChanges(job, [painted("base")]);
    expect(finding).toMatchObject({ surfaceId: skirt.id, gravity: "look" });
    expect(finding!.sentence).toBe(
      "1 coat of Coat skirt was painted at other sizes: Round the hem 58 mm then, 61.50 mm now.",
    );
    const mended = applyRemedy(job, finding!.remedies[0]!);
    expect(mended.surfaces[0]!.form).toEqual(skirt.form);
    expect(sizeChanges(mended, [painted("base")])).toEqual([]);
    expect(ids(job, demoShelf, [painted("base")])).toContain(finding!.id);
  });

  it("are no matter where nothing is painted, nothing is left, or the sizes then were not kept", () => {
    const job = withHem(61.5);
    expect(sizeChanges(job, [])).toEqual([]);
    expect(sizeChanges(job, [{ cardId: cardOf("base"), form: null }])).toEqual([]);
    const all = skirt.coats.map(({ id }) => ({ cardId: `${skirt.id}/${id}`, form: skirt.form }));
    expect(sizeChanges(job, all)).toEqual([]);
    expect(sizeChanges(demo, all.slice(0, 3))).toEqual([]);
  });

  it("go by the newest entry of a card", () => {
    const entry = (at: string, hemMm: number): LogEntry => ({
      ...{
        id: at,
        cardId: cardOf("base"),
        cardTitle: "Base",
        doneAt: at,
        minutes: null,
        note: "",
        recipe: null,
      },
      planned: {
        ...{ mix: "Base", parts: [], water: 1, passes: 2, minutes: 5, figures: 1 },
        form: { ...skirt.form, params: { ...skirt.form.params, hemMm } },
      },
    });
    const log = [entry("2026-05-01T09:30:00Z", 50), entry("2026-05-02T09:30:00Z", 58)];
    expect(paintedCards(log)).toHaveLength(1);
    expect(sizeChanges(demo, paintedCards(log))).toEqual([]);
    expect(sizeChanges(demo, paintedCards([log[1]!, log[0]!]))).toHaveLength(1);
  });
});
