import { useState } from "react";
import { jobOfSchemes } from "../../core/edits/schemeJob";
import { writeJobFile } from "../../core/formats/job-json/jobFile";
import type { Job, OwnScheme, Paint } from "../../core/job";
import type { Painter } from "../../core/painter";
import { call, messageOf } from "../../ui/api";

/** Begins a job whose pieces are painted by schemes, and goes there. */
export function useNewJob(paints: readonly Paint[]) {
  const [problem, setProblem] = useState<string | null>(null);
  const begin = async (schemes: readonly OwnScheme[]): Promise<void> => {
    const { following: painter } = await call<{ following: Painter }>("/api/painter");
    const name = schemes.find(({ from }) => from)?.from?.job ?? schemes[0]!.name;
    const job = jobOfSchemes(
      schemes,
      { id: "again", name: `${name} again`.slice(0, 80).trim(), painter },
      paints,
    );
    const text = writeJobFile(job, paints);
    const made = await call<{ job: Job }>("/api/jobs/import", { method: "POST", text });
    window.location.assign(`/job/${made.job.id}/brief`);
  };
  return {
    problem,
    clearProblem: () => setProblem(null),
    start: (schemes: readonly OwnScheme[]) => {
      setProblem(null);
      begin(schemes).catch((error: unknown) => setProblem(messageOf(error)));
    },
  };
}
