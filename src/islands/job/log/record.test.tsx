import { server } from "../../testing/server";
import { FakeWorker } from "../../testing/worker";
import { act, screen, waitFor, within } from "@testing-library/react";
import { beforeEach, describe, expect, it } from "vitest";
import { entryFor } from "../../../core/edits/history";
import { NO_HISTORY, type LogEntry, type Sitting } from "../../../core/job";
import { defaultPainter } from "../../../core/painter";
import { cardsOf } from "../../../core/plan/cards";
import { ferrySergeant } from "../../../data/demo/ferrySergeant";
import { demoShelf } from "../../../data/demo/shelf";
import { openJob, overtype, show } from "../../testing/open";
import { beginSitting, endSitting, useHistoryStore } from "../historyStore";
import { PracticeCard } from "../bench/PracticeCard";
import { useJudged } from "../useJudged";
import { LogStage } from "./LogStage";

const job = ferrySergeant();
const cards = cardsOf(job, demoShelf, defaultPainter);
const history = () => useHistoryStore.getState().history;
const time = (text: string) => `2026-05-01T${text}:00.000Z`;

const entry = (at: number, doneAt: string, told: Partial<LogEntry> = {}): LogEntry => ({
  ...entryFor(cards[at]!, NO_HISTORY, { id: `entry-${at}`, at: doneAt }),
  ...told,
});
const sitting: Sitting = { id: "sitting-1", startedAt: time("17:00"), endedAt: time("19:00"), note: "" };

function open(log: readonly LogEntry[] = [], sittings: readonly Sitting[] = []) {
  openJob(job, { log, wells: [], sittings });
  useJudged.setState({ cards, jobId: job.id, settled: true });
  return show(<LogStage />);
}

/** Answers what each coat is to look like. */
async function expectColours(lab: readonly [number, number, number]): Promise<void> {
  await waitFor(() => expect(FakeWorker.of("expected").length).toBeGreaterThan(0));
  const { id, worker } = FakeWorker.of("expected").at(-1)!;
  const value = Object.fromEntries(cards.map((card) => [card.id, { lab, under: lab, um: 18 }]));
  act(() => worker.tell({ kind: "answer", id, value }));
}

beforeEach(() => {
  server.down = true;
});

describe("how a card really went", () => {
  it("takes minutes by the clock of the sitting, and keeps what is noted", async () => {
    const { user } = open([entry(0, time("17:12"))], [sitting]);
    await user.click(screen.getByRole("button", { name: /^12\smin by the clock: take it$/ }));
    expect(history().log[0]!.minutes).toBe(12);
    await user.click(screen.getByRole("button", { name: "How it went" }));
    const told = {
      "Touch dry after, min": "14",
      "Water to 1 of paint": "1,5",
      "Brush-loads": "9",
      Brush: "Old",
    };
    for (const [label, text] of Object.entries(told)) {
      await overtype(user, screen.getByLabelText(label), text);
      await user.tab();
    }
    expect(history().log[0]).toMatchObject({ dryAfter: 14, water: 1.5, loads: 9, brush: "Old" });
    await overtype(user, screen.getByLabelText("Brush-loads"), "2.5");
    await user.tab();
    expect(screen.getByText("A whole number, 1 to 100 000.")).toBeVisible();
    expect(screen.getByLabelText("Brush-loads")).toHaveValue("2.5");
    expect(history().log[0]!.loads).toBe(9);
    await user.clear(screen.getByLabelText("Touch dry after, min"));
    await user.tab();
    expect(history().log[0]).not.toHaveProperty("dryAfter");
    await user.click(screen.getByRole("button", { name: "How it went" }));
    expect(screen.getByText(/^How it went: thinned 1½ : 1, 9 brush-loads, Old$/)).toBeVisible();
  });

  it("takes a typed reading in, tells how it departs from the plan, and takes it off again", async () => {
    const { user } = open([entry(0, time("17:12"))]);
    await user.click(screen.getByRole("button", { name: "How it went" }));
    expect(screen.getByText(/is being worked out/)).toBeVisible();
    await expectColours([50, 0, 0]);
    await user.click(screen.getByRole("button", { name: "Type a reading" }));
    await overtype(user, screen.getByLabelText("L*"), "43");
    await user.click(screen.getByRole("button", { name: "Note it" }));
    expect(history().log[0]!.readings).toMatchObject([{ by: "typed", l: 43, a: 0, b: 0 }]);
    expect(
      screen.getByText(/^Read: L\*a\*b\* 43\.0, 0\.0, 0\.0, darker \(CIEDE2000 [67]\.\d\); typed$/),
    ).toBeVisible();
    await user.click(screen.getByRole("button", { name: "Take reading 1 off" }));
    expect(history().log[0]).not.toHaveProperty("readings");
  });

  it("reads by the simulated reader, which says what it is and wants its white tile first", async () => {
    const { user } = open([entry(0, time("17:12"))]);
    await user.click(screen.getByRole("button", { name: "How it went" }));
    await expectColours([50, 0, 0]);
    const read = () => screen.getByRole("button", { name: /^Read the dry paint/ });
    expect(read()).toBeDisabled();
    // It fails now and then, as a real one does.
    for (let tries = 0; tries < 12 && history().log[0]!.readings === undefined; tries++) {
      const tile = screen.getByRole("button", { name: "Simulated reader: see its white tile" });
      await user.click(read().hasAttribute("disabled") ? tile : read());
      await waitFor(() => expect(tile).toBeEnabled());
    }
    expect(history().log[0]!.readings![0]).toMatchObject({ by: "simulated reader" });
    expect(Math.abs(history().log[0]!.readings![0]!.l - 50)).toBeLessThan(9);
  });
});

describe("sittings", () => {
  it("tell how long they lasted and what was painted, and their times are corrected", async () => {
    const { user } = open([entry(0, time("17:12")), entry(1, time("21:00"))], [sitting]);
    await user.click(screen.getByRole("tab", { name: "Sittings" }));
    expect(screen.getByText(/^Sitting 1: 2\sh, 1 entry\b/)).toBeVisible();
    const ended = screen.getByLabelText("Ended");
    await overtype(user, ended, "2026-04-30T10:00");
    expect(screen.getByText("It must end after it began.")).toBeVisible();
    expect(history().sittings[0]).toEqual(sitting);
    await overtype(user, screen.getByLabelText("Note on the sitting"), "Lamp low.");
    await user.tab();
    expect(history().sittings[0]!.note).toBe("Lamp low.");
    await user.click(screen.getByRole("button", { name: "Remove" }));
    expect(history().sittings).toEqual([]);
    await user.click(screen.getByRole("button", { name: "Begin a sitting now" }));
    await user.click(screen.getByRole("button", { name: "End it now" }));
    // Nothing was painted in it.
    expect(history().sittings).toEqual([]);
  });

  it("end where something happened last, when they were forgotten", () => {
    const forgotten = { ...sitting, endedAt: null };
    open([entry(0, time("17:12"))], [forgotten]);
    act(beginSitting);
    expect(history().sittings[0]).toEqual({ ...sitting, endedAt: time("17:12") });
    expect(history().sittings).toHaveLength(2);
    act(beginSitting);
    expect(history().sittings).toHaveLength(2);
    act(endSitting);
    expect(history().sittings).toHaveLength(1);
  });
});

describe("planned and real", () => {
  it("stand side by side: minutes, paint and colours", async () => {
    const recipe = [{ paintId: "paint-straw", drops: 4 }];
    const readings = [{ at: time("20:00"), by: "typed" as const, l: 43, a: 0, b: 0 }];
    const log = [entry(0, time("17:12"), { minutes: 22, recipe }), entry(1, time("17:40"), { readings })];
    const { user } = open(log);
    await user.click(screen.getByRole("tab", { name: "Planned and real" }));
    expect(
      screen.getByRole("img", {
        name: /^Minutes by technique\. 22\smin taken for \d+\smin planned, 1 entry/,
      }),
    ).toBeVisible();
    expect(screen.getByRole("img", { name: /^Paint by pot/ })).toBeVisible();
    await expectColours([50, 0, 0]);
    const colour = within(screen.getAllByRole("listitem").at(-1)!);
    expect(colour.getByText(cards[1]!.title)).toBeVisible();
    expect(colour.getByText(/^darker, CIEDE2000 [67]\.\d$/)).toBeVisible();
  });

  it("say what is missing while nothing is noted", async () => {
    const { user } = open();
    await user.click(screen.getByRole("tab", { name: "Planned and real" }));
    expect(screen.getByText(/^Note how many minutes a card took/)).toBeVisible();
    expect(screen.getByText(/^Mix in a well on the palette/)).toBeVisible();
    expect(screen.getByText(/^Readings of the dry paint are noted/)).toBeVisible();
  });

  it("names the one thing to practise, and puts a card for it on the bench", async () => {
    const planned = entryFor(cards[0]!, NO_HISTORY, { id: "x", at: time("17:10") }).planned!;
    const slow = (at: number): LogEntry => ({
      ...entry(0, time("17:12"), { minutes: planned.minutes + 4 }),
      id: `slow-${at}`,
    });
    const { user } = open([slow(1), slow(2), slow(3)]);
    await user.click(screen.getByRole("tab", { name: "Planned and real" }));
    const section = within(screen.getByRole("region", { name: "One thing to practise" }));
    expect(section.getByText(/^3 cards of it took 12\smin more than planned\. /)).toBeVisible();
    await user.click(section.getByRole("button", { name: "Put a practice card on the bench" }));
    show(<PracticeCard />);
    const card = within(screen.getByRole("region", { name: "Practice card" }));
    await user.click(card.getByRole("button", { name: "Done with it" }));
    expect(screen.queryByRole("region", { name: "Practice card" })).toBeNull();
    expect(section.getByRole("button", { name: "Put a practice card on the bench" })).toBeVisible();
  });
});
