import { Alert, Box, Button, Checkbox, FormControlLabel, Link, TextField, Typography } from "@mui/material";
import { useState } from "react";
import { isMishap, type MixPart, type Paint, type Surface } from "../../../core/job";
import { correctionsOf, paintedAgain, type Correction } from "../../../core/record/again";
import { counted, formatNumber } from "../../../core/units";
import { newSchemeId, useOwnSchemes } from "../../schemes/useOwnSchemes";
import { useHistory } from "../historyStore";
import { useJob, usePaints } from "../jobStore";

const partsText = (parts: readonly MixPart[], paints: readonly Paint[]): string =>
  parts
    .map(
      (part) => `${part.parts} ${paints.find(({ id }) => id === part.paintId)?.name ?? "a pot that is gone"}`,
    )
    .join(" + ");

/** What a correction changes, as a sentence without its end. */
function correctionText(correction: Correction, paints: readonly Paint[]): string {
  switch (correction.kind) {
    case "mix":
      return `${correction.of}: mixed ${partsText(correction.parts, paints)}, planned ${partsText(correction.planned, paints)}`;
    case "water":
      return `${correction.of}: thinned with ${formatNumber(correction.water, 1)} parts of water to 1, planned ${formatNumber(correction.planned, 1)}`;
    case "unpainted":
      return `${correction.of}: never painted, held back`;
  }
}

/** What is kept of one surface: its name, and which corrections are made. */
function useKept(surface: Surface) {
  const job = useJob();
  const paints = usePaints();
  const history = useHistory();
  const corrections = correctionsOf(job, surface, history, paints);
  const [name, setName] = useState(`${job.name}, ${surface.name}`.slice(0, 80));
  const [refused, setRefused] = useState<readonly string[]>(() =>
    corrections.flatMap((one) => (one.kind === "unpainted" && !one.skipped ? [one.id] : [])),
  );
  const made = corrections.filter(({ id }) => !refused.includes(id));
  return {
    ...{ paints, corrections, name, setName },
    isMade: ({ id }: Correction) => !refused.includes(id),
    toggle: ({ id }: Correction, on: boolean) =>
      setRefused(on ? refused.filter((one) => one !== id) : [...refused, id]),
    scheme: () =>
      paintedAgain(job, surface, history, made, {
        ...{ id: newSchemeId(), name: name.trim(), at: new Date().toISOString() },
      }),
  };
}

interface SurfaceProps {
  readonly surface: Surface;
  readonly onKeep: (scheme: ReturnType<typeof paintedAgain>) => Promise<boolean>;
}

function Corrections({ kept }: { readonly kept: ReturnType<typeof useKept> }) {
  if (kept.corrections.length === 0)
    return <Typography variant="body2">Nothing was noted that differs from the plan.</Typography>;
  return (
    <Box component="ul" sx={{ listStyle: "none", m: 0, p: 0 }}>
      {kept.corrections.map((correction) => (
        <li key={correction.id}>
          <FormControlLabel
            control={
              <Checkbox checked={kept.isMade(correction)} onChange={(_, on) => kept.toggle(correction, on)} />
            }
            label={correctionText(correction, kept.paints)}
          />
        </li>
      ))}
    </Box>
  );
}

function AgainLine({ surface, onKeep }: SurfaceProps) {
  const kept = useKept(surface);
  const [isKept, setIsKept] = useState(false);
  const { log } = useHistory();
  const entries = log.filter(({ cardId }) => cardId.startsWith(`${surface.id}/`)).length;
  const left = surface.coats.filter((coat) => isMishap(coat) || coat.mends).length;
  const wrong = kept.name.trim() === "" ? "A scheme needs a name." : undefined;
  return (
    <Box
      component="li"
      aria-label={surface.name}
      sx={{ listStyle: "none", borderTop: 1, borderColor: "divider", py: 1.5 }}
    >
      <Typography sx={{ fontWeight: 500 }}>{surface.name}</Typography>
      <Typography variant="body2">
        {entries === 0
          ? "Nothing is logged of it: it is kept as planned."
          : `${counted(entries, "entry", "entries")} in the log.`}
        {left > 0 && ` ${counted(left, "coat")} of what went wrong and what mended it left out.`}
      </Typography>
      {entries > 0 && <Corrections kept={kept} />}
      <Box sx={{ display: "flex", gap: 1, alignItems: "flex-start", mt: 1.5 }}>
        <TextField
          label="Name of the scheme"
          value={kept.name}
          error={wrong !== undefined}
          helperText={wrong}
          sx={{ flex: 1, maxWidth: 420 }}
          slotProps={{ htmlInput: { maxLength: 80 } }}
          onChange={(event) => {
            kept.setName(event.target.value);
            setIsKept(false);
          }}
        />
        <Button
          variant="outlined"
          disabled={wrong !== undefined || surface.coats.length === 0 || isKept}
          onClick={() => void onKeep(kept.scheme()).then(setIsKept)}
        >
          {isKept ? "Kept" : "Keep as a scheme"}
        </Button>
        {isKept && (
          <Link href="/schemes" sx={{ pt: 1 }}>
            Look at it in Schemes
          </Link>
        )}
      </Box>
    </Box>
  );
}

/** The surfaces of the job as schemes of one's own, with what was done otherwise made part of them. */
export function Again() {
  const job = useJob();
  const { problem, keep } = useOwnSchemes();
  return (
    <>
      <Typography sx={{ mb: 2 }}>
        Keep what you really painted as a scheme: any piece of any job can be painted so again. Under Schemes
        it can be recoloured, or a new job started with all of them.
      </Typography>
      {problem !== null && (
        <Alert severity="error" variant="outlined" sx={{ mb: 2 }}>
          {problem}
        </Alert>
      )}
      <Box component="ul" sx={{ m: 0, p: 0 }}>
        {job.surfaces.map((surface) => (
          <AgainLine key={surface.id} surface={surface} onKeep={(scheme) => keep(scheme)} />
        ))}
      </Box>
      {job.surfaces.length === 0 && <Typography>The job has no surfaces yet.</Typography>}
    </>
  );
}
