// @vitest-environment jsdom
import { server } from "../testing/server";
import { beforeEach, describe, expect, it } from "vitest";
import { NO_HISTORY, type Well } from "../../core/job";
import { defaultPainter } from "../../core/painter";
import { cardsOf } from "../../core/plan/cards";
import { ferrySergeant } from "../../data/demo/ferrySergeant";
import { demoShelf } from "../../data/demo/shelf";
import { openJob } from "../testing/open";
import {
  beginWell,
  changeEntry,
  changeWell,
  forgetLast,
  openHistory,
  takeBack,
  tickCard,
  untickCard,
  useHistoryStore,
  washOut,
} from "./historyStore";
import { useJobStore } from "./jobStore";

const job = ferrySergeant();
const cards = cardsOf(job, demoShelf, defaultPainter);
const state = () => useHistoryStore.getState();
const make = (id: string): Well => ({
  id,
  name: "Straw",
  mixId: "straw",
  added: [],
  content: [],
  waterUl: 0,
});
const drops = {
  added: [{ paintId: "paint-straw", drops: 2 }],
  content: [{ paintId: "paint-straw", ul: 80 }],
};

beforeEach(() => {
  server.down = true;
  openJob(job);
});

describe("the history of the open job", () => {
  it("takes the drops of the newest well of a card's mix into the log", () => {
    changeWell({ ...beginWell(make), ...drops });
    tickCard(cards.find(({ coat }) => coat.mixId === "straw")!);
    tickCard(cards.find(({ coat }) => coat.mixId === "rust")!);
    expect(state().history.log.map(({ recipe }) => recipe)).toEqual([drops.added, null]);
  });

  it("takes the newest entry of a card off, and leaves the earlier ones", () => {
    tickCard(cards[0]!);
    const first = state().history.log[0]!;
    tickCard(cards[0]!);
    untickCard(cards[0]!);
    expect(state().history.log).toEqual([first]);
    untickCard({ id: "coat-none" });
    expect(state().history.log).toEqual([first]);
  });

  it("takes back what was done last, whatever it was, once", () => {
    const well = beginWell(make);
    expect(state().last).toBeNull();
    changeWell({ ...well, ...drops }, "2 drops went in.");
    expect(state().last?.words).toBe("2 drops went in.");
    takeBack();
    expect(state().history.wells).toEqual([well]);
    takeBack();
    expect(state().history.wells).toEqual([well]);
    washOut(well);
    expect(state().history.wells).toEqual([]);
    takeBack();
    expect(state().history.wells).toEqual([well]);
    washOut(well);
    forgetLast();
    takeBack();
    expect(state().history.wells).toEqual([]);
  });

  it("keeps what the server has not heard yet on top of what it knows", () => {
    tickCard(cards[0]!);
    const entry = state().history.log[0]!;
    changeEntry(entry, { minutes: 12, note: "Ran dry" });
    openHistory(job.id, NO_HISTORY);
    expect(state().history.log).toEqual([{ ...entry, minutes: 12, note: "Ran dry" }]);
    expect(state().sent.waiting).toBe(1);
    const known = { ...entry, id: "entry-other" };
    untickCard(cards[0]!);
    openHistory(job.id, { log: [known, entry], wells: [], sittings: [] });
    expect(state().history.log).toEqual([known]);
  });

  it("of one job never goes to another", () => {
    tickCard(cards[0]!);
    openHistory("reed-scout", NO_HISTORY);
    expect(state()).toMatchObject({ jobId: "reed-scout", history: NO_HISTORY, last: null });
    openHistory(job.id, NO_HISTORY);
    expect(state().history.log).toHaveLength(1);
  });

  it("keeps the mix of a well that a pattern's edit would sweep away", () => {
    const own = { ...job.mixes[0]!, id: "coat-skirt-own", name: "Own" };
    const glazed = (glazeMixId: string) => (now: typeof job) => ({
      ...now,
      surfaces: now.surfaces.map((surface) => ({
        ...surface,
        pattern: { ...surface.pattern!, params: { ...(surface.pattern!.params as object), glazeMixId } },
      })),
    });
    const has = () => useJobStore.getState().job!.mixes.some(({ id }) => id === own.id);
    const { edit } = useJobStore.getState();
    edit((now) => glazed(own.id)({ ...now, mixes: [...now.mixes, own] }));
    edit(glazed("fold-glaze"));
    expect(has()).toBe(false);
    edit((now) => glazed(own.id)({ ...now, mixes: [...now.mixes, own] }));
    beginWell((id) => ({ ...make(id), mixId: own.id }));
    edit(glazed("fold-glaze"));
    expect(has()).toBe(true);
  });
});
