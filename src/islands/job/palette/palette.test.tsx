import { server } from "../../testing/server";
import { FakeWorker } from "../../testing/worker";
import { act, fireEvent, screen, waitFor, within } from "@testing-library/react";
import type { UserEvent } from "@testing-library/user-event";
import { beforeEach, describe, expect, it } from "vitest";
import type { Well } from "../../../core/job";
import { defaultPainter } from "../../../core/painter";
import { cardsOf } from "../../../core/plan/cards";
import { ferrySergeant } from "../../../data/demo/ferrySergeant";
import { demoShelf } from "../../../data/demo/shelf";
import { job, openJob, show, overtype } from "../../testing/open";
import { useHistoryStore } from "../historyStore";
import { undo, useJob } from "../jobStore";
import { TakeBack } from "../TakeBack";
import { useJudged } from "../useJudged";
import { GoalsView } from "./GoalsView";
import { MixCard } from "./MixCard";
import { shortNames } from "./ValueLadder";
import { WellsView } from "./WellsView";

const mix = (name: string) => job().mixes.find((one) => one.name === name)!;
const wells = () => useHistoryStore.getState().history.wells;

async function put(user: UserEvent, label: string | RegExp, text: string): Promise<void> {
  await overtype(user, screen.getByLabelText(label), text);
}

function Mixes() {
  return ferrySergeant().mixes.map(({ id }) => <Mix key={id} id={id} />);
}
function Mix({ id }: { readonly id: string }) {
  const found = useJob().mixes.find((one) => one.id === id);
  return found ? <MixCard mix={found} /> : null;
}

beforeEach(() => {
  server.down = true;
  openJob();
  useJudged.setState({
    cards: cardsOf(ferrySergeant(), demoShelf, defaultPainter),
    jobId: "ferry-sergeant",
    settled: true,
  });
});

describe("a mix", () => {
  it("is changed in its parts and water, and tells what it looks like over every ground", async () => {
    const { user } = show(<Mixes />);
    const card = within(screen.getByRole("region", { name: "Mix Straw" }));
    await put(user, "Parts of Straw in Straw", "5");
    await put(user, "Parts of water in Straw", "2");
    expect(mix("Straw")).toMatchObject({ water: 2, parts: [{ parts: 5 }, { parts: 1 }] });
    for (const ground of ["over black", "over white"]) expect(card.getByText(ground)).toBeVisible();
    expect(card.getAllByTitle(/^dry #/)).toHaveLength(9);
    await user.click(card.getByRole("button", { name: "Take Shell out of Straw" }));
    expect(mix("Straw").parts).toHaveLength(1);
    undo();
    expect(mix("Straw").parts).toHaveLength(2);
  });

  it("takes another pot of the shelf, each once", async () => {
    const { user } = show(<Mixes />);
    const card = within(screen.getByRole("region", { name: "Mix Rust" }));
    await user.click(card.getByRole("button", { name: "Add a paint" }));
    const menu = within(screen.getByRole("menu"));
    expect(menu.queryByRole("menuitem", { name: "Rust Red" })).toBeNull();
    await user.click(menu.getByRole("menuitem", { name: "Moss" }));
    expect(mix("Rust").parts.at(-1)).toEqual({ paintId: "paint-moss", parts: 1 });
  });

  it("in use cannot be removed; one that nothing needs can", () => {
    show(<Mixes />);
    expect(screen.queryByRole("button", { name: "Remove this mix" })).toBeNull();
    act(() => {
      openJob({
        ...ferrySergeant(),
        mixes: [...ferrySergeant().mixes, { id: "spare", name: "Spare", parts: [], water: 1, goal: null }],
      });
    });
    show(<Mix id="spare" />);
    fireEvent.click(screen.getByRole("button", { name: "Remove this mix" }));
    expect(job().mixes.map(({ id }) => id)).not.toContain("spare");
  });

  it("begins a well with the drops of its largest batch", async () => {
    const { user } = show(<Mix id="straw" />);
    expect(screen.getByText(/^For Straw boxes: drops \d+ Straw, \d+ Shell/)).toBeVisible();
    await user.click(screen.getByRole("button", { name: "Begin a well" }));
    expect(wells()).toHaveLength(1);
    expect(wells()[0]).toMatchObject({ name: "Straw", mixId: "straw" });
    expect(wells()[0]!.added.map(({ paintId }) => paintId)).toContain("paint-straw");
  });
});

describe("goals", () => {
  it("are added, named, coloured and dropped", async () => {
    const { user } = show(<GoalsView />);
    const before = job().goals.length;
    await user.click(screen.getByRole("button", { name: "Add a goal" }));
    expect(job().goals).toHaveLength(before + 1);
    const name = job().goals.at(-1)!.name;
    const row = within(screen.getByRole("listitem", { name: `Goal ${name}` }));
    await put(user, `Name of goal ${name}`, "Rust of the bow");
    await user.tab();
    expect(job().goals.at(-1)!.name).toBe("Rust of the bow");
    await user.click(row.getByRole("button", { name: /^Drop goal/ }));
    expect(job().goals).toHaveLength(before);
    undo();
    expect(job().goals).toHaveLength(before + 1);
  });
});

describe("a well", () => {
  const kept: Well = {
    ...{ id: "well-1", name: "Straw", mixId: "straw", waterUl: 50 },
    added: [
      { paintId: "paint-straw", drops: 3 },
      { paintId: null, drops: 1 },
    ],
    content: [{ paintId: "paint-straw", ul: 120 }],
  };
  function open(): UserEvent {
    openJob(ferrySergeant(), { log: [], wells: [kept], sittings: [] });
    return show(
      <>
        <WellsView />
        <TakeBack />
      </>,
    ).user;
  }
  const card = () => within(screen.getByRole("region", { name: "Well Straw" }));

  it("is begun empty, says so, and counts what went in", async () => {
    openJob();
    const { user } = show(<WellsView />);
    expect(screen.getByText(/^A well keeps count/)).toBeVisible();
    await user.click(screen.getByRole("button", { name: "Begin an empty well" }));
    expect(screen.getByText("Went in: nothing yet")).toBeVisible();
    await put(user, "Drops", "4");
    await user.click(screen.getByRole("button", { name: "It went in" }));
    expect(wells()[0]!.added[0]!.drops).toBe(4);
    expect(screen.getByText(/^Went in: 4 drops/)).toBeVisible();
  });

  it("gives less after it was painted, and its drops back where that was a slip", async () => {
    const user = open();
    expect(card().getByText(/^170.µl in it/)).toBeVisible();
    await put(user, "Used", "85");
    await user.click(card().getByRole("button", { name: "It was painted" }));
    expect(wells()[0]!.content[0]!.ul).toBeCloseTo(60, 6);
    expect(screen.getByText(/^85.µl of Straw were painted/)).toBeVisible();
    await user.click(screen.getByRole("button", { name: "Take it back" }));
    expect(wells()).toEqual([kept]);
  });

  it("is washed out, and stands again where that was a slip", async () => {
    const user = open();
    await user.click(card().getByRole("button", { name: "Wash it out" }));
    expect(wells()).toEqual([]);
    await user.click(screen.getByRole("button", { name: "Take it back" }));
    expect(wells()).toEqual([kept]);
  });

  it("is steered by the worker's answer, which goes with the well it was asked for", async () => {
    const user = open();
    await user.click(card().getByRole("button", { name: "What do I add?" }));
    expect(card().getByRole("button", { name: "Looking …" })).toBeDisabled();
    const asked = FakeWorker.of("wellAdditions").at(-1)!;
    await act(() => asked.worker.answer(asked.id));
    const answers = await card().findAllByRole("button", { name: "It went in" });
    expect(answers.length).toBeGreaterThan(1);
    await user.click(answers[1]!);
    expect(wells()[0]!.added.length).toBeGreaterThan(2);
    await waitFor(() => expect(card().getAllByRole("button", { name: "It went in" })).toHaveLength(1));
  });

  it("says why there is no answer, and keeps the drops", async () => {
    const user = open();
    await user.click(card().getByRole("button", { name: "What do I add?" }));
    const asked = FakeWorker.of("wellAdditions").at(-1)!;
    act(() => asked.worker.tell({ kind: "failed", id: asked.id, message: "No pot is at hand." }));
    expect(await card().findByText("No pot is at hand.")).toBeVisible();
    expect(wells()).toEqual([kept]);
  });
});

describe("names under the ladder", () => {
  it("are short and differ where the mixes' own do", () => {
    const names = [
      "Half-tone deep tarn × straw",
      "Half-tone deep tarn × rust",
      "Straw",
      "Satchel, first stipple over dark",
    ];
    const short = shortNames(names);
    expect(new Set(short).size).toBe(names.length);
    for (const name of short) expect(name.length).toBeLessThanOrEqual(16);
    expect(short[2]).toBe("Straw");
    expect(short[0]).toMatch(/× straw$/);
    expect(short[3]).toMatch(/^Satchel/);
  });
});
