import { temporal } from "zundo";
import { create, useStore } from "zustand";
import { withoutSpareMixes } from "../../core/edits/mixes";
import { upgradeJob } from "../../core/formats/job-json/upgrade";
import { JOB_VERSION, USUAL_BENCH, type Job, type Mix, type Paint } from "../../core/job";
import type { Painter } from "../../core/painter";
import { deriveCoats } from "../../core/patterns/derive";
import { lastOf } from "../../ui/lastOf";
import { typingNow } from "../../ui/typing";
import { useHistoryStore } from "./historyStore";

export type SaveState =
  | { readonly kind: "saved"; readonly at: string }
  | { readonly kind: "waiting" }
  | { readonly kind: "saving" }
  | { readonly kind: "failed"; readonly message: string }
  | { readonly kind: "conflict"; readonly theirs: Job; readonly revision: number };

interface JobState {
  readonly job: Job | null;
  readonly paints: readonly Paint[];
  readonly painter: Painter | null;
  readonly revision: number;
  readonly save: SaveState;
  readonly open: (loaded: {
    job: Job;
    paints: readonly Paint[];
    painter: Painter;
    revision: number;
    updatedAt: string;
  }) => void;
  /** Makes an edit; the coats follow from the patterns. */
  readonly edit: (change: (job: Job) => Job) => void;
  readonly setPaints: (paints: readonly Paint[]) => void;
  readonly setSave: (save: SaveState, revision?: number) => void;
  /** Takes another window's job in place of this one; undo brings the own one back. */
  readonly replace: (job: Job, revision: number) => void;
}

const NO_MIXES: readonly Mix[] = [];

/** Mixes that wells were begun for: they are kept though nothing is painted in them. */
const wellMixes = (): ReadonlySet<string> =>
  new Set(useHistoryStore.getState().history.wells.flatMap(({ mixId }) => mixId ?? []));

const STEPS_BACK = 100;

/** The stay in a text field that the last edit came from, and the job it made. */
let lastTyped: { readonly stay: object | null; readonly job: Job | null } = { stay: null, job: null };

/** The open job. Every change of it can be undone; only the job itself is part of that. */
export const useJobStore = create<JobState>()(
  temporal(
    (set, get) => ({
      job: null,
      paints: [],
      painter: null,
      revision: 0,
      save: { kind: "saved", at: "" },
      open: ({ job, paints, painter, revision, updatedAt }) =>
        set({ job, paints, painter, revision, save: { kind: "saved", at: updatedAt } }),
      edit: (change) => {
        const { job, paints } = get();
        if (!job) return;
        const changed = change(job);
        if (changed === job) return;
        const next = withoutSpareMixes(deriveCoats(changed, paints, job), job, wellMixes());
        const stay = typingNow();
        // The next letter of the same stay in a field belongs to the step that its first one began.
        const goesOn = stay !== null && lastTyped.stay === stay && lastTyped.job === job;
        if (goesOn) history.getState().pause();
        set({ job: next });
        if (goesOn) history.getState().resume();
        lastTyped = { stay, job: next };
      },
      setPaints: (paints) => set({ paints }),
      setSave: (save, revision) => set(revision === undefined ? { save } : { save, revision }),
      replace: (job, revision) =>
        set({ job, revision, save: { kind: "saved", at: new Date().toISOString() } }),
    }),
    {
      partialize: ({ job }) => ({ job }),
      equality: (a, b) => a.job === b.job,
      limit: STEPS_BACK,
    },
  ),
);

const history = useJobStore.temporal;

export const undo = (): void => history.getState().undo();
export const redo = (): void => history.getState().redo();
export const useCanUndo = (): boolean =>
  useStore(history, (state) => state.pastStates.some((past) => past.job));
export const useCanRedo = (): boolean => useStore(history, (state) => state.futureStates.length > 0);

const texts = new WeakMap<Job, string>();

/** A job as JSON; each state of it is written out once, however often it is kept. */
export function jobText(job: Job): string {
  let text = texts.get(job);
  if (text === undefined) {
    text = JSON.stringify(job);
    texts.set(job, text);
  }
  return text;
}

const stepsText = (steps: readonly { readonly job?: Job | null }[]): string =>
  `[${steps.map(({ job }) => `{"job":${job ? jobText(job) : "null"}}`).join(",")}]`;

/** Steps back and forward outlive a reload of the page, in this window. */
const historyKey = (jobId: string) => `crenna-steps-${jobId}`;
const KEPT_STEPS = 30;

export function keepHistory(jobId: string): void {
  const { pastStates, futureStates } = history.getState();
  const [past, future] = [pastStates, futureStates].map((steps) => stepsText(steps.slice(-KEPT_STEPS)));
  try {
    sessionStorage.removeItem(historyKey(jobId));
    sessionStorage.setItem(historyKey(jobId), `{"past":${past},"future":${future}}`);
  } catch {
    // A full or forbidden store only costs the steps back after a reload.
  }
}

/** Calls back whenever a step is taken, forward or back. */
export const onHistory = (listener: () => void): (() => void) => history.subscribe(listener);

function keptSteps(jobId: string): string | null {
  try {
    return sessionStorage.getItem(historyKey(jobId));
  } catch {
    return null;
  }
}

export function restoreHistory(jobId: string): void {
  history.getState().clear();
  const text = keptSteps(jobId);
  if (text === null) return;
  const { past, future } = JSON.parse(text) as { past: { job: Job | null }[]; future: { job: Job | null }[] };
  // Steps kept by an older version of the page may be of an older shape.
  const today = (states: { job: Job | null }[]) =>
    states.flatMap(({ job }) => (job === null ? [] : [{ job: upgradeJob(job) as Job }]));
  history.setState({ pastStates: today(past), futureStates: today(future) });
}

const designOf = lastOf(
  (
    id: string,
    name: string,
    figures: Job["figures"],
    hand: Job["hand"],
    mixes: Job["mixes"],
    surfaces: Job["surfaces"],
    touching: Job["touching"],
  ): Job => ({
    format: "crenna-job",
    version: JOB_VERSION,
    ...{ id, name, figures, hand, mixes, references: [], goals: [], surfaces, touching, bench: USUAL_BENCH },
  }),
);

/** The open job without goals, pictures and its plan for the bench: what verdicts and cards depend on. */
export function useDesign(): Job {
  const { id, name, figures, hand, mixes, surfaces, touching } = useJob();
  return designOf(id, name, figures, hand, mixes, surfaces, touching);
}

/** The open job; only for views that are shown once it is there. */
export function useJob(): Job {
  const job = useJobStore((state) => state.job);
  if (!job) throw new Error("no job is open");
  return job;
}

/** The mixes of the job, whatever else of it changes. */
export const useMixes = (): readonly Mix[] => useJobStore((state) => state.job?.mixes ?? NO_MIXES);
export const usePaints = (): readonly Paint[] => useJobStore((state) => state.paints);
export const useEdit = () => useJobStore((state) => state.edit);

export function usePainter(): Painter {
  const painter = useJobStore((state) => state.painter);
  if (!painter) throw new Error("no painter is loaded");
  return painter;
}
