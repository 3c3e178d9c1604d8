import { server } from "../../testing/server";
import { FakeWorker } from "../../testing/worker";
import { act, screen, waitFor, within } from "@testing-library/react";
import { beforeEach, describe, expect, it, vi } from "vitest";
import { MOST_COATS, type Job } from "../../../core/job";
import { defaultPainter } from "../../../core/painter";
import { cardsOf, totalsOf } from "../../../core/plan/cards";
import { formatMinutes } from "../../../core/units";
import { wholeSergeant } from "../../../data/demo/company";
import { demoShelf } from "../../../data/demo/shelf";
import { job, look, openJob, show } from "../../testing/open";
import { useHistoryStore } from "../historyStore";
import { useJudged } from "../useJudged";
import { useView } from "../viewStore";
import { BenchStage } from "./BenchStage";

const sergeant = wholeSergeant();
const log = () => useHistoryStore.getState().history.log.map(({ cardTitle }) => cardTitle);

function open(job: Job = sergeant) {
  openJob(job);
  const cards = cardsOf(job, demoShelf, defaultPainter);
  useJudged.setState({ cards, jobId: job.id, settled: true });
  return { cards, ...show(<BenchStage />) };
}

/** Files handed to the browser to be saved, by name. */
const saved: string[] = [];

beforeEach(() => {
  server.down = true;
  saved.length = 0;
  URL.createObjectURL = () => "blob:saved";
  URL.revokeObjectURL = () => undefined;
  vi.spyOn(HTMLAnchorElement.prototype, "click").mockImplementation(function click(this: HTMLAnchorElement) {
    saved.push(this.download);
  });
});

describe("the bench", () => {
  it("shows the first card that is not done, with what to mix, where to look and what to mind", () => {
    const { cards } = open();
    const card = within(screen.getByRole("article", { name: `Card 1, ${cards[0]!.title}` }));
    expect(card.getByText("Drops")).toBeVisible();
    for (const line of cards[0]!.lookAt) expect(card.getByText(line)).toBeVisible();
    expect(screen.getByText("Caution")).toBeVisible();
    expect(
      screen.getByText(formatMinutes(totalsOf(cards).handMinutes).replaceAll("\u202f", " ")),
    ).toBeVisible();
  });

  it("ticks cards off one after another, takes one back, and goes on to the next", async () => {
    const { user, cards } = open();
    await user.click(screen.getByRole("button", { name: "Done" }));
    expect(log()).toEqual([cards[0]!.title]);
    // The next pass has come up by itself, then the next open card.
    const second = screen.getByRole("article", { name: `Card 2, ${cards[0]!.title}` });
    expect(within(second).getByText(/ · pass 2 of 2$/)).toBeVisible();
    await user.click(screen.getByRole("button", { name: "Done" }));
    expect(log()).toEqual([cards[0]!.title, cards[0]!.title]);
    expect(screen.getByRole("article", { name: `Card 3, ${cards[1]!.title}` })).toBeVisible();
    const ticked = useHistoryStore.getState().history.log;
    expect(ticked.map(({ pass }) => pass)).toEqual([1, 2]);
    for (const entry of ticked) {
      look({ cardId: entry.id });
      await user.click(screen.getByRole("button", { name: "Done: take it back" }));
      expect(useHistoryStore.getState().history.log).not.toContainEqual(entry);
    }
    expect(log()).toEqual([]);
    look({ cardId: `${cards[0]!.id}#2` });
    await user.click(screen.getByRole("button", { name: "Next card" }));
    expect(useView.getState()).toMatchObject({ cardId: cards[1]!.id, surfaceId: cards[1]!.surface.id });
  });

  it("ends at the last card", async () => {
    const { user, cards } = open();
    const last = cards.at(-1)!;
    const list = within(screen.getAllByRole("list")[0]!);
    await user.click(list.getAllByRole("button").at(-1)!);
    const count = cards.reduce((sum, { coat }) => sum + coat.passes, 0);
    expect(screen.getByRole("article", { name: `Card ${count}, ${last.title}` })).toBeVisible();
    expect(useView.getState().surfaceId).toBe(last.surface.id);
    expect(screen.getByRole("button", { name: "Next card" })).toBeDisabled();
  });

  it("says why there is nothing to paint", () => {
    const held = sergeant.surfaces.map((surface) => ({
      ...surface,
      coats: surface.coats.map((coat) => ({ ...coat, held: true })),
    }));
    open({ ...sergeant, surfaces: held });
    expect(screen.getByText(/^No cards: every coat is held back/)).toBeVisible();
  });
});

describe("where a painter may stop", () => {
  it("is told on its card and in the list, with what each card adds, once that is worked out", () => {
    const { cards } = open();
    expect(screen.getByText("being worked out")).toBeVisible();
    const { id, worker } = FakeWorker.of("adding").at(-1)!;
    const own = cards.filter(({ surface }) => surface.id === "coat-skirt");
    const adds = own.map(({ coat }, at) => ({
      ...{ coatId: coat.id, adds: 4, left: at < 3 ? 9 : 0.5, furthest: 1 },
    }));
    act(() => worker.tell({ kind: "part", id, value: { "coat-skirt": adds } }));
    expect(screen.getByText(/^4\.0 \(CIEDE2000, mean\), [\d.]+ a minute$/)).toBeVisible();
    expect(screen.getByText("may stop for display")).toBeVisible();
    look({ cardId: own[3]!.id });
    expect(screen.getByText(/^You may stop here for display: \d+ cards more on this surface/)).toBeVisible();
  });
});

describe("putting a figure together", () => {
  it("tells what is painted before, and ends every part with one dry brush, which goes again", async () => {
    const { user } = open();
    const part = screen.getByRole("group", { name: "Putting it together" });
    await waitFor(() => expect(FakeWorker.of("closedOff")).toHaveLength(1));
    const { id, worker } = FakeWorker.of("closedOff")[0]!;
    act(() => worker.tell({ kind: "answer", id, value: [{ surfaceId: "satchel", share: 0.23 }] }));
    expect(part).toHaveTextContent(/Satchel: 23\s%/);
    await user.click(within(part).getByRole("button", { name: "Dry brush over all parts" }));
    const count = (of: Job) => of.surfaces.reduce((sum, { coats }) => sum + coats.length, 0);
    expect(count(job())).toBe(count(sergeant) + sergeant.surfaces.length);
    await user.click(within(part).getByRole("button", { name: "Take that dry brush off" }));
    expect(job().surfaces).toEqual(sergeant.surfaces);
  });

  it("lays nothing where a part has as many coats as it can have, and says which", async () => {
    const [first, ...others] = sergeant.surfaces;
    const coats = Array.from({ length: MOST_COATS }, (_, at) => ({ ...first!.coats[0]!, id: `full-${at}` }));
    const full = { ...sergeant, surfaces: [{ ...first!, coats }, ...others] };
    const { user } = open(full);
    await user.click(screen.getByRole("button", { name: "Dry brush over all parts" }));
    expect(screen.getByText(new RegExp(`${first!.name} would have ${MOST_COATS + 1} coats`))).toBeVisible();
    expect(job().surfaces).toEqual(full.surfaces);
  });
});

describe("what is printed", () => {
  const asked = () => FakeWorker.of("benchPdf").at(-1)!;

  it("is made by the worker, tells how far it is, and is saved under the job's name", async () => {
    const { user } = open();
    await user.click(screen.getByRole("button", { name: "Cards and guides as PDF" }));
    const { id, worker } = asked();
    act(() => worker.tell({ kind: "progress", id, done: 3, total: 6 }));
    expect(screen.getByRole("progressbar", { name: "Making the PDF" })).toHaveAttribute(
      "aria-valuenow",
      "50",
    );
    act(() => worker.tell({ kind: "answer", id, value: new ArrayBuffer(8) }));
    await waitFor(() => expect(saved).toEqual(["ferry-sergeant-bench.pdf"]));
    expect(screen.queryByRole("progressbar")).toBeNull();
  });

  it("can be stopped, and says why it could not be made", async () => {
    const { user } = open();
    await user.click(screen.getByRole("button", { name: "Cards and guides as PDF" }));
    await user.click(screen.getByRole("button", { name: "Stop" }));
    expect(asked().worker.cancelled).toContain(asked().id);
    act(() => asked().worker.tell({ kind: "dropped", id: asked().id }));
    expect(screen.queryByRole("progressbar")).toBeNull();
    await user.click(screen.getByRole("button", { name: "Cards and guides as PDF" }));
    act(() => asked().worker.tell({ kind: "failed", id: asked().id, message: "No font." }));
    expect(await screen.findByText("The PDF could not be made. No font.")).toBeVisible();
    expect(saved).toEqual([]);
  });

  it("as guides is asked of the worker, and is not offered where a piece has none", async () => {
    const { user } = open();
    await user.click(screen.getByRole("button", { name: "Gauge strip as SVG, in mm" }));
    const guides = FakeWorker.of("guides").at(-1)!;
    await act(() => guides.worker.answer(guides.id));
    await waitFor(() => expect(saved).toEqual(["ferry-sergeant-coat-skirt-gauge.svg"]));
    look({ surfaceId: "satchel" });
    expect(screen.queryByRole("button", { name: /as SVG/ })).toBeNull();
  });
});
