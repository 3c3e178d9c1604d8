import { server } from "../../testing/server";
import { screen, within } from "@testing-library/react";
import { beforeEach, describe, expect, it } from "vitest";
import { entryFor } from "../../../core/edits/history";
import { NO_HISTORY, type LogEntry, type OwnScheme } from "../../../core/job";
import { defaultPainter } from "../../../core/painter";
import { cardsOf } from "../../../core/plan/cards";
import { ferrySergeant } from "../../../data/demo/ferrySergeant";
import { demoShelf } from "../../../data/demo/shelf";
import { call } from "../../../ui/api";
import { openJob, show } from "../../testing/open";
import { LogStage } from "./LogStage";

const job = ferrySergeant();
const cards = cardsOf(job, demoShelf, defaultPainter);
const surface = job.surfaces[0]!;
const mix = job.mixes.find(({ id }) => id === cards[0]!.coat.mixId)!;
const recipe = [{ paintId: mix.parts[0]!.paintId, drops: 4 }];

const entry = (at: number, told: Partial<LogEntry> = {}): LogEntry => ({
  ...entryFor(cards[at]!, NO_HISTORY, { id: `entry-${at}`, at: `2026-05-01T10:${10 + at}:00Z` }),
  ...told,
});

async function open(tab: string, log: readonly LogEntry[]) {
  openJob(job, { log, wells: [], sittings: [] });
  const { user } = show(<LogStage />);
  await user.click(screen.getByRole("tab", { name: tab }));
  return user;
}

const kept = async () => (await call<{ schemes: OwnScheme[] }>("/api/schemes")).schemes;

beforeEach(async () => {
  server.down = false;
  for (const { id } of await kept()) await call(`/api/schemes/${id}`, { method: "DELETE" });
});

describe("painting it again", () => {
  it("keeps a surface with what was done otherwise, but for what the painter takes out", async () => {
    // The second card was left out: a later one is painted.
    const user = await open("Paint it again", [entry(0, { recipe, water: 7 }), entry(2)]);
    const own = await screen.findByRole("listitem", { name: surface.name });
    const box = (name: RegExp) => within(own).getByRole("checkbox", { name });
    expect(box(new RegExp(`^${mix.name}: mixed 1 .+, planned `))).toBeChecked();
    expect(box(new RegExp(`^${cards[1]!.coat.name}: never painted`))).toBeChecked();
    // What is still to come is not taken for left out.
    expect(box(new RegExp(`^${cards.at(-1)!.coat.name}: never painted`))).not.toBeChecked();
    await user.click(box(/thinned with 7(\.0)? parts of water to 1, planned/));
    await user.click(within(own).getByRole("button", { name: "Keep as a scheme" }));
    expect(await within(own).findByRole("link", { name: "Look at it in Schemes" })).toHaveAttribute(
      "href",
      "/schemes",
    );
    const [scheme] = await kept();
    expect(scheme).toMatchObject({ name: `${job.name}, ${surface.name}`, asPainted: true });
    expect(scheme!.mixes.find(({ id }) => id === mix.id)!.parts).toEqual([
      { paintId: recipe[0]!.paintId, parts: 1 },
    ]);
    expect(scheme!.coats[0]!.water).toBe(cards[0]!.coat.water);
    expect(scheme!.coats.filter(({ held }) => held).map(({ id }) => id)).toEqual([cards[1]!.coat.id]);
    expect(scheme!.batches).toHaveLength(1);
  });

  it("says why a scheme was not kept, and keeps what was typed", async () => {
    const user = await open("Paint it again", []);
    const own = await screen.findByRole("listitem", { name: surface.name });
    expect(within(own).getByText(/Nothing is logged of it/)).toBeVisible();
    server.down = true;
    await user.type(within(own).getByLabelText("Name of the scheme"), " two");
    await user.click(within(own).getByRole("button", { name: "Keep as a scheme" }));
    expect(await screen.findByText(/server cannot be reached/)).toBeVisible();
    expect(within(own).getByLabelText("Name of the scheme")).toHaveValue(`${job.name}, ${surface.name} two`);
    server.down = false;
    await user.click(within(own).getByRole("button", { name: "Keep as a scheme" }));
    expect(await within(own).findByRole("button", { name: "Kept" })).toBeDisabled();
  });
});

describe("matching it", () => {
  it("tells the drops of each well in their order, and how far they are from the plan", async () => {
    await open("Match it", [entry(0, { recipe })]);
    const line = screen.getByRole("listitem", { name: `Batch 1, ${mix.name}` });
    expect(within(line).getByText(/^4 drops /)).toBeVisible();
    expect(within(line).getByText(/against the plan, CIEDE2000 \d/)).toBeVisible();
  });

  it("says how wells come into the log where there are none", async () => {
    await open("Match it", [entry(0)]);
    expect(screen.getByText(/No well is in the log yet/)).toBeVisible();
  });
});
