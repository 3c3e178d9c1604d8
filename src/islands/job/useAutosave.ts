import { useEffect } from "react";
import { parseJob } from "../../core/formats/job-json/jobSchema";
import type { History, Job, Paint } from "../../core/job";
import type { Painter } from "../../core/painter";
import { ApiError, call, messageOf } from "../../ui/api";
import { dropDraft, keepDraft, markOf, readDraft, type Draft } from "./draft";
import { leaveHistory, openHistory, useHistoryStore } from "./historyStore";
import { keepHistory, onHistory, restoreHistory, useJobStore } from "./jobStore";

/** Edits are sent this long after the last one, and this long apart at most. */
const WAIT_MS = 250;
const RETRY_MS = 2000;

interface Loaded {
  readonly job: Job;
  readonly history: History;
  readonly paints: readonly Paint[];
  readonly painter: Painter;
  readonly revision: number;
  readonly updatedAt: string;
}

/** The job as last saved by this window; what differs from it waits to be saved. */
let savedJob: Job | null = null;
let savedAt = "";
/** Marks of jobs that were sent and of which no answer came: any of them may be what the server has. */
const unheard = new Set<string>();
/** Whether the browser could not keep the newest edits either. */
let unkept = false;
let timer: ReturnType<typeof setTimeout> | null = null;
let saving = false;

/** How a kept draft goes on: it is what the server has, it lies on top of that, or both have gone on since. */
type Fate = "known" | "on top" | "against";

function fateOf(draft: Draft, loaded: Loaded): Fate {
  const server = markOf(loaded.job);
  if (markOf(draft.job) === server) return "known";
  // The server has what the draft was made on, or what this window itself had sent on the way there.
  return draft.revision === loaded.revision || draft.sent.includes(server) ? "on top" : "against";
}

/** Edits that never reached the server come back; where another window saved meanwhile, the painter chooses. */
function takeDraft(loaded: Loaded): void {
  const draft = readDraft(loaded.job.id);
  const fate = draft ? fateOf(draft, loaded) : "known";
  if (!draft || fate === "known") {
    dropDraft(loaded.job.id);
    return;
  }
  const { edit, setSave } = useJobStore.getState();
  // The draft keeps the revision it was made on, so that another reload asks again.
  if (fate === "against")
    setSave({ kind: "conflict", theirs: loaded.job, revision: loaded.revision }, draft.revision);
  edit(() => draft.job);
}

function noteDraft(job: Job, revision: number): void {
  unkept = !keepDraft(job, revision, [...unheard]);
}

function schedule(wait: number): void {
  if (timer !== null) clearTimeout(timer);
  timer = setTimeout(() => void saveNow(), wait);
}

const HISTORY_MS = 400;
let historyTimer: ReturnType<typeof setTimeout> | null = null;

function keepSteps(jobId: string): void {
  if (historyTimer !== null) clearTimeout(historyTimer);
  historyTimer = null;
  keepHistory(jobId);
}

const channel = new BroadcastChannel("crenna-jobs");

async function saveNow(): Promise<void> {
  timer = null;
  const { job, revision, setSave, save } = useJobStore.getState();
  if (!job || (job === savedJob && unheard.size === 0) || saving || save.kind === "conflict") return;
  saving = true;
  setSave({ kind: "saving" });
  unheard.add(markOf(job));
  noteDraft(job, revision);
  try {
    const answer = await call<{ revision: number; updatedAt: string }>(`/api/jobs/${job.id}`, {
      method: "PUT",
      json: { revision, job },
    });
    heardOf(job, answer.revision, answer.updatedAt);
  } catch (error) {
    fail(error, job);
  } finally {
    saving = false;
    const now = useJobStore.getState();
    if ((now.job !== savedJob || unheard.size > 0) && now.save.kind !== "conflict")
      schedule(now.save.kind === "failed" ? RETRY_MS : WAIT_MS);
  }
}

/** The server has a job of this window. */
function heardOf(job: Job, revision: number, updatedAt: string): void {
  const { setSave } = useJobStore.getState();
  unheard.clear();
  [savedJob, savedAt] = [job, updatedAt];
  channel.postMessage({ id: job.id, revision });
  const newest = useJobStore.getState().job;
  if (newest === job || newest === null) {
    dropDraft(job.id);
    setSave({ kind: "saved", at: updatedAt }, revision);
  } else {
    // Edited while this was on its way: the newer state is kept as a draft of what the server has now.
    noteDraft(newest, revision);
    setSave({ kind: "waiting" }, revision);
  }
}

function fail(error: unknown, sent: Job): void {
  const { setSave } = useJobStore.getState();
  const mark = markOf(sent);
  if (!(error instanceof ApiError) || error.status !== 0) unheard.delete(mark);
  if (!(error instanceof ApiError) || error.status !== 409) {
    setSave({ kind: "failed", message: messageOf(error) });
    return;
  }
  const theirs = parseJob(error.body.job);
  const revision = Number(error.body.revision);
  // An answer was lost on the way: what stands against this is this window's own.
  if (markOf(theirs) === mark) heardOf(sent, revision, new Date().toISOString());
  else if (unheard.has(markOf(theirs))) setSave({ kind: "waiting" }, revision);
  else setSave({ kind: "conflict", theirs, revision });
}

/** An edit was taken back before it was sent: the server has this very job already. */
function nothingToSave(): void {
  const { job, save, setSave } = useJobStore.getState();
  if (!job || saving || unheard.size > 0 || save.kind !== "waiting") return;
  if (timer !== null) clearTimeout(timer);
  timer = null;
  dropDraft(job.id);
  setSave({ kind: "saved", at: savedAt });
}

/** Ends a conflict: the other window's job is taken, or this one's is saved over it. */
export function settleConflict(keep: "mine" | "theirs"): void {
  const { job, save, replace, edit } = useJobStore.getState();
  if (save.kind !== "conflict" || !job) return;
  savedJob = save.theirs;
  // The other's becomes a step of this window's, whichever is kept: undo brings it back.
  replace(save.theirs, save.revision);
  if (keep === "theirs") dropDraft(job.id);
  else edit(() => job);
}

/** Another window saved: take it over where nothing of our own is waiting. */
async function follow(id: string, revision: number): Promise<void> {
  const state = useJobStore.getState();
  if (state.job?.id !== id || revision <= state.revision || state.job !== savedJob || saving) return;
  const loaded = await call<Loaded>(`/api/jobs/${id}`);
  const now = useJobStore.getState();
  if (now.job === null || now.job !== savedJob || now.job.id !== id) return;
  savedJob = loaded.job;
  now.replace(loaded.job, loaded.revision);
}

/** What windows tell each other: a job was saved, or something happened at its bench. */
type Heard =
  | { readonly id: string; readonly revision: number }
  | { readonly id: string; readonly history: true };

/** Another window noted something at the bench: it is taken over at once, since nothing of it can conflict. */
async function followHistory(id: string): Promise<void> {
  if (useHistoryStore.getState().jobId !== id) return;
  openHistory(id, (await call<{ history: History }>(`/api/jobs/${id}/history`)).history);
}

/** Loads a job and keeps it saved as it is edited. @returns what went wrong, if it could not be loaded */
export function useAutosave(jobId: string, onProblem: (message: string) => void): void {
  useEffect(() => {
    let gone = false;
    let stopHistory = () => {};
    void call<Loaded>(`/api/jobs/${jobId}`).then(
      (loaded) => {
        if (gone) return;
        savedJob = loaded.job;
        unheard.clear();
        savedAt = loaded.updatedAt;
        openHistory(jobId, loaded.history, () => channel.postMessage({ id: jobId, history: true }));
        useJobStore.getState().open(loaded);
        restoreHistory(jobId);
        // Written a moment later: a drag of a slider would write it for every step.
        stopHistory = onHistory(() => {
          historyTimer ??= setTimeout(() => keepSteps(jobId), HISTORY_MS);
        });
        takeDraft(loaded);
      },
      (error: unknown) => onProblem(messageOf(error)),
    );
    const stop = useJobStore.subscribe((state, before) => {
      if (state.job === before.job || !before.job || !state.job) return;
      if (state.job === savedJob) {
        nothingToSave();
        return;
      }
      noteDraft(state.job, state.revision);
      if (state.save.kind !== "conflict" && !saving) {
        state.setSave({ kind: "waiting" });
        schedule(WAIT_MS);
      }
    });
    const leave = () => {
      keepSteps(jobId);
      leaveHistory();
      const { job, revision, save } = useJobStore.getState();
      if (!job || job === savedJob || save.kind === "conflict") return;
      void call(`/api/jobs/${job.id}`, { method: "PUT", json: { revision, job }, keepalive: true }).catch(
        () => null,
      );
    };
    const heard = ({ data }: MessageEvent<Heard>) =>
      void ("history" in data ? followHistory(data.id) : follow(data.id, data.revision)).catch(() => null);
    // Neither the server nor the browser has the newest edits: the browser asks before it closes the page.
    const ask = (event: BeforeUnloadEvent) => {
      if (unkept && useJobStore.getState().save.kind !== "saved") event.preventDefault();
    };
    channel.addEventListener("message", heard);
    window.addEventListener("beforeunload", ask);
    window.addEventListener("pagehide", leave);
    return () => {
      gone = true;
      stop();
      stopHistory();
      channel.removeEventListener("message", heard);
      window.removeEventListener("beforeunload", ask);
      window.removeEventListener("pagehide", leave);
    };
  }, [jobId, onProblem]);
}
