import { Box } from "@mui/material";
import { useEffect } from "react";
import { eyeAt } from "../../../core/piece/raster";
import { dot } from "../../../core/surface/vector";
import type { StillPiece } from "../../../core/piece/still";
import { Picture } from "../../../ui/Picture";
import { turnStill, useSimulation } from "../useSimulation";
import { stillAsked, type StillAsked } from "../stillAsked";
import { useView } from "../viewStore";

/** While the piece is being turned its picture is smaller, so that it follows the hand. */
const TURNING_PX = 260;

/** What is to be asked next so that the picture at hand becomes the one that is wanted; null where it is. */
export function nextStill({ view, lit }: StillPiece, wanted: StillAsked, fine: boolean): StillAsked | null {
  const there = view.turnDeg === wanted.view.turnDeg && view.tiltDeg === wanted.view.tiltDeg;
  if (!there || lit !== wanted.lit)
    return { ...wanted, view: { ...wanted.view, mostPx: Math.min(TURNING_PX, wanted.view.mostPx) } };
  // The full picture of the coats is on its way and brings the larger one.
  return fine && view.mostPx !== wanted.view.mostPx ? wanted : null;
}

interface Props {
  readonly surfaceId: string;
  readonly still: StillPiece;
  /** Pixels of the page to the mm. */
  readonly scale: number;
  /** Of the view, in pixels of the page. */
  readonly size: { readonly width: number; readonly height: number };
}

/** Where a still picture lies in its view so that the middle of the piece is the middle of the view. */
function seatOf({ picture, view, room }: StillPiece, scale: number, size: Props["size"]) {
  const { right, up } = eyeAt(view.turnDeg, view.tiltDeg ?? room.tiltDeg);
  return {
    left: size.width / 2 + (picture.leftMm - dot(room.middle, right)) * scale,
    top: size.height / 2 - (picture.topMm - dot(room.middle, up)) * scale,
  };
}

/** The surface on its form where the page does not draw in space: one still picture after another, drawn by the worker. */
export function FormStill({ surfaceId, still, scale, size }: Props) {
  const fine = useSimulation((state) => state.fine);
  const { stance, zoom, light } = useView();
  useEffect(() => {
    const next = nextStill(still, stillAsked(surfaceId), fine);
    if (next) turnStill(next);
  }, [surfaceId, still, fine, stance, zoom, light]);
  const { picture } = still;
  return (
    <Box sx={{ position: "absolute", ...seatOf(still, scale, size) }}>
      <Picture
        pixels={picture}
        label="The surface, simulated, on its form"
        cssWidth={`${(picture.width / picture.pxPerMm) * scale}px`}
      />
    </Box>
  );
}
