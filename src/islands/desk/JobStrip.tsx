import { Box, Button, Link, TextField, Typography } from "@mui/material";
import { useState } from "react";
import { useJobCards } from "./useJobCards";
import type { Job, Paint, Surface } from "../../core/job";
import { ratioOf } from "../../core/job";
import { totalsOf } from "../../core/plan/cards";
import { formatMinutes, formatNumber } from "../../core/units";
import { Picture } from "../../ui/Picture";
import { usePrefs } from "../../ui/prefs";
import { SURROUNDS } from "../../ui/theme";
import { useThumbnail } from "../useThumbnail";

/** Screen pixels per millimetre on the desk: the same for all, so that sizes compare. */
const PX_PER_MM = 7;
const WIDEST_PX = 420;

function SurfaceThumb({
  job,
  paints,
  surface,
}: {
  readonly job: Job;
  readonly paints: readonly Paint[];
  readonly surface: Surface;
}) {
  const specimen = useThumbnail(job, paints, surface.id);
  const surround = usePrefs((prefs) => prefs.surround);
  const width = specimen ? Math.min(WIDEST_PX, specimen.width * specimen.pitchMm * PX_PER_MM) : 320;
  return (
    <Box component="figure" sx={{ m: 0 }}>
      <Box
        sx={{
          bgcolor: SURROUNDS[surround],
          p: 1.5,
          minHeight: 150,
          minWidth: 200,
          display: "grid",
          placeItems: "center",
        }}
      >
        {specimen ? (
          <Picture pixels={specimen} label={`${surface.name}, simulated`} cssWidth={`${width}px`} />
        ) : (
          // On the surround, not on the chrome: its own black or white.
          <Typography sx={{ color: surround === "dark" ? "#fff" : "#000" }}>
            {specimen === undefined ? "Simulating" : "Sizes or thread count need mending"}
          </Typography>
        )}
      </Box>
      <Typography component="figcaption" variant="caption">
        {surface.name}
      </Typography>
    </Box>
  );
}

interface Props {
  readonly job: Job;
  readonly paints: readonly Paint[];
  readonly onRename: (name: string) => Promise<void>;
  readonly onCopy: () => void;
  readonly onDelete: () => void;
}

function NameField({ job, onDone }: { readonly job: Job; readonly onDone: (name: string | null) => void }) {
  const [name, setName] = useState(job.name);
  const trimmed = name.trim();
  const wrong =
    trimmed === "" ? "A job needs a name." : trimmed.length > 80 ? "At most 80 characters." : undefined;
  return (
    <Box
      component="form"
      sx={{ display: "flex", gap: 1 }}
      onSubmit={(event) => {
        event.preventDefault();
        if (!wrong) onDone(trimmed);
      }}
    >
      <TextField
        label="Name"
        value={name}
        autoFocus
        error={wrong !== undefined}
        helperText={wrong}
        onChange={(event) => setName(event.target.value)}
      />
      <Button type="submit" variant="contained" disabled={wrong !== undefined}>
        Rename
      </Button>
      <Button onClick={() => onDone(null)}>Leave it</Button>
    </Box>
  );
}

/** One job on the desk: its surfaces at their true relative size, and its next card. */
export function JobStrip({ job, paints, onRename, onCopy, onDelete }: Props) {
  const [renaming, setRenaming] = useState(false);
  const counted = useJobCards(job, paints);
  const cards = counted ?? [];
  const next = cards.find((card) => !job.log.some((entry) => entry.cardId === card.id));
  const at = next ? cards.indexOf(next) + 1 : cards.length;
  return (
    <Box component="article" aria-label={job.name} sx={{ borderTop: 1, borderColor: "divider", py: 2 }}>
      <Box sx={{ display: "flex", gap: 3, flexWrap: "wrap" }}>
        {job.surfaces.map((surface) => (
          <SurfaceThumb key={surface.id} job={job} paints={paints} surface={surface} />
        ))}
        <Box sx={{ flex: 1, minWidth: 260 }}>
          {renaming ? (
            <NameField
              job={job}
              onDone={(name) => {
                setRenaming(false);
                if (name !== null) void onRename(name);
              }}
            />
          ) : (
            <Typography variant="h2" sx={{ fontSize: 17, lineHeight: "24px" }}>
              <Link href={`/job/${job.id}/coats`} color="inherit" underline="hover">
                {job.name}
              </Link>
            </Typography>
          )}
          <Typography variant="body2">
            1 : {formatNumber(ratioOf(job.figure), 0)}, {formatNumber(job.figure.eyeHeightMm, 0)}&#8239;mm to
            the eyes, {job.figure.standard}, {job.figure.primer} primer
          </Typography>
          <Typography sx={{ mt: 1.5 }}>
            {next ? (
              <>
                Next card: <b>{next.title}</b>, {at} of {cards.length}.{" "}
                {formatMinutes(totalsOf(cards.slice(at - 1)).handMinutes)} of painting left.
              </>
            ) : counted === null ? (
              "Counting its cards …"
            ) : cards.length > 0 ? (
              "All cards are done."
            ) : (
              "No cards yet: open the brief and mend what it says."
            )}
          </Typography>
          <Box sx={{ display: "flex", gap: 1, mt: 2, flexWrap: "wrap" }}>
            <Button variant="contained" href={`/job/${job.id}/${next && at > 1 ? "bench" : "brief"}`}>
              {next && at > 1 ? "Go on painting" : "Open"}
            </Button>
            <Button onClick={() => setRenaming(true)}>Rename</Button>
            <Button onClick={onCopy}>Copy</Button>
            <Button href={`/api/jobs/${job.id}/export`}>Export</Button>
            <Button onClick={onDelete}>Delete</Button>
          </Box>
        </Box>
      </Box>
    </Box>
  );
}
