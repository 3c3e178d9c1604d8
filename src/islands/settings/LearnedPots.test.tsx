import { server } from "../testing/server";
import "../testing/worker";
import { render, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, describe, expect, it } from "vitest";
import { readLog } from "../../core/learning/pots/testing";
import type { Paint } from "../../core/job";
import { defaultPainter, type Painter } from "../../core/painter";
import { demoShelf } from "../../data/demo/shelf";
import { call } from "../../ui/api";
import { Settings } from "./Settings";

const plain = demoShelf.filter(({ kind, fit, overWhite }) => kind === "paint" && !fit && overWhite === null);
const pot = plain.find(({ hiding }) => hiding === "semi")!;
const others = plain.filter(({ hiding }) => hiding === "opaque").slice(0, 4);
const mixes = Array.from({ length: 16 }, (_, at) => ({
  shares: [
    { paintId: pot.id, parts: 1 + (at % 3) },
    { paintId: others[at % others.length]!.id, parts: 1 + (at % 2) },
  ],
  um: 60,
  under: [52, 1, 3] as const,
}));
const films = Array.from({ length: 4 }, (_, at) => ({
  shares: [{ paintId: pot.id, parts: 1 }],
  um: 8 + 3 * at,
  under: at % 2 === 0 ? ([14, 0, 1] as const) : ([52, 1, 3] as const),
}));
const onShelf = async () =>
  (await call<{ paints: Paint[] }>("/api/paints")).paints.find(({ id }) => id === pot.id)!;
const painter = async () => (await call<{ painter: Painter }>("/api/painter")).painter;

beforeEach(async () => {
  server.down = false;
  await call("/api/painter", { method: "PUT", json: defaultPainter });
});

describe("what readings teach of pots", () => {
  it("is told where nothing was read yet", async () => {
    render(<Settings />);
    const section = within(await screen.findByRole("region", { name: "What readings teach of pots" }));
    expect(await section.findByText(/^Read the dry paint of cards in the log/)).toBeVisible();
  });

  it("is taken over to the shelf when the painter says so, and put back", async () => {
    const real = demoShelf.map((one) => (one.id === pot.id ? { ...one, strength: one.strength * 1.6 } : one));
    for (const entry of readLog([...mixes, ...films], real))
      await call(`/api/jobs/ferry-sergeant/history/log/${entry.id}`, { method: "PUT", json: entry });
    render(<Settings />);
    const user = userEvent.setup();
    const section = within(await screen.findByRole("region", { name: "What readings teach of pots" }));
    await user.click(await section.findByRole("button", { name: `${pot.name}: use what was read` }));
    const back = await section.findByRole("button", { name: `${pot.name}: put back` });
    const { strength } = await onShelf();
    expect(strength / (pot.strength * 1.6)).toBeGreaterThan(0.9);
    expect(strength / (pot.strength * 1.6)).toBeLessThan(1.1);
    await waitFor(async () => expect((await painter()).learning.pots).toHaveLength(1));
    expect(section.queryByRole("button", { name: `${pot.name}: use what was read` })).toBeNull();
    await user.click(back);
    await waitFor(async () => expect((await onShelf()).strength).toBe(pot.strength));
    await waitFor(async () => expect((await painter()).learning.pots).toEqual([]));
    expect(await section.findByRole("button", { name: `${pot.name}: use what was read` })).toBeVisible();
  });
});
