import { FakeWorker } from "../../../testing/worker";
import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import type { UserEvent } from "@testing-library/user-event";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { parseJob } from "../../../../core/formats/job-json/jobSchema";
import { pieceOf } from "../../../../core/groundwork/newPiece";
import type { Groundwork } from "../../../../core/job";
import { mudflatBases } from "../../../../data/demo/mudflatBases";
import { job, look, openJob, overtype, show } from "../../../testing/open";
import { undo } from "../../jobStore";
import { useFigureLook } from "../../figure/figureLook";
import { BriefStage } from "../BriefStage";
import { useChosen } from "./useGround";

const base = () => job().surfaces[0]!;
const work = (): Groundwork => base().groundwork ?? { pieces: [], feet: [] };
const form = () => within(screen.getByRole("group", { name: "Built on it" }));

function opened(groundwork: Groundwork | null) {
  const whole = mudflatBases();
  openJob({ ...whole, surfaces: [{ ...whole.surfaces[0]!, coats: [], groundwork }] });
  look({ surfaceId: "base" });
  return show(<BriefStage />);
}

async function put(user: UserEvent, kind: RegExp): Promise<void> {
  await user.click(form().getByRole("button", { name: "Put on it" }));
  await user.click(within(await screen.findByRole("menu")).getByRole("menuitem", { name: kind }));
  await waitFor(() => expect(screen.queryByRole("menu")).toBeNull());
}

beforeEach(() => {
  useChosen.getState().choose(null);
  // How figures are looked at is kept by the window, over tests too.
  useFigureLook.getState().set({ whole: false });
  FakeWorker.ready.add("ground");
});
afterEach(() => FakeWorker.ready.clear());

describe("a base in the brief", () => {
  it("is built piece by piece, each sized, turned, bedded and told how it lies", async () => {
    const { user } = opened(null);
    await put(user, /^Split slab/);
    expect(work().pieces).toMatchObject([{ kind: "slab", xMm: 0, yMm: 0, bedding: "rests" }]);
    expect(await form().findByRole("status")).toHaveTextContent(/On the ground, leaning .*°/);
    await overtype(user, form().getByLabelText("Longest"), "18");
    await overtype(user, form().getByLabelText("To the back"), "6.5");
    await user.click(form().getByRole("combobox", { name: "How it is set" }));
    await user.click(screen.getByRole("option", { name: /bedded in paste/ }));
    await overtype(user, form().getByLabelText("Leans by"), "12");
    expect(work().pieces[0]).toMatchObject({ acrossMm: 18, yMm: 6.5, bedding: "bedded", tiltDeg: 12 });
    await waitFor(() =>
      expect(form().getByRole("status")).toHaveTextContent(/leaning 12\.0.°; \d+.µl of paste/),
    );
    const before = work().pieces[0]!.turnDeg;
    await user.click(form().getByRole("button", { name: "Best face forward" }));
    expect(work().pieces[0]!.turnDeg).not.toBe(before);
    expect(parseJob(job())).toEqual(job());
  });

  it("keeps places for feet, says whether they are level, and takes things away again", async () => {
    const { user } = opened(null);
    await user.click(form().getByRole("button", { name: "A foot or peg" }));
    expect(work().feet).toHaveLength(1);
    expect(await form().findByRole("status")).toHaveTextContent(
      /On the ground, .*level enough|it would rock/,
    );
    await overtype(user, form().getByLabelText("To the right"), "40");
    await waitFor(() => expect(form().getByRole("status")).toHaveTextContent(/over the rim/));
    await user.click(form().getByRole("button", { name: "Take away" }));
    expect(base().groundwork).toBeNull();
    undo();
    expect(work().feet).toHaveLength(1);
  });

  it("is laid in an order that can be changed, as what comes later lies on top", async () => {
    const { user } = opened(null);
    await put(user, /^Split slab/);
    await put(user, /^Pebbles/);
    expect(work().pieces.map(({ kind }) => kind)).toEqual(["slab", "pebbles"]);
    await user.click(form().getByRole("button", { name: "Lay sooner" }));
    expect(work().pieces.map(({ kind }) => kind)).toEqual(["pebbles", "slab"]);
    await user.click(form().getByRole("button", { name: "Lay later, on top" }));
    expect(work().pieces.map(({ kind }) => kind)).toEqual(["slab", "pebbles"]);
  });

  it("has a plan on which a piece is moved and turned by keys and dragged", async () => {
    opened({ pieces: [pieceOf("slab-1", "slab", 4)], feet: [] });
    const mark = await screen.findByRole("button", { name: /^1, Split slab: arrow keys/ });
    const [first] = work().pieces;
    fireEvent.keyDown(mark, { key: "ArrowRight" });
    fireEvent.keyDown(mark, { key: "ArrowUp", shiftKey: true });
    expect(work().pieces[0]).toMatchObject({ xMm: first!.xMm + 0.5, yMm: first!.yMm + 0.1 });
    fireEvent.keyDown(mark, { key: "t" });
    expect(work().pieces[0]!.turnDeg).toBe(first!.turnDeg + 5);
    const svg = mark.closest("svg")!;
    svg.getBoundingClientRect = () => ({ left: 0, top: 0, width: 412, height: 412 }) as DOMRect;
    svg.setPointerCapture = () => undefined;
    const pointer = (type: string, clientX: number, clientY: number) =>
      fireEvent(mark, new MouseEvent(type, { bubbles: true, clientX, clientY }));
    const before = work().pieces[0]!;
    pointer("pointerdown", 100, 100);
    pointer("pointermove", 120, 110);
    pointer("pointerup", 120, 110);
    expect(work().pieces[0]!.xMm).toBeCloseTo(before.xMm + 2, 0);
    expect(work().pieces[0]!.yMm).toBeCloseTo(before.yMm - 1, 0);
    fireEvent.keyDown(mark, { key: "Delete" });
    expect(work().pieces.map(({ id }) => id)).not.toContain(first!.id);
  });

  it("is made a set of, each base laid out in its own way", async () => {
    const { user } = opened(mudflatBases().surfaces[0]!.groundwork);
    await overtype(user, form().getByLabelText("Bases in the set"), "3");
    await user.click(form().getByRole("button", { name: "Make the set" }));
    expect(job().surfaces.map(({ name }) => name)).toEqual([
      "Mudflat base",
      "Mudflat base 2",
      "Mudflat base 3",
    ]);
    const places = job().surfaces.map(({ groundwork }) => JSON.stringify(groundwork!.pieces));
    expect(new Set(places).size).toBe(3);
    expect(parseJob(job())).toEqual(job());
  });
});
