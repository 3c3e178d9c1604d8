import { Alert, Box, Button, LinearProgress, Snackbar, Typography } from "@mui/material";
import { useCallback, useEffect, useRef, useState } from "react";
import type { Job, Paint } from "../../core/job";
import { call, messageOf } from "../../ui/api";
import { AppFrame } from "../../ui/AppFrame";
import { TopBar } from "../../ui/TopBar";
import { JobStrip } from "./JobStrip";

interface Listed {
  readonly job: Job;
  readonly revision: number;
}

interface Loaded {
  readonly jobs: readonly Listed[];
  readonly damaged: readonly Damaged[];
  readonly paints: readonly Paint[];
}

/** A job that cannot be read; the rest of the desk goes on. */
interface Damaged {
  readonly id: string;
  readonly name: string;
  readonly message: string;
}

/** What was deleted last, until it is too late to take it back. */
interface Deleted {
  readonly id: string;
  readonly name: string;
}

function useDesk() {
  const [loaded, setLoaded] = useState<Loaded | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [deleted, setDeleted] = useState<Deleted | null>(null);
  const load = useCallback(() => call<Loaded>("/api/jobs").then(setLoaded), []);
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
  const open = (job: { job: Job }) => window.location.assign(`/job/${job.job.id}/brief`);
  return {
    loaded,
    problem,
    deleted,
    clearProblem: () => setProblem(null),
    clearDeleted: () => setDeleted(null),
    create: (from: "new" | "demo") =>
      attempt(async () => {
        const made = await call<{ job: Job }>("/api/jobs", { method: "POST", json: { from } });
        if (from === "new") open(made);
      }),
    copy: (id: string) => attempt(() => call("/api/jobs", { method: "POST", json: { from: "copy", id } })),
    rename: async ({ job, revision }: Listed, name: string) => {
      attempt(() =>
        call(`/api/jobs/${job.id}`, { method: "PUT", json: { revision, job: { ...job, name } } }),
      );
      return Promise.resolve();
    },
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
    importFile: (file: File) =>
      attempt(async () => {
        const text = await file.text();
        await call("/api/jobs/import", { method: "POST", text }).catch((error: unknown) => {
          throw new Error(`${file.name} was not taken, nothing was changed. ${messageOf(error)}`, {
            cause: error,
          });
        });
      }),
  };
}

function StartRow({ desk }: { readonly desk: ReturnType<typeof useDesk> }) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap" }}>
      <Button variant="contained" onClick={() => desk.create("new")}>
        New job
      </Button>
      <Button variant="outlined" onClick={() => input.current?.click()}>
        Open a job file
      </Button>
      <Button variant="outlined" onClick={() => desk.create("demo")}>
        Demo job
      </Button>
      <input
        ref={input}
        type="file"
        accept=".json,application/json"
        aria-label="Job file"
        hidden
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) desk.importFile(file);
          event.target.value = "";
        }}
      />
    </Box>
  );
}

function DeskView() {
  const desk = useDesk();
  const jobs = desk.loaded?.jobs ?? [];
  return (
    <Box sx={{ height: "100vh", overflow: "auto", bgcolor: "background.paper" }}>
      <TopBar here="Desk" />
      <Box component="main" sx={{ px: 3, py: 2, maxWidth: 1200 }}>
        {desk.problem !== null && (
          <Alert severity="error" variant="outlined" onClose={desk.clearProblem} sx={{ mb: 2 }}>
            {desk.problem}
          </Alert>
        )}
        <Box
          sx={{
            display: "flex",
            alignItems: "center",
            justifyContent: "space-between",
            mb: 2,
            flexWrap: "wrap",
            gap: 1,
          }}
        >
          <Typography variant="h2">{jobs.length === 0 ? "Start" : "On the go"}</Typography>
          <StartRow desk={desk} />
        </Box>
        {!desk.loaded && desk.problem === null && <LinearProgress aria-label="Loading the desk" />}
        {desk.loaded && jobs.length === 0 && (
          <Typography sx={{ borderTop: 1, borderColor: "divider", py: 2, maxWidth: 560 }}>
            Nothing is on the go. Measure a skirt on your own figure with a new job, open a job file, or look
            around in the demo: a ferry sergeant with a check-cloth coat skirt.
          </Typography>
        )}
        {desk.loaded &&
          jobs.map((listed) => (
            <JobStrip
              key={listed.job.id}
              job={listed.job}
              paints={desk.loaded!.paints}
              onRename={(name) => desk.rename(listed, name)}
              onCopy={() => desk.copy(listed.job.id)}
              onDelete={() => desk.remove(listed.job.id, listed.job.name)}
            />
          ))}
        {desk.loaded?.damaged.map(({ id, name, message }) => (
          <Box
            key={id}
            component="article"
            aria-label={`${name}, damaged`}
            sx={{ borderTop: 1, borderColor: "divider", py: 2, maxWidth: 720 }}
          >
            <Typography variant="h2">{name}</Typography>
            <Typography color="error">This job cannot be read: {message}</Typography>
            <Typography>
              All others are as they were. Nothing of it was changed; save it as it is stored, so that it can
              be mended.
            </Typography>
            <Box sx={{ display: "flex", gap: 1, mt: 1 }}>
              <Button variant="outlined" href={`/api/jobs/${id}/raw`}>
                Save it as it is
              </Button>
              <Button onClick={() => desk.remove(id, name)}>Delete</Button>
            </Box>
          </Box>
        ))}
      </Box>
      <Snackbar
        open={desk.deleted !== null}
        message={`${desk.deleted?.name ?? ""} was deleted.`}
        autoHideDuration={20_000}
        onClose={(_event, reason) => reason !== "clickaway" && desk.clearDeleted()}
        action={
          <Button color="inherit" onClick={desk.restore}>
            Undo
          </Button>
        }
      />
    </Box>
  );
}

/** What is on the go, and how to start. */
export function Desk() {
  return (
    <AppFrame>
      <DeskView />
    </AppFrame>
  );
}
