import { server } from "../../testing/server";
import { FakeWorker } from "../../testing/worker";
import { act, screen, waitFor, within } from "@testing-library/react";
import { beforeEach, describe, expect, it } from "vitest";
import type { Job } from "../../../core/job";
import { defaultPainter } from "../../../core/painter";
import { cardsOf } from "../../../core/plan/cards";
import { scheduleOf } from "../../../core/plan/schedule/schedule";
import { turnsOf } from "../../../core/plan/schedule/turns";
import { demoJobs, wholeSergeant } from "../../../data/demo/company";
import { demoShelf } from "../../../data/demo/shelf";
import type { ScheduleInput } from "../../../worker/questions/schedule";
import { job, openJob, show } from "../../testing/open";
import { useHistoryStore } from "../historyStore";
import { useJudged } from "../useJudged";
import { BenchStage } from "./BenchStage";
import { rangesText } from "./planWords";

const sergeant = wholeSergeant();
const watch = demoJobs().find(({ id }) => id === "ferry-watch")!;

function open(of: Job) {
  openJob(of);
  const cards = cardsOf(of, demoShelf, defaultPainter);
  useJudged.setState({ cards, jobId: of.id, settled: true });
  return { cards, ...show(<BenchStage />) };
}

/** Answers the newest question for a plan as the worker would. */
async function planned() {
  await waitFor(() => expect(FakeWorker.of("schedule").length).toBeGreaterThan(0));
  const { id, worker, input } = FakeWorker.of("schedule").at(-1)!;
  const { tasks, windows, wishes } = input as ScheduleInput;
  const turns = turnsOf(scheduleOf(tasks, windows, wishes));
  act(() => worker.tell({ kind: "answer", id, value: turns }));
  return turns;
}

beforeEach(() => {
  server.down = true;
});

const list = () => within(screen.getAllByRole("list")[0]!);

describe("the plan of the bench", () => {
  it("paints other surfaces while one dries, and tells how near that is to the best there can be", async () => {
    open(sergeant);
    const { turns, end } = await planned();
    const buttons = list().getAllByRole("button");
    expect(buttons).toHaveLength(turns.length);
    const surfaces = new Set(
      buttons
        .slice(0, 4)
        .map((button) =>
          button.textContent.replace(/^.*?(Coat skirt|Satchel|Gloves|Shoulder strap).*$/, "$1"),
        ),
    );
    expect(surfaces.size).toBeGreaterThan(1);
    expect(screen.getByText(/at most \d+ % sooner in any order|no order ends sooner/)).toBeVisible();
    expect(end).toBeGreaterThan(0);
  });

  it("keeps the sittings that are set, names them over their cards, and undoes them", async () => {
    const { user } = open(sergeant);
    await planned();
    await user.click(screen.getByRole("button", { name: "Set a sitting" }));
    await user.click(screen.getByRole("button", { name: "One more a day later" }));
    const [first, second] = job().bench.sittings;
    expect(Date.parse(second!.startsAt) - Date.parse(first!.startsAt)).toBe(24 * 3600 * 1000);
    const { sittings } = await planned();
    expect(list().getAllByRole("heading", { name: /^Sitting \d/ })).toHaveLength(sittings.length);
    expect(sittings.length).toBeGreaterThan(1);
    const group = within(screen.getByRole("group", { name: "Sitting 2" }));
    await user.clear(group.getByLabelText("It lasts"));
    await user.type(group.getByLabelText("It lasts"), "5");
    expect(group.getByText("Allowed: 10 to 960 min.")).toBeVisible();
    expect(job().bench.sittings[1]!.minutes).toBe(120);
    await user.type(group.getByLabelText("It lasts"), "0");
    expect(job().bench.sittings[1]!.minutes).toBe(50);
    await user.click(group.getByRole("button", { name: "Remove" }));
    expect(job().bench.sittings).toHaveLength(1);
  });

  it("paints a unit as it is told to, and ticks the figures and the pass of a turn", async () => {
    const { user, cards } = open(watch);
    await planned();
    await user.click(screen.getByRole("combobox", { name: /^The \d+ figures/ }));
    await user.click(screen.getByRole("option", { name: "one figure after the other" }));
    expect(job().bench.unit).toBe("figures");
    const { turns } = await planned();
    expect(turns[0]!.figures).toEqual([1]);
    expect(screen.getByRole("article")).toHaveTextContent("figure 1");
    await user.click(screen.getByRole("button", { name: "Done" }));
    const [entry] = useHistoryStore.getState().history.log;
    expect(entry).toMatchObject({ cardId: turns[0]!.cardIds[0], figures: [1] });
    const card = cards.find(({ id }) => id === entry!.cardId)!;
    expect(entry!.pass).toBe(card.coat.passes > 1 ? 1 : undefined);
    expect(entry!.planned!.minutes).toBeCloseTo(turns[0]!.end - turns[0]!.setUpAt, 6);
    // What is left of it is planned anew.
    const after = await planned();
    expect(after.turns.some(({ id }) => id === turns[0]!.id)).toBe(false);
  });

  it("moves a turn behind the next one by a button, keeps that as a wish, and takes it back", async () => {
    const { user } = open(sergeant);
    const { turns } = await planned();
    await user.click(screen.getByRole("tab", { name: "Times" }));
    await user.click(screen.getByRole("button", { name: "After the next turn" }));
    const [wish] = job().bench.wishes;
    expect(wish).toEqual({ first: turns[1]!.cardIds[0], then: turns[0]!.cardIds[0] });
    expect(screen.getByText(/was moved; the rest follows/)).toBeVisible();
    const next = await planned();
    const at = (id: string) => next.turns.findIndex(({ cardIds }) => cardIds.includes(id));
    expect(at(wish!.first)).toBeLessThan(at(wish!.then));
    await user.click(screen.getByRole("button", { name: /^Take back: / }));
    expect(job().bench.wishes).toEqual([]);
  });

  it("says what cannot be, where wishes stand against the order of coats", async () => {
    const [first, then] = cardsOf(sergeant, demoShelf, defaultPainter).map(({ id }) => id);
    open({ ...sergeant, bench: { ...sergeant.bench, wishes: [{ first: then!, then: first! }] } });
    await waitFor(() => expect(FakeWorker.of("schedule").length).toBeGreaterThan(0));
    const { id, worker, input } = FakeWorker.of("schedule").at(-1)!;
    const { tasks, wishes } = input as ScheduleInput;
    expect(() => scheduleOf(tasks, [], wishes)).toThrow();
    act(() => worker.tell({ kind: "failed", id, message: "What you want first would have to wait." }));
    expect(screen.getByText(/would have to wait\. Take one of them back below/)).toBeVisible();
    expect(screen.getByRole("button", { name: /^Take back: / })).toBeVisible();
  });
});

it("tells numbers of figures in runs", () => {
  expect([[3, 1, 2, 7], [4], [1, 3, 5, 6]].map(rangesText)).toEqual(["1 to 3, 7", "4", "1, 3, 5 to 6"]);
});
