import { Box, Typography } from "@mui/material";
import type { KeyboardEvent, PointerEvent } from "react";
import type { Figure, Lamp } from "../../../core/job";
import { useEdit } from "../jobStore";
import { changeFigure } from "../../../core/edits/figures";

const SIZE = 76;
const MIDDLE = SIZE / 2;
const REACH = MIDDLE - 9;
const LOWEST_DEG = 8;

/** Where on the dial a lamp stands: the middle is straight in front, the rim level with the surface. */
function spot({ fromDeg, heightDeg }: Lamp): readonly [number, number] {
  const from = (fromDeg * Math.PI) / 180;
  const out = REACH * Math.cos((heightDeg * Math.PI) / 180);
  return [MIDDLE + out * Math.cos(from), MIDDLE - out * Math.sin(from)];
}

function lampAt(x: number, y: number): Lamp {
  const [dx, dy] = [x - MIDDLE, MIDDLE - y];
  const out = Math.min(1, Math.hypot(dx, dy) / REACH);
  const from = Math.round((Math.atan2(dy, dx) * 180) / Math.PI);
  const height = Math.round((Math.acos(out) * 180) / Math.PI);
  return { fromDeg: (from + 360) % 360, heightDeg: Math.max(LOWEST_DEG, height) };
}

/** A figure's lamp, dragged around the piece; arrow keys turn and raise it. */
export function LampDial({ figure: { id, lamp } }: { readonly figure: Figure }) {
  const edit = useEdit();
  const set = (next: Lamp) => edit((job) => changeFigure(job, id, { lamp: next }));
  const take = (event: PointerEvent<SVGSVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    set(
      lampAt(
        ((event.clientX - box.left) / box.width) * SIZE,
        ((event.clientY - box.top) / box.height) * SIZE,
      ),
    );
  };
  const key = (event: KeyboardEvent) => {
    const turn = { ArrowLeft: 5, ArrowRight: -5 }[event.key] ?? 0;
    const raise = { ArrowUp: 5, ArrowDown: -5 }[event.key] ?? 0;
    if (turn === 0 && raise === 0) return;
    event.preventDefault();
    set({
      fromDeg: (lamp.fromDeg + turn + 360) % 360,
      heightDeg: Math.min(90, Math.max(LOWEST_DEG, lamp.heightDeg + raise)),
    });
  };
  const [x, y] = spot(lamp);
  return (
    <Box
      sx={{
        position: "absolute",
        right: 10,
        top: 10,
        bgcolor: "background.paper",
        border: 1,
        borderColor: "divider",
        p: 0.6,
        textAlign: "center",
      }}
    >
      <svg
        width={SIZE}
        height={SIZE}
        viewBox={`0 0 ${SIZE} ${SIZE}`}
        role="slider"
        tabIndex={0}
        aria-label="Lamp"
        aria-valuenow={lamp.fromDeg}
        aria-valuemin={0}
        aria-valuemax={360}
        aria-valuetext={`from ${lamp.fromDeg} degrees, ${lamp.heightDeg} degrees high`}
        style={{ display: "block", cursor: "crosshair", touchAction: "none" }}
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          take(event);
        }}
        onPointerMove={(event) => event.buttons > 0 && take(event)}
        onKeyDown={key}
      >
        <defs>
          <radialGradient id="lamp-ball" gradientUnits="userSpaceOnUse" cx={x} cy={y} r={SIZE * 0.75}>
            <stop offset="0" stopColor="#d8d8d8" />
            <stop offset="1" stopColor="#3c3c3c" />
          </radialGradient>
        </defs>
        <circle cx={MIDDLE} cy={MIDDLE} r={REACH} fill="url(#lamp-ball)" />
        <circle cx={x} cy={y} r={6} fill="#fff" stroke="#000" strokeWidth={1.5} />
      </svg>
      <Typography variant="caption" component="div">
        lamp {lamp.fromDeg}°, {lamp.heightDeg}° high
      </Typography>
    </Box>
  );
}
