import { Alert, Box, Button, Typography } from "@mui/material";
import { useMemo } from "react";
import { whyTooMuch } from "../../../core/edits/fits";
import type { Job } from "../../../core/job";
import { partsText } from "../../../core/plan/cardText";
import type { FoundTone, StartPlan } from "../../../core/schemes/start";
import { counted, formatNumber } from "../../../core/units";
import { Picture } from "../../../ui/Picture";
import { usePrefs } from "../../../ui/prefs";
import { SURROUNDS } from "../../../ui/theme";
import { usePiece } from "../../useThumbnail";
import { useDesign, usePaints } from "../jobStore";
import { SearchProgress } from "../palette/questions/AnswerList";
import type { KeptPlan } from "./useStartPlan";

/** Puts a plan on a surface of a design. */
type Put<P extends StartPlan> = (job: Job, surfaceId: string, plan: P) => Job;

function Tone({ found }: { readonly found: FoundTone }) {
  const paints = usePaints();
  const { tone, goal, paint, parts, difference } = found;
  return (
    <Box component="li" sx={{ display: "flex", gap: 1, alignItems: "center", py: 0.3 }}>
      <Box sx={{ display: "flex", width: 44, height: 24, flexShrink: 0 }}>
        <Box sx={{ flex: 1, bgcolor: paint }} title={`painted ${paint}`} />
        <Box sx={{ flex: 1, bgcolor: goal }} title={`seen ${goal}`} />
      </Box>
      <Box sx={{ minWidth: 0 }}>
        <Typography noWrap>
          {tone.name}
          {tone.clear ? ", clear" : ""}
        </Typography>
        <Typography variant="body2" noWrap>
          {parts.length === 0
            ? "no pot at hand: choose one afterwards"
            : `${partsText(parts, paints)}, ${tone.clear ? "tints" : `off by ${formatNumber(difference, 1)}`}`}
        </Typography>
      </Box>
    </Box>
  );
}

interface PreviewProps<P extends StartPlan> {
  readonly surfaceId: string;
  readonly plan: P;
  readonly put: Put<P>;
}

function Preview<P extends StartPlan>({ surfaceId, plan, put }: PreviewProps<P>) {
  const design = useDesign();
  const paints = usePaints();
  const surround = usePrefs((prefs) => prefs.surround);
  const job = useMemo(() => put(design, surfaceId, plan), [put, design, surfaceId, plan]);
  const piece = usePiece(job, paints, surfaceId, { pxPerMm: 200, mostPx: 440 });
  return (
    <Box
      sx={{
        bgcolor: SURROUNDS[surround],
        height: 230,
        display: "grid",
        placeItems: "center",
        p: 1.5,
        overflow: "hidden",
      }}
    >
      {piece === undefined && (
        <Typography role="status" sx={{ color: surround === "dark" ? "#fff" : "#1d1d1d" }}>
          Simulating it
        </Typography>
      )}
      {piece && (
        <Picture
          pixels={piece}
          label="As it would be painted, simulated"
          cssWidth={`${Math.min(440, (205 * piece.width) / piece.height)}px`}
        />
      )}
    </Box>
  );
}

interface Props<P extends StartPlan> {
  readonly surfaceId: string;
  readonly kept: KeptPlan<P>;
  readonly put: Put<P>;
}

/** A plan that can be laid; or null, and why where it would be too much for the job. */
export function useLaying<P extends StartPlan>({
  surfaceId,
  kept,
  put,
}: Props<P>): {
  readonly plan: P | null;
  readonly tooMuch: string | null;
} {
  const design = useDesign();
  const plan = kept.planned.kind === "ready" ? kept.planned.plan : null;
  const tooMuch = useMemo(
    () => (plan ? whyTooMuch(put(design, surfaceId, plan), surfaceId) : null),
    [plan, put, design, surfaceId],
  );
  return { plan: tooMuch === null ? plan : null, tooMuch };
}

/** What a plan comes to: the piece as it would be painted, how far the search is, what else is to be said, and its tones. */
export function PlanColumn<P extends StartPlan>({
  surfaceId,
  kept,
  put,
  children,
}: Props<P> & { readonly children?: React.ReactNode }) {
  const { planned, last, stop, again } = kept;
  const { tooMuch } = useLaying({ surfaceId, kept, put });
  const plan = planned.kind === "ready" ? planned.plan : null;
  return (
    <Box sx={{ display: "grid", gap: 1, alignContent: "start" }}>
      {last ? <Preview plan={last} {...{ surfaceId, put }} /> : <Box sx={{ height: 230 }} />}
      {planned.kind === "failed" && (
        <Alert severity="error" variant="outlined">
          {planned.message}
        </Alert>
      )}
      {tooMuch !== null && (
        <Alert severity="error" variant="outlined">
          {tooMuch}
        </Alert>
      )}
      <Typography role="status">
        {plan
          ? `${counted(plan.coats.length, "coat")} in ${counted(plan.tones.length, "mix", "mixes")} of your own pots; left what is painted, right what is seen in the end.`
          : planned.kind === "busy"
            ? "Looking for mixes among your pots"
            : planned.kind === "stopped"
              ? "Stopped. Nothing was changed."
              : ""}
      </Typography>
      {/* Its room is kept: nothing below moves under the pointer when the search ends. */}
      <Box sx={{ minHeight: 40 }}>
        {planned.kind === "busy" && (
          <SearchProgress done={planned.done} total={planned.total} onCancel={stop} />
        )}
        {planned.kind === "stopped" && (
          <Button variant="outlined" onClick={again}>
            Look again
          </Button>
        )}
      </Box>
      {children}
      <Box
        component="ul"
        aria-label="Its tones"
        sx={{ opacity: plan ? 1 : 0.5, listStyle: "none", m: 0, p: 0 }}
      >
        {last?.tones.map((found) => (
          <Tone key={found.key} found={found} />
        ))}
      </Box>
    </Box>
  );
}
