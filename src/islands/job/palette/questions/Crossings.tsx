import { Box, Typography } from "@mui/material";
import type { ReactNode } from "react";
import { differenceInWords } from "../../../../core/colour/difference";
import { halfToneMatch, solveOverpaint, type CrossingMatch } from "../../../../core/patterns/sett/crossing";
import { counted, formatNumber, formatThinning } from "../../../../core/units";
import { useJob, usePaints } from "../../jobStore";
import { useSurface } from "../../useSurface";
import { useCrossingGoals } from "./goals";

function CrossingRow({ match, children }: { readonly match: CrossingMatch; readonly children: ReactNode }) {
  return (
    <Box sx={{ display: "flex", gap: 1, alignItems: "center", py: 1, borderTop: 1, borderColor: "divider" }}>
      <Box
        sx={{ display: "flex", width: 60, height: 30, flexShrink: 0 }}
        title="left the cloth, right the paint"
      >
        <Box sx={{ flex: 1, bgcolor: match.goalHex }} />
        <Box sx={{ flex: 1, bgcolor: match.gotHex }} />
      </Box>
      <Typography>
        {children}: off by {formatNumber(match.difference, 1)}, {differenceInWords(match.difference)}
      </Typography>
    </Box>
  );
}

/** How near paint comes to each woven crossing: one mixed half-tone, or one band thinned over the other. */
export function Crossings() {
  const job = useJob();
  const paints = usePaints();
  const surface = useSurface();
  const goals = useCrossingGoals();
  const params = surface?.pattern?.params;
  if (!params || goals.length === 0) return null;
  const byBoxes = params.method === "boxes";
  const rows = goals.flatMap((goal) => {
    const [a, b] = goal.id.split("+") as [string, string];
    const colour = (code: string) => params.colours[code];
    if (byBoxes) {
      const match = halfToneMatch(job, paints, [colour(a), colour(b)], goal.mixId ?? undefined);
      return [{ key: goal.id, match, text: `${a} × ${b}` }];
    }
    return [
      [a, b],
      [b, a],
    ].map(([below, above]) => {
      const match = solveOverpaint(job, paints, colour(below!), colour(above!));
      const text = `${above} over ${below}, ${formatThinning(match.water)}, ${counted(match.passes, "pass", "passes")}`;
      return { key: `${above}/${below}`, match, text };
    });
  });
  return (
    <Box component="section" aria-label="Woven crossings" sx={{ px: 2, pt: 2 }}>
      <Typography variant="h3">Woven crossings</Typography>
      <Typography variant="caption" component="p" sx={{ my: 0.5 }}>
        In real cloth each crossing shows half of either thread.{" "}
        {byBoxes
          ? "One mixed half-tone stands for it."
          : "Here the columns, thinned like this, give it over the rows."}
      </Typography>
      {rows.map(({ key, match, text }) => (
        <CrossingRow key={key} match={match}>
          {text}
        </CrossingRow>
      ))}
    </Box>
  );
}
