import { Box, Typography } from "@mui/material";
import { useState } from "react";
import type { Figure, Job, Paint } from "../../core/job";
import { Picture } from "../../ui/Picture";
import { usePrefs } from "../../ui/prefs";
import { SURROUNDS } from "../../ui/theme";
import { useFigurePicture } from "../useThumbnail";

/** Height of the picture on the page, pixels; the same room for every figure. */
const TALL_PX = 138;
const WIDE_PX = 128;

/** The figure of a job that is shown whole: the first with a body that wears something; null where none does. */
export const shownWhole = ({ figures, surfaces }: Job): Figure | null =>
  figures.find(
    ({ id, body }) =>
      body !== null && surfaces.some(({ figureId, seat }) => figureId === id && seat !== null),
  ) ?? null;

interface Props {
  readonly job: Job;
  readonly figure: Figure;
  readonly paints: readonly Paint[];
}

/** A figure with its pieces in their places, simulated. */
export function FigureThumb({ job, figure, paints }: Props) {
  const [fine] = useState(() => Math.min(2, Math.max(1, window.devicePixelRatio)));
  const picture = useFigurePicture(job, paints, figure.id, TALL_PX * fine);
  const surround = usePrefs((prefs) => prefs.surround);
  if (picture === null) return null;
  return (
    <Box component="figure" sx={{ m: 0, flexShrink: 0 }}>
      <Box
        sx={{
          ...{ bgcolor: SURROUNDS[surround], p: 0.75, height: TALL_PX + 12, width: WIDE_PX + 12 },
          ...{ display: "grid", placeItems: "center", overflow: "hidden" },
          "& canvas": { maxWidth: "100%", maxHeight: TALL_PX, objectFit: "contain" },
        }}
      >
        {picture ? (
          <Picture
            pixels={picture}
            label={`${figure.name}, whole, simulated`}
            cssWidth={`${picture.width / fine}px`}
          />
        ) : (
          <Typography sx={{ color: surround === "dark" ? "#fff" : "#000" }}>Simulating</Typography>
        )}
      </Box>
      <Typography component="figcaption" variant="caption">
        whole figure
      </Typography>
    </Box>
  );
}
