import { server } from "../testing/server";
import { overtype } from "../testing/open";
import { FakeWorker } from "../testing/worker";
import { act, render, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, describe, expect, it } from "vitest";
import { entryFor } from "../../core/edits/history";
import { NO_HISTORY, type Job } from "../../core/job";
import { defaultPainter, type Painter } from "../../core/painter";
import { cardsOf } from "../../core/plan/cards";
import { demoShelf } from "../../data/demo/shelf";
import { call } from "../../ui/api";
import { usePrefs } from "../../ui/prefs";
import { Settings } from "./Settings";

const stored = async () => (await call<{ painter: Painter }>("/api/painter")).painter;

async function open() {
  render(<Settings />);
  await screen.findByLabelText("One drop of water");
  return userEvent.setup();
}

beforeEach(async () => {
  server.down = false;
  await call("/api/painter", { method: "PUT", json: defaultPainter });
});

describe("the painter's settings", () => {
  it("are kept as they are typed, and say so", async () => {
    const user = await open();
    await overtype(user, screen.getByLabelText("One drop of water"), "45");
    await waitFor(() => expect(screen.getByRole("status")).toHaveTextContent("Saved"));
    expect((await stored()).waterDropUl).toBe(45);
  });

  it("typed key by key arrive in order, the last one last", async () => {
    const user = await open();
    await user.clear(screen.getByLabelText("One drop of water"));
    await user.type(screen.getByLabelText("One drop of water"), "45.25");
    await waitFor(async () => expect((await stored()).waterDropUl).toBe(45.25));
    await waitFor(() => expect(screen.getByRole("status")).toHaveTextContent("Saved"));
    expect((await stored()).waterDropUl).toBe(45.25);
  });

  it("say when they could not be kept, and keep them with the next change", async () => {
    const user = await open();
    server.down = true;
    await overtype(user, screen.getByLabelText("One dot"), "4");
    expect(await screen.findByText(/server cannot be reached/)).toBeVisible();
    expect(screen.getByLabelText("One dot")).toHaveValue("4");
    server.down = false;
    await overtype(user, screen.getByLabelText("One box, one pass"), "6");
    await waitFor(async () => expect(await stored()).toMatchObject({ secondsPerDot: 4, secondsPerBox: 6 }));
    expect(screen.queryByText(/server cannot be reached/)).toBeNull();
  });

  it("of the screen stay in this browser", async () => {
    const user = await open();
    await user.click(screen.getByRole("button", { name: "Dark" }));
    await user.click(screen.getByRole("button", { name: "Quick, on a slow machine" }));
    expect(usePrefs.getState()).toMatchObject({ mode: "dark", fineness: "quick" });
    expect(localStorage.getItem("crenna-prefs")).toContain('"mode":"dark"');
    await user.click(screen.getByRole("button", { name: "Light" }));
  });
});

describe("what the log teaches", () => {
  /** A log in which lines take twice as long as was set. */
  async function painted(): Promise<void> {
    const { job } = await call<{ job: Job }>("/api/jobs", { method: "POST", json: { from: "demo" } });
    const card = cardsOf(job, demoShelf, defaultPainter).find(({ work }) => work.paced.by === "pulls")!;
    for (let at = 0; at < 6; at++) {
      const made = { id: `entry-${at}`, at: "2026-05-01T09:30:00.000Z" };
      const entry = entryFor(card, NO_HISTORY, made);
      const minutes = 2 + 2 * (entry.planned!.minutes - 2) * (1 + 0.02 * at);
      await call(`/api/jobs/${job.id}/history/log/${made.id}`, {
        method: "PUT",
        json: { ...entry, minutes },
      });
    }
  }
  const line = () => screen.getByText("One pull of a line", { selector: "p" }).closest("li")!;

  it("is shown, held to the painter's own, let go, and learned anew", async () => {
    await painted();
    const user = await open();
    expect(await screen.findByText(/^1[12]\.\d\ss, between .*: 6 entries$/)).toBeVisible();
    expect((await call<{ following: Painter }>("/api/painter")).following.secondsPerPull).toBeGreaterThan(10);
    await user.click(screen.getByRole("button", { name: "One pull of a line: hold to mine" }));
    await waitFor(() => expect(line()).toHaveTextContent("held to yours"));
    expect((await call<{ following: Painter }>("/api/painter")).following.secondsPerPull).toBe(6);
    await user.click(screen.getByRole("button", { name: "One pull of a line: let it follow" }));
    await waitFor(() => expect(line()).toHaveTextContent("6 entries"));
    await user.click(screen.getByRole("button", { name: "One pull of a line: learn anew" }));
    await waitFor(() => expect(line()).toHaveTextContent("too little told yet: 0 entries"));
    expect((await stored()).learning.since).toHaveLength(1);
  });

  it("says which plans it changes, and by how much", async () => {
    await painted();
    const user = await open();
    await user.click(await screen.findByRole("button", { name: "Which plans it changes" }));
    for (let job = 0; job < 12 && !/\d cards?, /.test(line().textContent); job++) {
      await waitFor(() => expect(FakeWorker.of("cards").length).toBeGreaterThan(job));
      const { id, worker } = FakeWorker.of("cards").at(-1)!;
      await act(() => worker.answer(id));
    }
    await waitFor(() =>
      expect(line()).toHaveTextContent(/Ferry sergeant.*: \d+ cards?, (\d+\sh )?\d+(\smin)? more/),
    );
  });
});
