import { server } from "../../../testing/server";
import { FakeWorker } from "../../../testing/worker";
import { act, screen, waitFor, within } from "@testing-library/react";
import { beforeEach, describe, expect, it } from "vitest";
import { defaultPainter } from "../../../../core/painter";
import { cardsOf } from "../../../../core/plan/cards";
import type { MendInput } from "../../../../core/mishaps/mend";
import { ferryWatch, wholeSergeant } from "../../../../data/demo/company";
import { demoShelf } from "../../../../data/demo/shelf";
import type { Job } from "../../../../core/job";
import { openJob, show } from "../../../testing/open";
import { useHistoryStore } from "../../historyStore";
import { undo, useJobStore } from "../../jobStore";
import { useJudged } from "../../useJudged";
import { BenchStage } from "../BenchStage";
import { useAtBench } from "../atBench/benchStore";
import { possible } from "./happening";

const sergeant = wholeSergeant();
const watch = ferryWatch();
const coatsOf = (surfaceId: string) =>
  useJobStore.getState().job!.surfaces.find(({ id }) => id === surfaceId)!.coats;
const log = () => useHistoryStore.getState().history.log;
const lastAsked = () => FakeWorker.of("mending").at(-1)!;

async function wentWrong(of: Job) {
  openJob(of);
  useJudged.setState({
    ...{ cards: cardsOf(of, demoShelf, defaultPainter), jobId: of.id, settled: true },
  });
  const shown = show(<BenchStage />);
  await shown.user.click(screen.getByRole("button", { name: "It went wrong" }));
  return { ...shown, dialog: within(screen.getByRole("dialog", { name: /^It went wrong: / })) };
}

/** Waits for a question about what was told, and answers it as the worker would. */
async function answered(of: (input: MendInput) => boolean): Promise<MendInput> {
  await waitFor(() => expect(of(lastAsked().input as MendInput)).toBe(true));
  const { id, worker, input } = lastAsked();
  await act(() => worker.answer(id));
  return input as MendInput;
}

beforeEach(() => {
  server.down = true;
  useAtBench.setState({ jobId: null, turnId: null });
});

describe("a coat that was forgotten", () => {
  it("is one before what is painted, not one of those that are simply to come", () => {
    const satchel = sergeant.surfaces.find(({ id }) => id === "satchel")!;
    const [first, second, third, fourth] = satchel.coats;
    const forgotten = (done: readonly string[]) =>
      possible(sergeant, satchel, fourth!, done)
        .find(({ kind }) => kind === "forgotten")
        ?.coats.map(({ id }) => id);
    expect(forgotten([])).toBeUndefined();
    expect(forgotten([first!.id, third!.id])).toEqual([second!.id]);
  });
});

describe("it went wrong", () => {
  it("asks what, where and how much, offers the nearest way first, and takes it into job and log", async () => {
    const { user, dialog } = await wentWrong(sergeant);
    const before = coatsOf("coat-skirt");
    expect(dialog.getByText(/The film can be worked for \d+:\d\d more/)).toBeVisible();
    // A coat that covers everything has no border, and nothing was laid before it.
    expect(dialog.queryByRole("radio", { name: /over its border/ })).toBeNull();
    await user.click(dialog.getByRole("radio", { name: "Too bright, too strong" }));
    const told = await answered(({ told: { kind } }) => kind === "too-bright");
    expect(told).toMatchObject({ state: "workable", painted: [before[0]!.id] });
    expect(dialog.getByText(/Out of reach|comes out as planned/)).toBeVisible();
    const ways = within(dialog.getByRole("radiogroup", { name: "Ways on" })).getAllByRole("radio");
    expect(ways[0]).toBeChecked();
    await user.click(dialog.getByRole("button", { name: "Go on this way" }));
    expect(screen.queryByRole("dialog", { name: /^It went wrong/ })).toBeNull();
    expect(log()).toMatchObject([
      {
        cardId: `coat-skirt/${before[0]!.id}`,
        mishap: "too-bright",
      },
    ]);
    expect(log()[0]!.note).toMatch(/^Too bright/);
    // What was painted stands there, what went wrong lies on it.
    expect(coatsOf("coat-skirt").length).toBeGreaterThanOrEqual(before.length);
    act(() => undo());
    expect(coatsOf("coat-skirt")).toEqual(before);
    expect(log()).toHaveLength(1);
  });

  it("asks anew when a size is typed or the place is moved, and keeps what was typed where it cannot be", async () => {
    const { user, dialog } = await wentWrong(sergeant);
    await user.click(dialog.getByRole("radio", { name: "Pooled spot or tide mark" }));
    const first = await answered(({ told: { kind } }) => kind === "pool");
    expect(first.told).toMatchObject({ along: 0.5, up: 0.5, amount: 2 });
    const size = dialog.getByLabelText("Size of the spot");
    await user.clear(size);
    await user.type(size, "3.5");
    await waitFor(() => expect((lastAsked().input as MendInput).told.amount).toBe(3.5));
    await user.clear(size);
    await user.type(size, "99");
    expect(dialog.getByText("Allowed: 0.4 to 8 mm.")).toBeVisible();
    expect(size).toHaveValue("99");
    await user.click(dialog.getByRole("button", { name: "Leave it" }));
    expect(log()).toEqual([]);
  });

  it("is of one figure of a unit at first, and of those that are pressed", async () => {
    const { user, dialog } = await wentWrong(watch);
    await user.click(dialog.getByRole("radio", { name: "Wrong mix in the well" }));
    const first = await answered(({ told: { kind } }) => kind === "wrong-mix");
    expect(first.told.figures).toHaveLength(1);
    const figures = within(dialog.getByRole("group", { name: "On which figures?" }));
    await user.click(figures.getByRole("button", { name: "3" }));
    const both = await answered(({ told }) => told.figures?.includes(3) === true);
    expect(both.told.figures).toHaveLength(2);
    await user.click(dialog.getByRole("button", { name: "Go on this way" }));
    expect(log()[0]!.figures).toEqual(both.told.figures);
  });
});
