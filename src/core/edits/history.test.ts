import { describe, expect, it } from "vitest";
import { ferrySergeant } from "../../data/demo/ferrySergeant";
import { demoShelf } from "../../data/demo/shelf";
import { NO_HISTORY, type Well } from "../job";
import { defaultPainter } from "../painter";
import { cardsOf } from "../plan/cards";
import { NO_WORK } from "../plan/pace";
import { withDrops } from "../plan/wells";
import { entriesOf, entryFor, freeWellId, withItem } from "./history";

const job = ferrySergeant();
const cards = cardsOf(job, demoShelf, defaultPainter);
const sizes = { paints: demoShelf, waterDropUl: 50 };
const MADE = { id: "entry-1", at: "2026-05-01T09:30:00.000Z" };

const empty = (id: string, mixId = "straw"): Well => ({
  ...{ id, mixId, name: "Well", added: [], content: [], waterUl: 0 },
});

describe("an entry of the log", () => {
  it("names its card and time, without minutes or note", () => {
    expect(entryFor(cards[2]!, NO_HISTORY, MADE)).toEqual({
      ...{ id: "entry-1", doneAt: MADE.at, cardId: cards[2]!.id, cardTitle: "Straw boxes" },
      ...{ minutes: null, note: "", recipe: null },
      planned: {
        ...{ mix: "Straw", water: 1, passes: 2, figures: 1, minutes: cards[2]!.handMinutes },
        parts: job.mixes.find(({ id }) => id === "straw")!.parts,
        form: job.surfaces[0]!.form,
        technique: cards[2]!.coat.technique.id,
        // What it asked of the hand, whatever the pace: each box in both passes, made ready once.
        work: { ...NO_WORK, setUps: 1, boxes: 2 * cards[2]!.work.strokes },
        touchDry: cards[2]!.drying.touchDry,
        thinnedUl: cards[2]!.needs[0]!.paintUl * 2,
      },
    });
  });

  it("tells of a part of its card what that part asked for", () => {
    const figures = job.figures.map((figure) => ({ ...figure, count: 5 }));
    const card = cardsOf({ ...job, figures }, demoShelf, {
      ...defaultPainter,
      dryingTimes: 2,
      waterTimes: 1.5,
    })[2]!;
    const part = { figures: [1, 4], pass: 2, minutes: 8, setUps: 0.5 };
    const { planned } = entryFor(card, NO_HISTORY, MADE, part);
    expect(planned!.work).toEqual({ ...NO_WORK, setUps: 0.5, handlings: 2, boxes: 2 * card.work.strokes });
    expect(planned!.thinnedUl).toBeCloseTo((card.needs[0]!.paintUl * 2.5) / 5, 9);
    // What is learned is told against what is computed, not against what was learned before.
    expect(planned!.touchDry).toBeCloseTo(card.drying.touchDry / 2, 9);
    expect([planned!.water, card.water]).toEqual([1, 1.5]);
    expect(planned!.minutes).toBe(8);
  });

  it("keeps the plan as it stood: what is planned since changes nothing of it", () => {
    const { planned } = entryFor(cards[2]!, NO_HISTORY, MADE);
    const figures = job.figures.map((figure) => ({ ...figure, count: 5 }));
    const later = cardsOf({ ...job, figures }, demoShelf, defaultPainter)[2]!;
    expect(later.handMinutes).toBeGreaterThan(planned!.minutes * 3);
    expect(entryFor(later, NO_HISTORY, MADE).planned).toMatchObject({
      figures: 5,
      minutes: later.handMinutes,
    });
    expect(planned).toMatchObject({ figures: 1, minutes: cards[2]!.handMinutes });
  });

  it("keeps what was really mixed, from the newest well of the mix that has drops in it", () => {
    const card = cards.find((one) => one.coat.mixId === "straw")!;
    const first = withDrops(empty("well-1"), "paint-straw", 3, sizes);
    const second = withDrops(withDrops(empty("well-2"), "paint-shell", 1, sizes), null, 2, sizes);
    const wells = [first, second, empty("well-3")];
    expect(entryFor(card, { ...NO_HISTORY, wells }, MADE).recipe).toEqual([
      { paintId: "paint-shell", drops: 1 },
      { paintId: null, drops: 2 },
    ]);
    const other = cards.find((one) => one.coat.mixId === "rust")!;
    expect(entryFor(other, { ...NO_HISTORY, wells }, MADE).recipe).toBeNull();
  });

  it("is found by its card, as often as the card was painted", () => {
    const log = ["a", "b", "c"].map((id, at) => entryFor(cards[at % 2]!, NO_HISTORY, { ...MADE, id }));
    expect(entriesOf({ log }, cards[0]!.id).map((entry) => entry.id)).toEqual(["a", "c"]);
  });
});

describe("a list of what happened", () => {
  it("takes new things at its end and changes known ones where they are", () => {
    const list = withItem(withItem([], empty("well-1")), empty("well-2"));
    expect(list.map((well) => well.id)).toEqual(["well-1", "well-2"]);
    const changed = withItem(list, { ...list[0]!, name: "Straw" });
    expect(changed.map((well) => well.name)).toEqual(["Straw", "Well"]);
  });

  it("gives out ids that nothing has", () => {
    expect(freeWellId([])).toBe("well-1");
    expect(freeWellId([empty("well-2")])).toBe("well-3");
    expect(freeWellId([empty("well-3"), empty("well-1")])).toBe("well-4");
  });
});
