// @vitest-environment jsdom
import { server } from "../testing/server";
import { waitFor } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import type { History, Well } from "../../core/job";
import { call } from "../../ui/api";
import { ALL_TOLD, Outbox, waitingItems, type OutboxState, type Told } from "./historyOutbox";

const JOB = "ferry-sergeant";
const well = (id: string, name = "Well"): Well => ({
  ...{ id, name, mixId: null, added: [], content: [], waterUl: 0 },
});
const told = (id: string, name?: string): Told => ({ kind: "wells", id, item: well(id, name) });
const stored = async () => (await call<{ history: History }>(`/api/jobs/${JOB}/history`)).history.wells;

let state: OutboxState = ALL_TOLD;
const made: Outbox[] = [];
const open = (heard?: () => void) => {
  const outbox = new Outbox(JOB, (next) => (state = next), heard);
  made.push(outbox);
  return outbox;
};
const empty = () => waitFor(() => expect(state).toEqual(ALL_TOLD));

beforeEach(async () => {
  server.down = false;
  server.instead = null;
  for (const { id } of await stored())
    await call(`/api/jobs/${JOB}/history/wells/${id}`, { method: "DELETE" });
  server.calls.length = 0;
});
afterEach(() => made.splice(0).forEach((outbox) => outbox.stop()));

describe("what happened at the bench", () => {
  it("is told in the order it happened, and then no longer kept in the browser", async () => {
    const outbox = open();
    outbox.tell(told("well-1"));
    outbox.tell(told("well-2"));
    expect(state.waiting).toBe(2);
    expect(waitingItems(JOB)).toEqual([told("well-1"), told("well-2")]);
    await empty();
    expect(server.calls).toEqual(
      ["well-1", "well-2"].map((id) => `PUT /api/jobs/${JOB}/history/wells/${id}`),
    );
    expect(waitingItems(JOB)).toEqual([]);
    expect((await stored()).map(({ id }) => id)).toEqual(["well-1", "well-2"]);
  });

  it("is told once in its last form, also where it changed while it was on its way", async () => {
    const outbox = open();
    outbox.tell(told("well-1", "First"));
    outbox.tell(told("well-1", "Second"));
    await empty();
    expect(server.calls).toHaveLength(1);
    outbox.tell(told("well-1", "Third"));
    await waitFor(() => expect(server.calls.length).toBe(2));
    outbox.tell(told("well-1", "Fourth"));
    await empty();
    expect((await stored()).map(({ name }) => name)).toEqual(["Fourth"]);
  });

  it("waits while the server is down, says so, and is told when it is back", async () => {
    server.down = true;
    const outbox = open();
    outbox.tell(told("well-1"));
    await waitFor(() => expect(state.problem).toMatch(/cannot be reached/));
    expect(state.waiting).toBe(1);
    server.down = false;
    await waitFor(() => expect(state.waiting).toBe(0), { timeout: 4000 });
    expect(await stored()).toHaveLength(1);
  });

  it("outlives the page: the next one tells it, and tells other windows", async () => {
    server.down = true;
    open().tell(told("well-1"));
    await waitFor(() => expect(state.problem).not.toBeNull());
    made.splice(0).forEach((outbox) => outbox.stop());
    server.down = false;
    let heard = 0;
    open(() => heard++);
    await waitFor(() => expect(heard).toBe(1));
    expect(await stored()).toHaveLength(1);
  });

  it("does not hold up the rest where the server will never take one of them", async () => {
    const outbox = open();
    outbox.tell({ kind: "wells", id: "well-1", item: { ...well("well-1"), waterUl: -1 } });
    outbox.tell(told("well-2"));
    await waitFor(() => expect(state.waiting).toBe(0));
    expect(state.refused).toMatch(/waterUl/);
    expect((await stored()).map(({ id }) => id)).toEqual(["well-2"]);
  });

  it("is taken off where it is null", async () => {
    const outbox = open();
    outbox.tell(told("well-1"));
    await empty();
    outbox.tell({ kind: "wells", id: "well-1", item: null });
    await empty();
    expect(await stored()).toEqual([]);
  });

  it("is sent at once while the page is left", async () => {
    const outbox = open();
    outbox.tell(told("well-1"));
    outbox.leave();
    await waitFor(async () => expect(await stored()).toHaveLength(1));
  });

  it("starts with nothing where what was kept is cut off or foreign", () => {
    for (const text of ["[{", '[{"kind":"wells","id":"well-1","item":{"id":3}}]', '"no"']) {
      localStorage.setItem(`crenna-bench-${JOB}`, text);
      expect(waitingItems(JOB)).toEqual([]);
    }
  });
});
