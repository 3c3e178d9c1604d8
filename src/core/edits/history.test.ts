import { describe, expect, it } from "vitest";
import { ferrySergeant } from "../../data/demo/ferrySergeant";
import { demoShelf } from "../../data/demo/shelf";
import { NO_HISTORY, type Well } from "../job";
import { defaultPainter } from "../painter";
import { cardsOf } from "../plan/cards";
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
      },
    });
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
    expect(entryFor(card, { log: [], wells }, MADE).recipe).toEqual([
      { paintId: "paint-shell", drops: 1 },
      { paintId: null, drops: 2 },
    ]);
    const other = cards.find((one) => one.coat.mixId === "rust")!;
    expect(entryFor(other, { log: [], wells }, MADE).recipe).toBeNull();
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
