import { Box, IconButton, Link, Tooltip, Typography } from "@mui/material";
import { memo } from "react";
import { mdiWeatherNight, mdiTrayArrowDown, mdiWhiteBalanceSunny, mdiRedo, mdiUndo } from "@mdi/js";
import { Icon } from "../../ui/Icon";
import { usePrefs } from "../../ui/prefs";
import type { OutboxState } from "./historyOutbox";
import { useHistoryStore } from "./historyStore";
import { redo, undo, useCanRedo, useCanUndo, useJob, useJobStore, type SaveState } from "./jobStore";
import { STAGE_NAMES, STAGES, type Stage } from "./stages";
import { useStageStates } from "./useStageStates";
import { SurfaceSwitch } from "./SurfaceSwitch";

/** Hours and minutes by hand: the browser's own formatter takes longer to wake up than the whole header to be drawn. */
const timeOf = (iso: string) => {
  if (iso === "") return "";
  const at = new Date(iso);
  return [at.getHours(), at.getMinutes()].map((part) => String(part).padStart(2, "0")).join(":");
};

function saveText(save: SaveState, bench: OutboxState): string {
  if (bench.problem !== null && save.kind !== "conflict") return "Not saved, trying again";
  if (bench.refused !== null && save.kind === "saved") return "Saved, but one entry was refused";
  if (bench.waiting > 0 && save.kind === "saved") return "Saving";
  switch (save.kind) {
    case "saved":
      return `Saved ${timeOf(save.at)}`;
    case "waiting":
    case "saving":
      return "Saving";
    case "failed":
      return "Not saved, trying again";
    case "conflict":
      return "Not saved: changed elsewhere";
  }
}

interface TabProps {
  readonly label: string;
  readonly state: string;
  readonly open: boolean;
  readonly onOpen: () => void;
}

/** A stage and its state; the way to it stays the same as long as what it tells does. */
const StageTab = memo(
  function StageTab({ label, state, open, onOpen }: TabProps) {
    return (
      <Box
        component="button"
        type="button"
        aria-current={open ? "page" : undefined}
        onClick={onOpen}
        sx={{
          font: "inherit",
          color: "text.primary",
          bgcolor: "transparent",
          border: 0,
          borderBottom: 3,
          borderColor: open ? "primary.main" : "transparent",
          px: { xs: 1, md: 1.5 },
          minHeight: 44,
          textAlign: "left",
          cursor: "pointer",
          whiteSpace: "nowrap",
        }}
      >
        <Box sx={{ fontWeight: 500 }}>{label}</Box>
        <Box sx={{ fontSize: 11.5, lineHeight: "14px", color: "text.secondary" }}>{state}</Box>
      </Box>
    );
  },
  (was, now) => was.label === now.label && was.state === now.state && was.open === now.open,
);

function StageTabs({ stage, go }: { readonly stage: Stage; readonly go: (stage: Stage) => void }) {
  const states = useStageStates();
  return (
    <Box component="nav" aria-label="Stages" sx={{ display: "flex", alignSelf: "stretch" }}>
      {STAGES.map((name, at) => (
        <StageTab
          key={name}
          label={`${at + 1} ${STAGE_NAMES[name]}`}
          state={states[name]}
          open={name === stage}
          onOpen={() => go(name)}
        />
      ))}
    </Box>
  );
}

function SaveStatus() {
  const save = useJobStore((state) => state.save);
  const bench = useHistoryStore((state) => state.sent);
  return (
    <Tooltip title={save.kind === "failed" ? save.message : (bench.problem ?? bench.refused ?? "")}>
      <Typography variant="body2" role="status" noWrap sx={{ mr: 1, minWidth: 60, textAlign: "right" }}>
        {saveText(save, bench)}
      </Typography>
    </Tooltip>
  );
}

/** Undo and redo, export and theme; drawn anew only where one of these changes, not with every edit. */
const Tools = memo(function Tools({ jobId }: { readonly jobId: string }) {
  const { mode, setMode } = usePrefs();
  const [canUndo, canRedo] = [useCanUndo(), useCanRedo()];
  const dark = mode === "dark";
  return (
    <>
      <Tooltip title="Undo">
        <span>
          <IconButton size="small" aria-label="Undo" disabled={!canUndo} onClick={undo}>
            <Icon path={mdiUndo} fontSize="small" />
          </IconButton>
        </span>
      </Tooltip>
      <Tooltip title="Redo">
        <span>
          <IconButton size="small" aria-label="Redo" disabled={!canRedo} onClick={redo}>
            <Icon path={mdiRedo} fontSize="small" />
          </IconButton>
        </span>
      </Tooltip>
      <Tooltip title="Export the job as a file">
        <IconButton size="small" aria-label="Export the job" href={`/api/jobs/${jobId}/export`}>
          <Icon path={mdiTrayArrowDown} fontSize="small" />
        </IconButton>
      </Tooltip>
      <Tooltip title={dark ? "Light theme" : "Dark theme"}>
        <IconButton
          size="small"
          aria-label={dark ? "Light theme" : "Dark theme"}
          onClick={() => setMode(dark ? "light" : "dark")}
        >
          <Icon path={dark ? mdiWhiteBalanceSunny : mdiWeatherNight} fontSize="small" />
        </IconButton>
      </Tooltip>
    </>
  );
});

/** The job's name, its six stages with their states, and what holds for all of them. */
export function JobHeader({ stage, go }: { readonly stage: Stage; readonly go: (stage: Stage) => void }) {
  const job = useJob();
  return (
    <Box
      component="header"
      sx={{
        display: "flex",
        alignItems: "center",
        flexWrap: { xs: "wrap", lg: "nowrap" },
        px: 2,
        minHeight: 52,
        bgcolor: "background.paper",
        borderBottom: 1,
        borderColor: "divider",
        flexShrink: 0,
      }}
    >
      {/* On a phone the job's name has a line of its own. */}
      <Box
        sx={{
          display: { xs: "contents", sm: "flex" },
          alignItems: "baseline",
          gap: 1.5,
          flex: 1,
          // Without a width of its own it would share its line with the stages, below them.
          minWidth: { xs: 180, lg: 0 },
          order: 0,
        }}
      >
        <Link href="/" underline="none" sx={{ fontSize: 17, fontWeight: 600, color: "text.primary" }}>
          Crenna
        </Link>
        <Typography
          noWrap
          component="h1"
          sx={{
            fontSize: 13,
            display: "flex",
            alignItems: "baseline",
            gap: 0.5,
            order: { xs: 2, sm: 0 },
            width: { xs: "100%", sm: "auto" },
          }}
        >
          <Box component="span" sx={{ color: "text.secondary" }}>
            {job.name} /{" "}
          </Box>
          <SurfaceSwitch />
        </Typography>
      </Box>
      <Box sx={{ order: { xs: 3, lg: 1 }, width: { xs: "100%", lg: "auto" }, overflowX: "auto" }}>
        <StageTabs stage={stage} go={go} />
      </Box>
      <Box
        sx={{
          order: { xs: 1, lg: 2 },
          flex: 1,
          minWidth: 0,
          display: "flex",
          alignItems: "center",
          justifyContent: "flex-end",
        }}
      >
        <SaveStatus />
        <Tools jobId={job.id} />
      </Box>
    </Box>
  );
}
