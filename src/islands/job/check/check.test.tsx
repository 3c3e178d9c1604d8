import { FakeWorker } from "../../testing/worker";
import { act, screen, waitFor, within } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { applyRemedy } from "../../../core/checks/applyRemedy";
import type { Job } from "../../../core/job";
import { ferrySergeant } from "../../../data/demo/ferrySergeant";
import { job, openJob, show } from "../../testing/open";
import { undo, useEdit, useJobStore } from "../jobStore";
import { askJudgement, useJudged, useKeepJudged } from "../useJudged";
import { useCards, useFindings, useStageStates } from "../useStageStates";
import { FindingLine } from "./FindingLine";

function Findings() {
  useKeepJudged();
  const edit = useEdit();
  const states = useStageStates();
  const cards = useCards();
  return (
    <>
      <p>
        {cards.length} cards, {states.check}
      </p>
      {useFindings().map((finding) => (
        <FindingLine
          key={finding.id}
          finding={finding}
          onRemedy={(remedy) => edit((now) => applyRemedy(now, remedy))}
        />
      ))}
    </>
  );
}

/** The demo with one repeat too few to close. */
const torn = (): Job => {
  const sergeant = ferrySergeant();
  const [skirt] = sergeant.surfaces;
  const params = { ...(skirt!.pattern!.params as object), periods: 9.5 };
  return { ...sergeant, surfaces: [{ ...skirt!, pattern: { ...skirt!.pattern!, params } }] };
};

beforeEach(() => {
  FakeWorker.ready.add("judge");
});
afterEach(() => FakeWorker.ready.clear());

describe("findings", () => {
  it("come from the worker, and a remedy at one click mends the design, which undo takes back", async () => {
    openJob(torn());
    const { user } = show(<Findings />);
    const finding = await screen.findByRole("article", { name: /^Must: .*seam/ });
    const remedy = within(finding).getAllByRole("button")[0]!;
    await user.click(remedy);
    expect((job().surfaces[0]!.pattern!.params as { periods: number }).periods % 1).toBe(0);
    await waitFor(() => expect(screen.queryByRole("article", { name: /^Must: .*seam/ })).toBeNull());
    act(() => undo());
    await screen.findByRole("article", { name: /^Must: .*seam/ });
  });

  it("stay until newer ones have come, and only the newest count", async () => {
    openJob();
    show(<Findings />);
    await screen.findByText(/^\d+ cards/);
    await waitFor(() => expect(useJudged.getState().settled).toBe(true));
    const before = useJudged.getState().findings;
    FakeWorker.ready.clear();
    const rename = (name: string) => act(() => useJobStore.getState().edit((now) => ({ ...now, name })));
    rename("One");
    rename("Two");
    expect(useJudged.getState()).toMatchObject({ settled: false, findings: before });
    const [one, two] = FakeWorker.of("judge").slice(-2);
    expect(one!.worker.cancelled).toContain(one!.id);
    await act(() => one!.worker.answer(one!.id));
    expect(useJudged.getState().settled).toBe(false);
    await act(() => two!.worker.answer(two!.id));
    expect(useJudged.getState().settled).toBe(true);
  });

  it("that cannot be worked out are said to be so, and the former ones stay", async () => {
    openJob();
    show(<Findings />);
    await waitFor(() => expect(useJudged.getState().settled).toBe(true));
    const before = useJudged.getState().cards;
    FakeWorker.ready.clear();
    const { job: now, paints, painter } = useJobStore.getState();
    act(() => askJudgement({ job: now!, paints, painter: painter!, painted: [] }));
    const asked = FakeWorker.of("judge").at(-1)!;
    act(() => asked.worker.tell({ kind: "failed", id: asked.id, message: "out of memory" }));
    expect(useJudged.getState()).toMatchObject({ failure: "out of memory", settled: true, cards: before });
    act(() => asked.worker.onerror?.({ message: "" }));
  });
});
