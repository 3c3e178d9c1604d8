import { Box, Typography } from "@mui/material";
import { useEffect, useState } from "react";
import type { PiecePicture } from "../../../core/piece/still";
import { Picture } from "../../../ui/Picture";
import { askPiece, useSimulation } from "../useSimulation";
import { useView } from "../viewStore";
import type { Stance } from "./useStance";

const MOST_PX = 520;

/** The newest still picture of the piece as it is turned, drawn by the worker; the one before until it is there. */
function useStill({ turnDeg, tiltDeg }: Stance): PiecePicture | null {
  const { specimen, fine } = useSimulation();
  const lit = useView((of) => of.light === "lit");
  const [picture, setPicture] = useState<PiecePicture | null>(null);
  useEffect(() => {
    let gone = false;
    const view = { turnDeg, tiltDeg, pxPerMm: 100, mostPx: MOST_PX };
    if (specimen) askPiece(view, fine, lit, { answer: (answer) => gone || setPicture(answer) });
    return () => {
      gone = true;
    };
  }, [specimen, fine, lit, turnDeg, tiltDeg]);
  return picture;
}

/** The surface on its form where the browser cannot draw in space: one still picture for every turn. @param scale pixels to the mm */
export function FormStill({ stance, scale }: { readonly stance: Stance; readonly scale: number }) {
  const picture = useStill(stance);
  return (
    <Box sx={{ position: "absolute", inset: 0, display: "grid", placeItems: "center" }}>
      {picture ? (
        <Picture
          pixels={picture}
          label="The surface, simulated, on its form"
          cssWidth={`${(picture.width / picture.pxPerMm) * scale}px`}
        />
      ) : (
        <Typography sx={{ bgcolor: "background.paper", p: 1 }}>Drawing it</Typography>
      )}
    </Box>
  );
}
