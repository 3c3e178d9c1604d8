import { Alert, Box, Button, LinearProgress, Typography } from "@mui/material";
import { useState } from "react";
import { writeGaugeSvg } from "../../../core/formats/gauge-svg/gaugeSvg";
import type { Surface } from "../../../core/job";
import { familyIn } from "../../../core/patterns";
import { messageOf, saveFile } from "../../../ui/api";
import { useJob, usePaints } from "../jobStore";
import { askGuides } from "../useGuides";
import { useSurface } from "../useSurface";
import { useView } from "../viewStore";
import { useBenchPdf } from "./useBenchPdf";
import type { Plan } from "./usePlan";

/** What is printed for the bench. */
export function Print({ plan }: { readonly plan: Plan }) {
  const job = useJob();
  const surface = useSurface();
  const guides = surface && familyIn(surface)?.guides;
  const figure = useView((view) => view.figure);
  const paints = usePaints();
  const [problem, setProblem] = useState<string | null>(null);
  const saveGuides = async ({ id, name }: Surface) => {
    setProblem(null);
    try {
      const made = await askGuides(job, paints, id, figure);
      if (!made) throw new Error("There are no guides until sizes and pattern are mended.");
      saveFile(
        `${job.id}-${id}-gauge.svg`,
        writeGaugeSvg(made.pieces, `${job.name}: ${name}`),
        "image/svg+xml",
      );
    } catch (error) {
      setProblem(messageOf(error));
    }
  };
  const { state, make, stop } = useBenchPdf(plan);
  return (
    <Box sx={{ display: "grid", gap: 1 }}>
      <Button variant="contained" onClick={() => make("all")} disabled={state.busy}>
        Cards and guides as PDF
      </Button>
      <Button variant="outlined" onClick={() => make("list")} disabled={state.busy}>
        Paint list on one page
      </Button>
      {state.busy && (
        <Box sx={{ display: "flex", alignItems: "center", gap: 1 }}>
          <LinearProgress
            variant="determinate"
            value={(100 * state.done) / Math.max(1, state.total)}
            sx={{ flex: 1 }}
            aria-label="Making the PDF"
          />
          <Button onClick={stop}>Stop</Button>
        </Box>
      )}
      {state.problem !== null && (
        <Alert severity="error" variant="outlined">
          The PDF could not be made. {state.problem}
        </Alert>
      )}
      {guides && (
        <Button variant="outlined" onClick={() => void saveGuides(surface)}>
          {guides.title} as SVG, in mm
        </Button>
      )}
      {problem !== null && (
        <Alert severity="error" variant="outlined">
          {problem}
        </Alert>
      )}
      <Typography variant="caption">
        Print at full size and measure the 50 mm ruler before you cut.
      </Typography>
    </Box>
  );
}
