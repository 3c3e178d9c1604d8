import { useCallback, useEffect, useState } from "react";
import type { Job, Paint } from "../../core/job";
import type { Painter } from "../../core/painter";
import { call, messageOf } from "../../ui/api";

/** What the desk knows of a job before it is opened; sizes are null where it could not be read. */
export interface JobSummary {
  readonly id: string;
  readonly name: string;
  readonly updatedAt: string;
  readonly eyeHeightMm: number | null;
  readonly standard: string | null;
  readonly primer: string | null;
  readonly figures: number | null;
  readonly surfaces: number | null;
}

interface Loaded {
  readonly jobs: readonly JobSummary[];
  readonly paints: readonly Paint[];
  readonly painter: Painter;
}

/** What was deleted last, until it is too late to take it back. */
interface Deleted {
  readonly id: string;
  readonly name: string;
}

async function loadDesk(): Promise<Loaded> {
  const [{ jobs }, { paints }, { following }] = await Promise.all([
    call<{ jobs: JobSummary[] }>("/api/jobs"),
    call<{ paints: Paint[] }>("/api/paints"),
    call<{ following: Painter }>("/api/painter"),
  ]);
  return { jobs, paints, painter: following };
}

async function rename(id: string, name: string): Promise<void> {
  const { job, revision } = await call<{ job: Job; revision: number }>(`/api/jobs/${id}?bare`);
  await call(`/api/jobs/${id}`, { method: "PUT", json: { revision, job: { ...job, name } } });
}

async function takeFile(file: File): Promise<void> {
  const text = await file.text();
  await call("/api/jobs/import", { method: "POST", text }).catch((error: unknown) => {
    throw new Error(`${file.name} was not taken, nothing was changed. ${messageOf(error)}`, { cause: error });
  });
}

/** The jobs on the go and all that can be done with them. */
export function useDesk() {
  const [loaded, setLoaded] = useState<Loaded | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [deleted, setDeleted] = useState<Deleted | null>(null);
  const load = useCallback(() => loadDesk().then(setLoaded), []);
  const attempt = useCallback(
    (work: () => Promise<unknown>) => {
      setProblem(null);
      work()
        .then(load)
        .catch((error: unknown) => setProblem(messageOf(error)));
    },
    [load],
  );
  useEffect(() => {
    load().catch((error: unknown) => setProblem(messageOf(error)));
  }, [load]);
  return {
    loaded,
    problem,
    deleted,
    clearProblem: () => setProblem(null),
    clearDeleted: () => setDeleted(null),
    create: (from: "new" | "demo") =>
      attempt(async () => {
        const { job } = await call<{ job: Job }>("/api/jobs", { method: "POST", json: { from } });
        if (from === "new") window.location.assign(`/job/${job.id}/brief`);
      }),
    copy: (id: string, history: boolean) =>
      attempt(() => call("/api/jobs", { method: "POST", json: { from: "copy", id, history } })),
    rename: (id: string, name: string) => attempt(() => rename(id, name)),
    remove: (id: string, name: string) =>
      attempt(async () => {
        await call(`/api/jobs/${id}`, { method: "DELETE" });
        setDeleted({ id, name });
      }),
    restore: () =>
      attempt(async () => {
        if (deleted) await call(`/api/jobs/${deleted.id}/restore`, { method: "POST" });
        setDeleted(null);
      }),
    importFile: (file: File) => attempt(() => takeFile(file)),
  };
}
