import { server } from "../../testing/server";
import { screen, waitFor, within } from "@testing-library/react";
import { beforeEach, describe, expect, it } from "vitest";
import type { LogEntry } from "../../../core/job";
import { defaultPainter } from "../../../core/painter";
import { cardsOf } from "../../../core/plan/cards";
import { ferrySergeant } from "../../../data/demo/ferrySergeant";
import { demoShelf } from "../../../data/demo/shelf";
import { openJob, show, overtype } from "../../testing/open";
import { ALL_TOLD } from "../historyOutbox";
import { useHistoryStore } from "../historyStore";
import { undo, useJobStore } from "../jobStore";
import { TakeBack } from "../TakeBack";
import { useJudged } from "../useJudged";
import { LogStage } from "./LogStage";

const job = ferrySergeant();
const cards = cardsOf(job, demoShelf, defaultPainter);
const log = () => useHistoryStore.getState().history.log;
const box = (name: string) => screen.getByRole("checkbox", { name: `${name} done` });
const line = (name: string) => within(box(name).closest("li")!);

function open(entries: readonly LogEntry[] = []) {
  openJob(job, { log: entries, wells: [], sittings: [] });
  useJudged.setState({ cards, jobId: job.id, settled: true });
  return show(
    <>
      <LogStage />
      <TakeBack />
    </>,
  );
}

const earlier: LogEntry = {
  ...{ id: "entry-0", cardId: "gone/card", cardTitle: "Old glaze", doneAt: "2026-04-01T08:00:00.000Z" },
  ...{ minutes: 9, note: "", recipe: [{ paintId: "paint-straw", drops: 3 }] },
};

beforeEach(() => {
  server.calls.length = 0;
});

describe("the log", () => {
  it("ticks a card, tells the server, and undo does not take it off", async () => {
    const { user } = open();
    await user.click(box("Base"));
    expect(box("Base")).toBeChecked();
    expect(log().map(({ cardTitle }) => cardTitle)).toEqual(["Base"]);
    useJobStore.getState().edit((now) => ({ ...now, name: "Other" }));
    undo();
    undo();
    expect(box("Base")).toBeChecked();
    await waitFor(() =>
      expect(server.calls).toContain(`PUT /api/jobs/${job.id}/history/log/${log()[0]!.id}`),
    );
    await waitFor(() => expect(useHistoryStore.getState().sent).toEqual(ALL_TOLD));
  });

  it("takes a card off again, and gives it back with its note where that was a slip", async () => {
    const { user } = open();
    await user.click(box("Base"));
    const note = line("Base").getByLabelText("Note");
    await user.type(note, "Ran dry");
    await user.tab();
    await user.click(box("Base"));
    expect(log()).toEqual([]);
    await user.click(screen.getByRole("button", { name: "Take it back" }));
    expect(log()[0]).toMatchObject({ cardTitle: "Base", note: "Ran dry" });
    expect(screen.queryByText("Base was taken off the log.")).not.toBeInTheDocument();
  });

  it("keeps minutes as they are typed, with comma or point, and says what it cannot take", async () => {
    const { user } = open();
    await user.click(box("Base"));
    const took = () => line("Base").getByLabelText("Took, min");
    await user.type(took(), "12,5");
    await user.tab();
    expect(log()[0]!.minutes).toBe(12.5);
    expect(screen.getByText(/^Noted so far: 13 min/)).toBeInTheDocument();
    await overtype(user, took(), "soon");
    await user.tab();
    expect(screen.getByText("Minutes, 0 to 100 000.")).toBeInTheDocument();
    expect(took()).toHaveValue("soon");
    expect(log()[0]!.minutes).toBe(12.5);
  });

  it("keeps what was painted for a card that the plan has no more, with its drops", async () => {
    const { user } = open([earlier]);
    expect(screen.getByText("Painted earlier, no longer in the plan")).toBeInTheDocument();
    expect(screen.getByText("Mixed: 3 drops Straw")).toBeInTheDocument();
    await user.click(screen.getByRole("button", { name: "Remove" }));
    expect(log()).toEqual([]);
  });
});
