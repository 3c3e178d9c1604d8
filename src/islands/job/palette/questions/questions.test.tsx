import { FakeWorker } from "../../../testing/worker";
import { act, screen, within } from "@testing-library/react";
import type { UserEvent } from "@testing-library/user-event";
import { beforeEach, describe, expect, it } from "vitest";
import type { FoundMix } from "../../../../core/colour/search";
import type { MixAnswer } from "../../../../worker/paletteTasks";
import { ferrySergeant } from "../../../../data/demo/ferrySergeant";
import { job, openJob, show, overtype } from "../../../testing/open";
import { undo, useJobStore } from "../../jobStore";
import { CoverQuestion } from "./CoverQuestion";
import { EyesQuestion } from "./EyesQuestion";
import { MixQuestion } from "./MixQuestion";
import { SubstituteQuestion } from "./SubstituteQuestion";

const asked = () => FakeWorker.of("mixes").at(-1)!;
const PAIR: FoundMix = {
  parts: [
    { paintId: "paint-straw", parts: 2 },
    { paintId: "paint-moss", parts: 1 },
  ],
  difference: 1.4,
  lab: [55, -4, 22],
};
const FOUND: MixAnswer = {
  mixes: [PAIR],
  simple: [PAIR],
  four: [],
  pots: 30,
  inThrees: 30,
};
const answer = (value: MixAnswer) =>
  act(() => asked().worker.tell({ kind: "answer", id: asked().id, value: value }));

async function pick(user: UserEvent, label: string, option: string | RegExp): Promise<void> {
  await user.click(screen.getByRole("combobox", { name: label }));
  await user.click(within(await screen.findByRole("listbox")).getByRole("option", { name: option }));
}

beforeEach(() => openJob());

describe("what do I mix for this colour?", () => {
  it("asks for the pots at hand only, and an answer becomes a mix with the goal it was asked for", async () => {
    const { user } = show(<MixQuestion />);
    const colour = screen.getByLabelText("Colour");
    await overtype(user, colour, "#7a7a4a");
    await user.click(screen.getByRole("button", { name: "Find mixes" }));
    const { paints } = asked().input as { paints: { kind: string; state: string }[] };
    expect(paints.length).toBeGreaterThan(5);
    for (const { kind, state } of paints) {
      expect(["paint", "clear", "ink"]).toContain(kind);
      expect(["have", "low"]).toContain(state);
    }
    answer(FOUND);
    expect(await screen.findByText(/^off by 1.4/)).toBeVisible();
    expect(screen.getByText(/Every mix of up to three of 30 pots/)).toBeVisible();
    const before = job().mixes.length;
    await user.click(screen.getByRole("button", { name: "Take" }));
    expect(job().mixes).toHaveLength(before + 1);
    expect(job().mixes.at(-1)).toMatchObject({ parts: FOUND.mixes[0]!.parts, goal: "#7a7a4a" });
    undo();
    expect(job().mixes).toHaveLength(before);
  });

  it("takes one of the job's goals, and puts the answer for a woven crossing into its half-tone", async () => {
    const { user } = show(<MixQuestion />);
    await pick(user, "Goal", /^goal Cloth, line/);
    await user.click(screen.getByRole("button", { name: "Find mixes" }));
    answer(FOUND);
    await user.click(await screen.findByRole("button", { name: "Take" }));
    expect(job().mixes.at(-1)!.goal).toBe("#ac4a2a");
    await pick(user, "Goal", /^woven crossing/);
    // An answer to the former goal is no answer to this one.
    expect(screen.queryByRole("button", { name: "Take" })).toBeNull();
    await user.click(screen.getByRole("button", { name: "Find mixes" }));
    answer(FOUND);
    const count = job().mixes.length;
    await user.click(await screen.findByRole("button", { name: "Take" }));
    expect(job().mixes).toHaveLength(count);
    const { crossings } = job().surfaces[0]!.pattern!.params as { crossings: Record<string, string> };
    const halfTone = job().mixes.find(({ id }) => Object.values(crossings).includes(id))!;
    expect(halfTone.parts).toEqual(FOUND.mixes[0]!.parts);
  });

  it("shows what is least bother first and what that costs, the nearest at one click", async () => {
    const { user } = show(<MixQuestion />);
    await user.click(screen.getByRole("button", { name: "Find mixes" }));
    expect((asked().input as { inUse: string[] }).inUse).toContain("paint-straw");
    const many = [1, 2, 3].map((parts, at) => ({
      paintId: `paint-${["straw", "moss", "clay"][at]!}`,
      parts,
    }));
    const near: FoundMix = { parts: many, difference: 0.4, lab: [55, -4, 22] };
    answer({ ...FOUND, mixes: [near, PAIR], simple: [PAIR, near] });
    const first = async () => (await screen.findAllByText(/^off by/))[0]!.textContent;
    expect(await first()).toMatch(/^off by 1\.4, 1\.0 more than the nearest/);
    await user.click(screen.getByRole("button", { name: "Nearest" }));
    expect(await first()).toMatch(/^off by 0\.4, /);
    await user.click(screen.getAllByRole("button", { name: "Take" })[0]!);
    expect(job().mixes.at(-1)!.parts).toEqual(many);
  });

  it("tells how far it is, can be stopped, and an answer that comes later is not shown", async () => {
    const { user } = show(<MixQuestion />);
    await user.click(screen.getByRole("button", { name: "Find mixes" }));
    expect(screen.getByRole("button", { name: "Find mixes" })).toBeDisabled();
    const { id, worker } = asked();
    act(() => worker.tell({ kind: "progress", id, done: 40, total: 160 }));
    expect(screen.getByRole("progressbar", { name: "Searching" })).toHaveAttribute("aria-valuenow", "25");
    await user.click(screen.getByRole("button", { name: "Stop" }));
    expect(worker.cancelled).toContain(id);
    answer(FOUND);
    expect(screen.queryByRole("button", { name: "Take" })).toBeNull();
    expect(screen.getByRole("button", { name: "Find mixes" })).toBeEnabled();
  });

  it("says what went wrong, and when no pot can be mixed", async () => {
    const { user } = show(<MixQuestion />);
    await user.click(screen.getByRole("button", { name: "Find mixes" }));
    act(() => asked().worker.tell({ kind: "failed", id: asked().id, message: "The table stopped." }));
    expect(await screen.findByText("The table stopped.")).toBeVisible();
    await user.click(screen.getByRole("button", { name: "Find mixes" }));
    answer({ mixes: [], simple: [], four: [], pots: 0, inThrees: 0 });
    expect(await screen.findByText("No pot at hand can be mixed.")).toBeVisible();
  });
});

describe("what replaces a pot I lack?", () => {
  it("forgets its answer once it is taken: the next mix is another question", async () => {
    const { user } = show(<SubstituteQuestion />);
    await user.click(screen.getByRole("button", { name: "What replaces a pot I lack?" }));
    await pick(user, "The pot I lack", "Straw");
    const mixOf = () => screen.getByRole("combobox", { name: "In the mix" }).textContent;
    const first = mixOf();
    const parts = (name: string | null) => job().mixes.find((mix) => mix.name === name)!.parts;
    await user.click(screen.getByRole("button", { name: "Find what replaces it" }));
    const others = [{ paintId: "paint-moss", parts: 3 }];
    const other: FoundMix = { ...PAIR, parts: others };
    answer({ ...FOUND, mixes: [other], simple: [other] });
    await user.click(await screen.findByRole("button", { name: "Take" }));
    expect(parts(first)).toEqual(others);
    expect(mixOf()).not.toBe(first);
    // What is shown now is another mix, for which nothing was asked yet.
    expect(screen.queryByRole("button", { name: "Take" })).toBeNull();
    const second = parts(mixOf());
    expect(second).not.toEqual(others);
  });

  it("forgets an answer that comes after the mix was changed elsewhere", async () => {
    const { user } = show(<SubstituteQuestion />);
    await user.click(screen.getByRole("button", { name: "What replaces a pot I lack?" }));
    await pick(user, "The pot I lack", "Straw");
    await user.click(screen.getByRole("button", { name: "Find what replaces it" }));
    const late = asked();
    const mixes = job().mixes.map((mix) => ({
      ...mix,
      parts: mix.parts.map((part) => ({ ...part, parts: part.parts + 1 })),
    }));
    act(() => useJobStore.getState().edit((now) => ({ ...now, mixes })));
    act(() => late.worker.tell({ kind: "answer", id: late.id, value: FOUND }));
    expect(screen.queryByRole("button", { name: "Take" })).toBeNull();
    expect(screen.getByRole("button", { name: "Find what replaces it" })).toBeEnabled();
  });
});

describe("how many coats to cover?", () => {
  const coats = () => Number(/^(\d+) coats? at/.exec(screen.getByText(/coats? at/).textContent)![1]);

  it("counts more coats over a ground further off, and fewer where more may show", async () => {
    const { user } = show(<CoverQuestion />);
    await user.click(screen.getByRole("button", { name: "How many coats to cover?" }));
    await pick(user, "Mix", /^Straw/);
    await pick(user, "Over", "white primer");
    const overWhite = coats();
    await pick(user, "Over", "black primer");
    const overBlack = coats();
    expect(overBlack).toBeGreaterThan(overWhite);
    const limit = screen.getByLabelText("Ground may show by (CIEDE2000)");
    await overtype(user, limit, "9");
    expect(coats()).toBeLessThan(overBlack);
    expect(screen.getAllByTitle(/off by/)).toHaveLength(coats());
  });

  it("starts over the primer of the figure that is shown", async () => {
    const sergeant = ferrySergeant();
    openJob({ ...sergeant, figures: [{ ...sergeant.figures[0]!, primer: "black" }] });
    const { user } = show(<CoverQuestion />);
    await user.click(screen.getByRole("button", { name: "How many coats to cover?" }));
    expect(screen.getByRole("combobox", { name: "Over" })).toHaveTextContent("black primer");
  });
});

describe("how do other eyes see these?", () => {
  it("compares where there are two mixes, and says so where there are not", async () => {
    const { user } = show(<EyesQuestion />);
    const title = screen.getByRole("button", { name: /other eyes/ });
    await user.click(title);
    expect(screen.getAllByText(/Straw|Rust|Deep tarn|Base/).length).toBeGreaterThan(0);
    await user.click(title);
    act(() => openJob({ ...ferrySergeant(), mixes: ferrySergeant().mixes.slice(0, 1) }));
    await user.click(title);
    expect(screen.getByText("It takes two mixes to compare.")).toBeVisible();
  });
});
