import { Alert, Box, Button, LinearProgress, Snackbar, Typography } from "@mui/material";
import { useRef } from "react";
import { AppFrame } from "../../ui/AppFrame";
import { TopBar } from "../../ui/TopBar";
import { JobStrip } from "./JobStrip";
import { useDesk } from "./useDesk";

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
      <Box component="main" sx={{ px: 3, py: 2, maxWidth: 1400 }}>
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
          jobs.map((summary) => (
            <JobStrip
              key={summary.id}
              summary={summary}
              paints={desk.loaded!.paints}
              painter={desk.loaded!.painter}
              onRename={(name) => desk.rename(summary.id, name)}
              onCopy={(history) => desk.copy(summary.id, history)}
              onDelete={() => desk.remove(summary.id, summary.name)}
            />
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
