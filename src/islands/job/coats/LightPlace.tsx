import { Box, Typography, useTheme } from "@mui/material";
import { useRef, type KeyboardEvent, type PointerEvent } from "react";
import type { PaintedLight, Surface } from "../../../core/job";
import type { Specimen } from "../../../core/simulate/simulator";
import type { SurfaceForm } from "../../../core/surface/forms/form";
import { clamp } from "../../../core/units";
import { Picture } from "../../../ui/Picture";
import { useThumbnail } from "../../useThumbnail";
import { useDesign, usePaints } from "../jobStore";
import { useBuilt } from "../useSurface";

/** How far an arrow key moves the light, shares of the piece, with Shift the finer step; the picture is no higher than this, px. */
const [COARSE, FINE, HIGH_PX] = [0.02, 0.005, 170] as const;
const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};

type Place = Pick<PaintedLight, "along" | "up">;
type Move = (place: Place) => void;

interface Props {
  readonly light: PaintedLight;
  readonly onMove: Move;
}

interface MarkProps extends Props {
  readonly form: SurfaceForm;
  readonly picture: Specimen;
}

const share = (value: number): number => Math.round(1000 * clamp(value, 0, 1)) / 1000;

/** The light on the flat piece: its disc, and the ring where half of it is left. A press puts it there; it is dragged, or moved by arrow keys. */
function Mark({ light, form, picture, onMove }: MarkProps) {
  const { palette } = useTheme();
  const on = useRef<SVGSVGElement>(null);
  const { width, height, pitchMm, originX, originY } = picture;
  const [left, top, wide, high] = [originX, originY, width, height].map((value, at) =>
    at < 2 ? value - pitchMm / 2 : value * pitchMm,
  ) as [number, number, number, number];
  const at = form.flatten({ turnDeg: light.along * form.turnDeg, heightMm: light.up * form.slantMm });
  const put = (event: PointerEvent<SVGSVGElement>) => {
    const box = on.current!.getBoundingClientRect();
    const mm = wide / box.width;
    const place = form.place([left + (event.clientX - box.left) * mm, top + (event.clientY - box.top) * mm]);
    onMove({ along: share(place.turnDeg / form.turnDeg), up: share(place.heightMm / form.slantMm) });
  };
  const keyed = (event: KeyboardEvent) => {
    const arrow = ARROWS[event.key];
    if (!arrow) return;
    const step = event.shiftKey ? FINE : COARSE;
    onMove({ along: share(light.along + arrow[0] * step), up: share(light.up + arrow[1] * step) });
    event.preventDefault();
  };
  const line = wide / 300;
  return (
    <svg
      ref={on}
      viewBox={`${left} ${top} ${wide} ${high}`}
      style={{ ...{ position: "absolute", inset: 0, width: "100%", height: "100%" }, touchAction: "none" }}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        put(event);
      }}
      onPointerMove={(event) => event.buttons === 1 && put(event)}
    >
      <g
        role="button"
        tabIndex={0}
        aria-label={`${light.name}: arrow keys move it`}
        transform={`translate(${at[0]} ${at[1]})`}
        style={{ cursor: "move" }}
        onKeyDown={keyed}
      >
        <circle r={light.reachMm} fill="none" stroke="#000" strokeWidth={line * 2.4} opacity={0.5} />
        <circle
          r={light.reachMm}
          fill="none"
          stroke="#fff"
          strokeWidth={line}
          strokeDasharray={`${line * 5}`}
        />
        <circle
          r={Math.max(light.widthMm / 2, line * 3)}
          fill={light.colour}
          stroke={palette.primary.light}
          strokeWidth={line * 1.6}
        />
      </g>
    </svg>
  );
}

function OnPiece({ light, onMove, surface }: Props & { readonly surface: Surface }) {
  const picture = useThumbnail(useDesign(), usePaints(), surface.id);
  const { form } = useBuilt(surface);
  if (!picture || !form) return <Box sx={{ height: HIGH_PX }} />;
  const wide = `min(100%, ${Math.round((HIGH_PX * picture.width) / picture.height)}px)`;
  return (
    <Box sx={{ position: "relative", width: wide, justifySelf: "center" }}>
      <Picture pixels={picture} label={`${surface.name}, laid flat`} cssWidth="100%" />
      <Mark {...{ light, form, picture, onMove }} />
    </Box>
  );
}

/** Where a light sits, put there by hand on the piece laid flat. */
export function LightPlace({ light, onMove }: Props) {
  const surface = useDesign().surfaces.find(({ id }) => id === light.surfaceId);
  if (!surface) return null;
  return (
    <Box sx={{ display: "grid", gap: 0.5 }}>
      <OnPiece key={surface.id} {...{ light, onMove, surface }} />
      <Typography variant="body2">
        Press where it is to sit, or drag it there; half of its light is left at the dashed ring.
      </Typography>
    </Box>
  );
}
