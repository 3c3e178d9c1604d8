import { Box, Typography } from "@mui/material";
import { useEffect, useState } from "react";
import type { PiecePicture, StillPiece } from "../../../core/piece/still";
import { Picture } from "../../../ui/Picture";
import { usePrefs } from "../../../ui/prefs";
import { SURROUNDS } from "../../../ui/theme";
import { simulationWorker } from "../../../worker/client";
import { useJob, usePaints } from "../jobStore";

const MOST_PX = 360;
const VIEW = { turnDeg: 20, tiltDeg: null, pxPerMm: 100, mostPx: MOST_PX } as const;

/** The piece bare under the job's lamp, drawn by the worker; the one before until the newest is there. */
function useBare(surfaceId: string): PiecePicture | null {
  const job = useJob();
  const paints = usePaints();
  const [picture, setPicture] = useState<PiecePicture | null>(null);
  useEffect(() => {
    let gone = false;
    const request = { job, paints, surfaceId, upTo: 0, lit: true };
    // Sizes that do not fit are told beside their fields; the last piece that could be built stays.
    const answer = (made: StillPiece) => gone || setPicture(made.picture);
    simulationWorker().ask("piece", { request, view: VIEW, full: false }, { answer });
    return () => {
      gone = true;
    };
  }, [job, paints, surfaceId]);
  return picture;
}

/** How the piece stands, primed and bare: what its sizes make of it is seen before any paint. */
export function BareStill({ surfaceId }: { readonly surfaceId: string }) {
  const picture = useBare(surfaceId);
  const surround = usePrefs((prefs) => prefs.surround);
  return (
    <Box sx={{ flex: 1, minHeight: 0, display: "flex", flexDirection: "column", gap: 0.5 }}>
      <Typography variant="body2">On the figure</Typography>
      <Box
        sx={{
          ...{ flex: 1, minHeight: 0, position: "relative", bgcolor: SURROUNDS[surround] },
          "& canvas": { position: "absolute", inset: 0, p: 1.5, objectFit: "contain" },
        }}
      >
        {picture && (
          <Picture pixels={picture} label="The bare piece as it stands" cssWidth="100%" cssHeight="100%" />
        )}
      </Box>
    </Box>
  );
}
