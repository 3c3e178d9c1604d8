import { Box, Typography } from "@mui/material";
import { useMemo, useState } from "react";
import { InputError } from "../../core/errors";
import type { Job, Paint, Surface } from "../../core/job";
import { looksMm } from "../../core/piece/stance";
import { buildForm } from "../../core/surface/forms/buildForm";
import { Picture } from "../../ui/Picture";
import { usePrefs } from "../../ui/prefs";
import { SURROUNDS } from "../../ui/theme";
import { usePiece } from "../useThumbnail";
import { ROOM_PX } from "./room";

/** Screen pixels per millimetre on the desk: the same for all, so that sizes compare, as far as a strip has room. */
const PX_PER_MM = 9;
const [WIDEST_PX, TALLEST_PX] = [420, ROOM_PX - 24];

/** Pixels of the picture for one of the page: it stays sharp on fine screens. */
const finer = () => Math.min(2, Math.max(1, window.devicePixelRatio));

/** Room the picture of a surface takes on the desk, pixels: kept before it is there, so that nothing moves when it comes. */
function roomFor(surface: Surface): { readonly width: number; readonly height: number } {
  try {
    const { widthMm, heightMm } = looksMm(buildForm(surface));
    const pxPerMm = Math.min(PX_PER_MM, WIDEST_PX / widthMm, TALLEST_PX / heightMm);
    return { width: Math.ceil(widthMm * pxPerMm) + 6, height: Math.ceil(heightMm * pxPerMm) + 6 };
  } catch (error) {
    // Sizes that cannot be are said in its place.
    if (error instanceof InputError) return { width: 90, height: 126 };
    throw error;
  }
}

interface Props {
  readonly job: Job;
  readonly paints: readonly Paint[];
  readonly surface: Surface;
}

/** A surface, simulated on its form, at the size it has beside all others. */
export function SurfaceThumb({ job, paints, surface }: Props) {
  const [fine] = useState(finer);
  const piece = usePiece(job, paints, surface.id, { pxPerMm: PX_PER_MM * fine, mostPx: WIDEST_PX * fine });
  const surround = usePrefs((prefs) => prefs.surround);
  const room = useMemo(() => roomFor(surface), [surface]);
  return (
    <Box component="figure" sx={{ m: 0, flexShrink: 0, maxWidth: "100%" }}>
      <Box
        sx={{
          bgcolor: SURROUNDS[surround],
          p: 1.5,
          height: Math.min(ROOM_PX, Math.max(150, room.height + 24)),
          width: Math.max(110, room.width + 24),
          maxWidth: "100%",
          display: "grid",
          placeItems: "center",
          overflow: "hidden",
          "& canvas": { maxWidth: "100%", maxHeight: room.height, objectFit: "contain" },
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
