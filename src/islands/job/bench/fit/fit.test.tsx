import { server } from "../../../testing/server";
import { FakeWorker } from "../../../testing/worker";
import { act, screen, waitFor, within } from "@testing-library/react";
import { beforeEach, describe, expect, it } from "vitest";
import type { Job } from "../../../../core/job";
import { defaultPainter } from "../../../../core/painter";
import { cardsOf } from "../../../../core/plan/cards";
import { wholeSergeant } from "../../../../data/demo/company";
import { demoShelf } from "../../../../data/demo/shelf";
import type { FitQuestion } from "../../../../worker/questions/fit";
import { openJob, show } from "../../../testing/open";
import { undo, useJobStore } from "../../jobStore";
import { useJudged } from "../../useJudged";
import { BenchStage } from "../BenchStage";

const whole = wholeSergeant();
/** One piece with few coats: each of them is tried. */
const job: Job = {
  ...whole,
  touching: [],
  surfaces: whole.surfaces
    .filter(({ id }) => id === "strap")
    .map((one) => ({ ...one, coats: one.coats.slice(0, 5) })),
};
const heldIn = () =>
  useJobStore
    .getState()
    .job!.surfaces.flatMap(({ coats }) => coats.filter(({ held }) => held).map(({ id }) => id));

async function open() {
  openJob(job);
  useJudged.setState({ cards: cardsOf(job, demoShelf, defaultPainter), jobId: job.id, settled: true });
  const shown = show(<BenchStage />);
  await shown.user.click(screen.getByRole("button", { name: "Fit to minutes" }));
  return { ...shown, dialog: within(screen.getByRole("dialog", { name: "Fit to minutes" })) };
}

/** Waits until so many minutes are asked for, and answers as the worker would. */
async function answered(minutes: number) {
  await waitFor(() =>
    expect((FakeWorker.of("fit").at(-1)?.input as FitQuestion | undefined)?.minutes).toBe(minutes),
  );
  const { id, worker } = FakeWorker.of("fit").at(-1)!;
  await act(() => worker.answer(id));
}

beforeEach(() => {
  server.down = true;
});

describe("fit to minutes", () => {
  it("tells what to leave out, holds it back in one step, and undo takes it back", async () => {
    const { user, dialog } = await open();
    const minutes = dialog.getByLabelText("Minutes for one figure");
    await user.clear(minutes);
    await user.type(minutes, "6");
    await answered(6);
    expect(dialog.getByRole("status")).toHaveTextContent(/\d cards? left out: .* instead of .* CIEDE2000/);
    const left = within(dialog.getByRole("group", { name: "Left out" }));
    expect(left.getByText(/^Shoulder strap: /)).toBeVisible();
    await user.click(dialog.getByRole("button", { name: "Hold these back" }));
    const held = heldIn();
    expect(held.length).toBeGreaterThan(0);
    act(() => undo());
    expect(heldIn()).toEqual([]);
  });

  it("says what is allowed where it cannot be, and loses nothing that was typed", async () => {
    const { user, dialog } = await open();
    const minutes = dialog.getByLabelText("Minutes for one figure");
    await user.clear(minutes);
    await user.type(minutes, "0");
    expect(dialog.getByText(/^Allowed: 1 to \d+ min\.$/)).toBeVisible();
    expect(minutes).toHaveValue("0");
    await user.click(dialog.getByRole("button", { name: "Leave it" }));
    expect(heldIn()).toEqual([]);
  });
});
