import { server } from "../testing/server";
import { act, screen, waitFor } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import type { Job, LogEntry } from "../../core/job";
import { newPlainSurface } from "../../core/newJob";
import { call } from "../../ui/api";
import { show } from "../testing/open";
import { ConflictBar } from "./ConflictBar";
import { tickCard, useHistoryStore } from "./historyStore";
import { undo, useJobStore } from "./jobStore";
import { useAutosave } from "./useAutosave";
import { whileTyping } from "../../ui/typing";

interface Stored {
  readonly job: Job;
  readonly revision: number;
}

const stored = (id: string) => call<Stored>(`/api/jobs/${id}`);
const state = () => useJobStore.getState();
const rename = (name: string) => act(() => state().edit((job) => ({ ...job, name })));
const draftOf = (id: string) => localStorage.getItem(`crenna-draft-${id}`);

let problem: string | null = null;
const noteProblem = (message: string) => {
  problem = message;
};

function Opened({ id }: { readonly id: string }) {
  useAutosave(id, noteProblem);
  const name = useJobStore((now) => now.job?.name ?? "");
  return (
    <>
      <ConflictBar />
      <p>{name}</p>
    </>
  );
}

const surface = newPlainSurface("skirt", "Skirt", "cone-band", []);
const aCard = {
  id: "b",
  title: "Glaze",
  coat: surface.coats[0]!,
  surface,
  mix: null,
  handMinutes: 4,
  ...{ work: { paced: { by: "boxes", count: 9 } }, needs: [], pieces: 1, roomDry: 8 },
  figures: 1,
};

/** A job of its own for every test, opened. */
async function open(): Promise<string> {
  const { job } = await call<Stored>("/api/jobs", {
    method: "POST",
    json: { from: "new", name: "Tide hound" },
  });
  show(<Opened id={job.id} />);
  await waitFor(() => expect(state().job?.id).toBe(job.id));
  server.calls.length = 0;
  return job.id;
}

const saved = () => waitFor(() => expect(state().save.kind).toBe("saved"));

/** Another window's save of the same job. */
async function elsewhere(id: string, name: string): Promise<void> {
  const { job, revision } = await stored(id);
  await call(`/api/jobs/${id}`, { method: "PUT", json: { revision, job: { ...job, name } } });
}

beforeEach(() => {
  problem = null;
  server.down = false;
  server.mute = false;
  server.instead = null;
});
afterEach(() => act(() => useJobStore.setState({ job: null })));

describe("an edit", () => {
  it("is kept in the browser at once and on the server a moment later; then the draft goes", async () => {
    const id = await open();
    rename("Grey hound");
    expect(JSON.parse(draftOf(id)!)).toMatchObject({ revision: 1, job: { name: "Grey hound" } });
    expect(state().save.kind).toBe("waiting");
    await saved();
    expect(await stored(id)).toMatchObject({ revision: 2, job: { name: "Grey hound" } });
    expect(draftOf(id)).toBeNull();
  });

  it("made of many quick ones is saved once or twice, in its last form", async () => {
    const id = await open();
    for (let step = 0; step < 30; step++) rename(`Hound ${step}`);
    await saved();
    await waitFor(async () => expect((await stored(id)).job.name).toBe("Hound 29"));
    expect(server.calls.filter((made) => made === `PUT /api/jobs/${id}`).length).toBeLessThanOrEqual(2);
  });

  it("taken back before it was sent leaves nothing to save: no draft, and it says saved", async () => {
    const id = await open();
    rename("A slip");
    act(() => undo());
    expect(state().save.kind).toBe("saved");
    expect(draftOf(id)).toBeNull();
    await new Promise((resolve) => setTimeout(resolve, 600));
    expect(server.calls).not.toContain(`PUT /api/jobs/${id}`);
    server.down = true;
    rename("A slip");
    await waitFor(() => expect(state().save.kind).toBe("failed"));
    // Nobody knows whether that one arrived: the job as it is now is sent again.
    act(() => undo());
    expect(state().save.kind).toBe("failed");
    server.down = false;
    await waitFor(() => expect(state().save.kind).toBe("saved"), { timeout: 5000 });
    expect(await stored(id)).toMatchObject({ revision: 2, job: { name: "Tide hound" } });
  });

  it("waits while the server is down, says why, and is saved when it is back", async () => {
    const id = await open();
    server.down = true;
    rename("Grey hound");
    await waitFor(() => expect(state().save).toMatchObject({ kind: "failed" }));
    expect((state().save as { message: string }).message).toMatch(/cannot be reached/);
    expect(draftOf(id)).not.toBeNull();
    server.down = false;
    await waitFor(() => expect(state().save.kind).toBe("saved"), { timeout: 5000 });
    expect((await stored(id)).job.name).toBe("Grey hound");
  });

  it("that never reached the server comes back when the job is opened again", async () => {
    const id = await open();
    const draft = { revision: 1, job: { ...state().job!, name: "Typed before the crash" } };
    localStorage.setItem(`crenna-draft-${id}`, JSON.stringify(draft));
    act(() => useJobStore.setState({ job: null }));
    show(<Opened id={id} />);
    await waitFor(() => expect(state().job?.name).toBe("Typed before the crash"));
    await waitFor(async () => expect((await stored(id)).job.name).toBe("Typed before the crash"));
    act(() => undo());
    expect(state().job!.name).toBe("Tide hound");
  });

  /** The page is loaded anew. */
  function reload(id: string): void {
    act(() => useJobStore.setState({ job: null, save: { kind: "saved", at: "" } }));
    show(<Opened id={id} />);
  }

  it("left in the browser that the server has, or that cannot be read, is dropped", async () => {
    const id = await open();
    await elsewhere(id, "Newer");
    const known = { revision: 1, sent: [], job: (await stored(id)).job };
    for (const text of [JSON.stringify(known), "{", JSON.stringify({ revision: 2, job: { id } })]) {
      localStorage.setItem(`crenna-draft-${id}`, text);
      reload(id);
      await waitFor(() => expect(state().job?.name).toBe("Newer"));
      expect(draftOf(id)).toBeNull();
      expect(state().save.kind).toBe("saved");
    }
  });

  it("left in the browser where another window has saved since is asked about, however often it is reloaded", async () => {
    const id = await open();
    await elsewhere(id, "Theirs");
    const draft = { revision: 1, sent: [], job: { ...state().job!, name: "Mine" } };
    localStorage.setItem(`crenna-draft-${id}`, JSON.stringify(draft));
    for (let time = 0; time < 3; time++) {
      reload(id);
      await waitFor(() => expect(state().save.kind).toBe("conflict"));
      expect(state().job!.name).toBe("Mine");
    }
    expect((await stored(id)).job.name).toBe("Theirs");
    act(() => screen.getAllByRole("button", { name: "Keep mine" }).at(-1)!.click());
    await waitFor(async () => expect((await stored(id)).job.name).toBe("Mine"));
    act(() => undo());
    expect(state().job!.name).toBe("Theirs");
  });

  it("whose answer was lost is this window's own: no conflict with oneself, and later edits go on top", async () => {
    const id = await open();
    server.mute = true;
    rename("Arrived");
    await waitFor(() => expect(state().save.kind).toBe("failed"));
    rename("Later");
    server.mute = false;
    await waitFor(() => expect(state().save.kind).toBe("saved"), { timeout: 6000 });
    expect(await stored(id)).toMatchObject({ revision: 3, job: { name: "Later" } });
    server.mute = true;
    rename("Arrived again");
    await waitFor(() => expect(state().save.kind).toBe("failed"));
    server.mute = false;
    await waitFor(() => expect(state().save.kind).toBe("saved"), { timeout: 6000 });
    expect(await stored(id)).toMatchObject({ revision: 4, job: { name: "Arrived again" } });
  });

  it("is there after a reload while the answer is late, with what was typed after it", async () => {
    const id = await open();
    server.mute = true;
    rename("On its way");
    await waitFor(() => expect(state().save.kind).toBe("failed"));
    rename("Typed since");
    server.mute = false;
    reload(id);
    await waitFor(() => expect(state().job?.name).toBe("Typed since"));
    expect(state().save.kind).not.toBe("conflict");
    await waitFor(async () => expect((await stored(id)).job.name).toBe("Typed since"));
  });

  it("is saved though the browser's own store is full or forbidden", async () => {
    const id = await open();
    const full = vi.spyOn(Storage.prototype, "setItem").mockImplementation(() => {
      throw new DOMException("full", "QuotaExceededError");
    });
    rename("Grey hound");
    const leave = new Event("beforeunload", { cancelable: true });
    window.dispatchEvent(leave);
    expect(leave.defaultPrevented).toBe(true);
    await saved();
    expect((await stored(id)).job.name).toBe("Grey hound");
    act(() => tickCard(aCard as never));
    await waitFor(() => expect(useHistoryStore.getState().sent.waiting).toBe(0));
    const again = new Event("beforeunload", { cancelable: true });
    window.dispatchEvent(again);
    expect(again.defaultPrevented).toBe(false);
    full.mockRestore();
  });

  it("made by typing is kept at every key, and is one step for undo as long as the field is not left", async () => {
    const id = await open();
    const type = (stay: object, names: readonly string[]) =>
      names.forEach((name) => whileTyping(stay, () => rename(name)));
    type({}, ["G", "Gr", "Gre", "Grey"]);
    expect(JSON.parse(draftOf(id)!)).toMatchObject({ job: { name: "Grey" } });
    type({}, ["Grey h", "Grey ho"]);
    act(() => undo());
    expect(state().job!.name).toBe("Grey");
    act(() => undo());
    expect(state().job!.name).toBe("Tide hound");
    // After a step back the next key begins a step of its own.
    const stay = {};
    type(stay, ["A", "Ab"]);
    act(() => undo());
    type(stay, ["B"]);
    act(() => undo());
    expect(state().job!.name).toBe("Tide hound");
  });

  it("is sent while the page is left", async () => {
    const id = await open();
    rename("At the door");
    window.dispatchEvent(new Event("pagehide"));
    await waitFor(async () => expect((await stored(id)).job.name).toBe("At the door"));
  });
});

describe("an edit that another window's stands against", () => {
  async function conflict(): Promise<string> {
    const id = await open();
    await elsewhere(id, "Theirs");
    rename("Mine");
    await screen.findByRole("alert");
    expect(screen.getByText(/Changed in another window/)).toBeInTheDocument();
    return id;
  }

  it("is kept where the painter says so, over the other's", async () => {
    const id = await conflict();
    act(() => screen.getByRole("button", { name: "Keep mine" }).click());
    await saved();
    expect(await stored(id)).toMatchObject({ revision: 3, job: { name: "Mine" } });
    expect(screen.queryByRole("alert")).not.toBeInTheDocument();
  });

  it("gives way where the painter says so; undo brings it back", async () => {
    const id = await conflict();
    act(() => screen.getByRole("button", { name: "Take the other window's" }).click());
    expect(state().job!.name).toBe("Theirs");
    expect(state().save.kind).toBe("saved");
    act(() => undo());
    expect(state().job!.name).toBe("Mine");
    await waitFor(async () => expect((await stored(id)).job.name).toBe("Mine"));
  });
});

describe("another window", () => {
  const post = (message: unknown) => {
    const channel = new BroadcastChannel("crenna-jobs");
    channel.postMessage(message);
    channel.close();
  };

  it("is followed where nothing of our own waits", async () => {
    const id = await open();
    await elsewhere(id, "Theirs");
    post({ id, revision: 2 });
    await waitFor(() => expect(state().job!.name).toBe("Theirs"));
    expect(state().revision).toBe(2);
  });

  it("is followed at the bench without a word, since nothing there can conflict", async () => {
    const id = await open();
    const entry: LogEntry = {
      ...{ id: "entry-1", cardId: "a", cardTitle: "Base", doneAt: "2026-05-01T10:00:00.000Z" },
      ...{ minutes: null, note: "", recipe: null },
    };
    await call(`/api/jobs/${id}/history/log/entry-1`, { method: "PUT", json: entry });
    act(() => tickCard(aCard as never));
    post({ id, history: true });
    await waitFor(() =>
      expect(
        useHistoryStore
          .getState()
          .history.log.map(({ cardTitle }) => cardTitle)
          .sort(),
      ).toEqual(["Base", "Glaze"]),
    );
  });
});

describe("a job that cannot be opened", () => {
  it("says so in the server's own words", async () => {
    show(<Opened id="never-was" />);
    await waitFor(() => expect(problem).toContain('There is no job "never-was"'));
  });
});
