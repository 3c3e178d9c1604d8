import { Box, LinearProgress, Link, Typography } from "@mui/material";
import { useCallback, useDeferredValue, useEffect, useState } from "react";
import { AppFrame } from "../../ui/AppFrame";
import { ViewBoundary } from "../../ui/ViewBoundary";
import { BenchStage } from "./bench/BenchStage";
import { BriefStage } from "./brief/BriefStage";
import { CheckStage } from "./check/CheckStage";
import { CoatsStage } from "./coats/CoatsStage";
import { ConflictBar } from "./ConflictBar";
import { JobHeader } from "./JobHeader";
import { redo, undo, useJobStore } from "./jobStore";
import { LogStage } from "./log/LogStage";
import { PaletteStage } from "./palette/PaletteStage";
import { TakeBack } from "./TakeBack";
import { isStage, STAGE_NAMES, type Stage } from "./stages";
import { useAutosave } from "./useAutosave";
import { useKeepJudged } from "./useJudged";
import { useKeepSimulated } from "./useSimulation";
import { useSurface } from "./useSurface";
import { simulationWorker } from "../../worker/client";

// The worker loads beside the page instead of after the job has come.
simulationWorker();

const VIEWS: Readonly<Record<Stage, () => React.ReactNode>> = {
  brief: BriefStage,
  palette: PaletteStage,
  coats: CoatsStage,
  check: CheckStage,
  bench: BenchStage,
  log: LogStage,
};

/** Typing in a text field has its own undo; everywhere else the job's is meant. */
const inText = (target: EventTarget | null) =>
  target instanceof HTMLElement && target.closest("input[type=text], input:not([type]), textarea") !== null;

function useUndoKeys(): void {
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || inText(event.target)) return;
      const key = event.key.toLowerCase();
      if (key !== "z" && key !== "y") return;
      event.preventDefault();
      if (key === "y" || event.shiftKey) redo();
      else undo();
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  }, []);
}

/** Stages change without leaving the page, so that undo reaches across them. */
function useStage(first: Stage, jobId: string): [Stage, (stage: Stage) => void] {
  const [stage, setStage] = useState(first);
  useEffect(() => {
    const back = () => {
      const last = window.location.pathname.split("/").pop() ?? "";
      if (isStage(last)) setStage(last);
    };
    window.addEventListener("popstate", back);
    return () => window.removeEventListener("popstate", back);
  }, []);
  const go = (next: Stage) => {
    window.history.pushState(null, "", `/job/${jobId}/${next}`);
    setStage(next);
  };
  return [stage, go];
}

function StageView({ stage, jobId }: { readonly stage: Stage; readonly jobId: string }) {
  const View = VIEWS[stage];
  return (
    <ViewBoundary
      name={STAGE_NAMES[stage]}
      rescue={<Link href={`/api/jobs/${jobId}/export`}>Download the job file</Link>}
    >
      <View />
    </ViewBoundary>
  );
}

function OpenJob({ stage, go }: { readonly stage: Stage; readonly go: (stage: Stage) => void }) {
  const surface = useSurface();
  const name = useJobStore((state) => state.job?.name ?? "");
  const id = useJobStore((state) => state.job?.id ?? "");
  useKeepSimulated(surface?.id ?? null);
  useKeepJudged();
  useUndoKeys();
  useEffect(() => {
    document.title = `${name}: ${STAGE_NAMES[stage].toLowerCase()} · Crenna`;
  }, [name, stage]);
  // The header answers at once; a stage is made in slices, so that nothing is held up meanwhile.
  const shown = useDeferredValue<Stage | null>(stage, null);
  return (
    <>
      <JobHeader stage={stage} go={go} />
      <ConflictBar />
      <TakeBack />
      <Box component="main" sx={{ flex: 1, minHeight: 0, display: "flex" }}>
        {shown && <StageView key={shown} stage={shown} jobId={id} />}
      </Box>
    </>
  );
}

/** A job, opened on one of its stages. */
export function JobApp({ jobId, stage: first }: { readonly jobId: string; readonly stage: Stage }) {
  const [stage, go] = useStage(first, jobId);
  const [problem, setProblem] = useState<string | null>(null);
  const loaded = useJobStore((state) => state.job !== null);
  useAutosave(
    jobId,
    useCallback((message: string) => setProblem(message), []),
  );
  return (
    <AppFrame>
      <Box sx={{ height: "100vh", display: "flex", flexDirection: "column" }}>
        {loaded ? (
          <OpenJob stage={stage} go={go} />
        ) : problem === null ? (
          <LinearProgress aria-label="Opening the job" />
        ) : (
          <Box component="main" sx={{ p: 3 }}>
            <Typography variant="h1">This job cannot be opened</Typography>
            <Typography sx={{ my: 1 }}>{problem}</Typography>
            <Link href="/">Go to the desk</Link>
          </Box>
        )}
      </Box>
    </AppFrame>
  );
}
