import { useEffect } from "react";
import { parseJob } from "../../core/formats/job-json/jobSchema";
import type { History, Job, Paint } from "../../core/job";
import type { Painter } from "../../core/painter";
import { ApiError, call, messageOf } from "../../ui/api";
import { leaveHistory, openHistory, useHistoryStore } from "./historyStore";
import { jobText, keepHistory, onHistory, restoreHistory, useJobStore } from "./jobStore";

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

interface Draft {
  readonly revision: number;
  readonly job: Job;
}

const draftText = (job: Job, revision: number) => `{"revision":${revision},"job":${jobText(job)}}`;

const draftKey = (id: string) => `crenna-draft-${id}`;

/** The job as last saved by this window; what differs from it waits to be saved. */
let savedJob: Job | null = null;
let savedAt = "";
/** A save went out of which nobody knows whether it arrived: what the server has must be told again. */
let unsure = false;
let timer: ReturnType<typeof setTimeout> | null = null;
let saving = false;

function keepDraft(job: Job, revision: number): void {
  localStorage.setItem(draftKey(job.id), draftText(job, revision));
}

/** An edit that never reached the server, if it was made on the revision the server still has. */
function takeDraft(loaded: Loaded): Job | null {
  const text = localStorage.getItem(draftKey(loaded.job.id));
  if (text === null) return null;
  localStorage.removeItem(draftKey(loaded.job.id));
  try {
    const draft = JSON.parse(text) as Draft;
    const job = parseJob(draft.job);
    return draft.revision === loaded.revision ? job : null;
  } catch {
    return null;
  }
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
  if (!job || (job === savedJob && !unsure) || saving || save.kind === "conflict") return;
  saving = true;
  setSave({ kind: "saving" });
  keepDraft(job, revision);
  try {
    const answer = await call<{ revision: number; updatedAt: string }>(`/api/jobs/${job.id}`, {
      method: "PUT",
      json: { revision, job },
    });
    unsure = false;
    savedJob = job;
    savedAt = answer.updatedAt;
    channel.postMessage({ id: job.id, revision: answer.revision });
    const newest = useJobStore.getState().job;
    if (newest === job || newest === null) {
      localStorage.removeItem(draftKey(job.id));
      setSave({ kind: "saved", at: answer.updatedAt }, answer.revision);
    } else {
      // Edited while this was on its way: the newer state is kept as a draft of what the server has now.
      keepDraft(newest, answer.revision);
      setSave({ kind: "waiting" }, answer.revision);
    }
  } catch (error) {
    fail(error);
  } finally {
    saving = false;
    const now = useJobStore.getState();
    if ((now.job !== savedJob || unsure) && now.save.kind !== "conflict")
      schedule(now.save.kind === "failed" ? RETRY_MS : WAIT_MS);
  }
}

function fail(error: unknown): void {
  const { setSave } = useJobStore.getState();
  unsure = error instanceof ApiError && error.status === 0;
  if (error instanceof ApiError && error.status === 409) {
    setSave({ kind: "conflict", theirs: parseJob(error.body.job), revision: Number(error.body.revision) });
  } else setSave({ kind: "failed", message: messageOf(error) });
}

/** An edit was taken back before it was sent: the server has this very job already. */
function nothingToSave(): void {
  const { job, save, setSave } = useJobStore.getState();
  if (!job || saving || unsure || save.kind !== "waiting") return;
  if (timer !== null) clearTimeout(timer);
  timer = null;
  localStorage.removeItem(draftKey(job.id));
  setSave({ kind: "saved", at: savedAt });
}

/** Ends a conflict: the other window's job is taken, or this one's is saved over it. */
export function settleConflict(keep: "mine" | "theirs"): void {
  const { save, replace, setSave } = useJobStore.getState();
  if (save.kind !== "conflict") return;
  if (keep === "theirs") {
    savedJob = save.theirs;
    replace(save.theirs, save.revision);
  } else {
    setSave({ kind: "waiting" }, save.revision);
    schedule(0);
  }
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
  { readonly id: string; readonly revision: number } | { readonly id: string; readonly history: true };

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
        unsure = false;
        savedAt = loaded.updatedAt;
        openHistory(jobId, loaded.history, () => channel.postMessage({ id: jobId, history: true }));
        useJobStore.getState().open(loaded);
        restoreHistory(jobId);
        // Written a moment later: a drag of a slider would write it for every step.
        stopHistory = onHistory(() => {
          historyTimer ??= setTimeout(() => keepSteps(jobId), HISTORY_MS);
        });
        const draft = takeDraft(loaded);
        if (draft) useJobStore.getState().edit(() => draft);
      },
      (error: unknown) => onProblem(messageOf(error)),
    );
    const stop = useJobStore.subscribe((state, before) => {
      if (state.job === before.job || !before.job || !state.job) return;
      if (state.job === savedJob) {
        nothingToSave();
        return;
      }
      keepDraft(state.job, state.revision);
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
    channel.addEventListener("message", heard);
    window.addEventListener("pagehide", leave);
    return () => {
      gone = true;
      stop();
      stopHistory();
      channel.removeEventListener("message", heard);
      window.removeEventListener("pagehide", leave);
    };
  }, [jobId, onProblem]);
}
