import { Box, Typography } from "@mui/material";
import type { Job, Paint, Surface } from "../../core/job";
import { Picture } from "../../ui/Picture";
import { usePrefs } from "../../ui/prefs";
import { SURROUNDS } from "../../ui/theme";
import { useThumbnail } from "../useThumbnail";

/** Screen pixels per millimetre on the desk: the same for all, so that sizes compare. */
const PX_PER_MM = 7;
const WIDEST_PX = 420;

/** A surface, simulated, at the size it has beside all others. */
export function SurfaceThumb({
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
