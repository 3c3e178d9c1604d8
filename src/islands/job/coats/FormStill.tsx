import { Box, Typography } from "@mui/material";
import { useEffect, useRef, useState } from "react";
import type { PiecePicture } from "../../../core/piece/still";
import { usualTilt } from "../../../core/piece/stance";
import type { SurfaceForm } from "../../../core/surface/forms/form";
import { clamp } from "../../../core/units";
import { Picture } from "../../../ui/Picture";
import { askPiece, useSimulation } from "../useSimulation";
import { useView } from "../viewStore";
import { turnKeys } from "./turnKeys";

/** Degrees by key and by pixel of a drag; how much nearer a step is. */
const [BY_KEY, BY_PX, NEARER] = [9, 0.5, 1.18] as const;
const MOST_TILT = 85;
const MOST_PX = 520;

interface Stance {
  readonly turnDeg: number;
  readonly tiltDeg: number;
  /** 1 fills the view. */
  readonly near: number;
}

const turned = ({ turnDeg, tiltDeg, near }: Stance, aside: number, up: number): Stance => ({
  turnDeg: (turnDeg + aside) % 360,
  tiltDeg: clamp(tiltDeg + up, -MOST_TILT, MOST_TILT),
  near,
});

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

/** The surface on its form where the browser cannot draw in space: one still picture for every turn. */
export function FormStill({ form }: { readonly form: SurfaceForm }) {
  const [stance, setStance] = useState<Stance>(() => ({ turnDeg: 0, tiltDeg: usualTilt(form), near: 1 }));
  const picture = useStill(stance);
  const grip = useRef<{ readonly x: number; readonly y: number } | null>(null);
  return (
    <Box
      role="group"
      tabIndex={0}
      aria-label="The surface on its form; arrow keys turn it, plus and minus bring it nearer"
      data-ready={picture !== null}
      onKeyDown={(event) =>
        turnKeys(event, {
          turn: (aside, up) => setStance((now) => turned(now, aside * BY_KEY, up * BY_KEY)),
          nearer: (steps) =>
            setStance((now) => ({ ...now, near: clamp(now.near * NEARER ** steps, 0.3, 4) })),
        })
      }
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        grip.current = { x: event.clientX, y: event.clientY };
      }}
      onPointerMove={({ clientX, clientY }) => {
        const held = grip.current;
        if (!held) return;
        grip.current = { x: clientX, y: clientY };
        setStance((now) => turned(now, (held.x - clientX) * BY_PX, (clientY - held.y) * BY_PX));
      }}
      onPointerUp={() => (grip.current = null)}
      sx={{
        ...{ position: "absolute", inset: 0, overflow: "hidden", touchAction: "none" },
        ...{ display: "grid", placeItems: "center", cursor: "grab" },
      }}
    >
      {picture ? (
        <Box
          sx={{
            width: `min(86%, ${(52 * picture.width) / picture.height}vh)`,
            transform: `scale(${stance.near})`,
          }}
        >
          <Picture pixels={picture} label="The surface, simulated, on its form" cssWidth="100%" />
        </Box>
      ) : (
        <Typography sx={{ bgcolor: "background.paper", p: 1 }}>Drawing it</Typography>
      )}
    </Box>
  );
}
