import { Box, Typography } from "@mui/material";
import { useState } from "react";
import type { Job, Paint, Surface } from "../../core/job";
import { Picture } from "../../ui/Picture";
import { usePrefs } from "../../ui/prefs";
import { SURROUNDS } from "../../ui/theme";
import { usePiece } from "../useThumbnail";

/** Screen pixels per millimetre on the desk: the same for all, so that sizes compare. */
const PX_PER_MM = 9;
const WIDEST_PX = 420;

/** Pixels of the picture for one of the page: it stays sharp on fine screens. */
const finer = () => Math.min(2, Math.max(1, window.devicePixelRatio));

/** A surface, simulated on its form, at the size it has beside all others. */
export function SurfaceThumb({
  job,
  paints,
  surface,
}: {
  readonly job: Job;
  readonly paints: readonly Paint[];
  readonly surface: Surface;
}) {
  const [fine] = useState(finer);
  const piece = usePiece(job, paints, surface.id, { pxPerMm: PX_PER_MM * fine, mostPx: WIDEST_PX * fine });
  const surround = usePrefs((prefs) => prefs.surround);
  return (
    <Box component="figure" sx={{ m: 0 }}>
      <Box
        sx={{
          bgcolor: SURROUNDS[surround],
          p: 1.5,
          minHeight: 150,
          minWidth: 110,
          display: "grid",
          placeItems: "center",
        }}
      >
        {piece ? (
          <Picture pixels={piece} label={`${surface.name}, simulated`} cssWidth={`${piece.width / fine}px`} />
        ) : (
          // On the surround, not on the chrome: its own black or white.
          <Typography sx={{ color: surround === "dark" ? "#fff" : "#000" }}>
            {piece === undefined ? "Simulating" : "Sizes or thread count need mending"}
          </Typography>
        )}
      </Box>
      <Typography component="figcaption" variant="caption">
        {surface.name}
      </Typography>
    </Box>
  );
}
