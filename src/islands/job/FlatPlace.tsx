import { Box } from "@mui/material";
import { useRef, type KeyboardEvent, type PointerEvent, type ReactNode } from "react";
import type { Job, Surface } from "../../core/job";
import type { Specimen } from "../../core/simulate/simulator";
import type { SurfaceForm } from "../../core/surface/forms/form";
import { clamp } from "../../core/units";
import { Picture } from "../../ui/Picture";
import { useThumbnail } from "../useThumbnail";
import { usePaints } from "./jobStore";
import { useBuilt } from "./useSurface";

/** How far an arrow key moves the place, shares of the piece, with Shift the finer step; the picture is no higher than this, px. */
const [COARSE, FINE, HIGH_PX] = [0.02, 0.005, 170] as const;
const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};

/** A place on a piece, in shares of its length and height. */
export interface FlatPoint {
  readonly along: number;
  readonly up: number;
}

interface MarkProps {
  readonly place: FlatPoint;
  readonly onMove: (place: FlatPoint) => void;
  /** What stands there, for who does not see it. */
  readonly name: string;
  /** Draws what stands there, round the place, in mm. @param line a thin line's width, mm */
  readonly draw: (line: number) => ReactNode;
}

const share = (value: number): number => Math.round(1000 * clamp(value, 0, 1)) / 1000;

/** A press puts the mark there; it is dragged, or moved by arrow keys. */
function Mark({
  place,
  onMove,
  name,
  draw,
  form,
  picture,
}: MarkProps & { readonly form: SurfaceForm; readonly picture: Specimen }) {
  const on = useRef<SVGSVGElement>(null);
  const { width, height, pitchMm, originX, originY } = picture;
  const [left, top, wide, high] = [originX, originY, width, height].map((value, at) =>
    at < 2 ? value - pitchMm / 2 : value * pitchMm,
  ) as [number, number, number, number];
  const at = form.flatten({ turnDeg: place.along * form.turnDeg, heightMm: place.up * form.slantMm });
  const put = (event: PointerEvent<SVGSVGElement>) => {
    const box = on.current!.getBoundingClientRect();
    const mm = wide / box.width;
    const to = form.place([left + (event.clientX - box.left) * mm, top + (event.clientY - box.top) * mm]);
    onMove({ along: share(to.turnDeg / form.turnDeg), up: share(to.heightMm / form.slantMm) });
  };
  const keyed = (event: KeyboardEvent) => {
    const arrow = ARROWS[event.key];
    if (!arrow) return;
    const step = event.shiftKey ? FINE : COARSE;
    onMove({ along: share(place.along + arrow[0] * step), up: share(place.up + arrow[1] * step) });
    event.preventDefault();
  };
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
        aria-label={`${name}: arrow keys move it`}
        transform={`translate(${at[0]} ${at[1]})`}
        style={{ cursor: "move" }}
        onKeyDown={keyed}
      >
        {draw(wide / 300)}
      </g>
    </svg>
  );
}

interface Props extends MarkProps {
  readonly job: Job;
  readonly surface: Surface;
}

/** A piece laid flat, and a place on it that is put there by hand. */
export function FlatPlace({ job, surface, ...mark }: Props) {
  const picture = useThumbnail(job, usePaints(), surface.id);
  const { form } = useBuilt(surface);
  if (!picture || !form) return <Box sx={{ height: HIGH_PX }} />;
  const wide = `min(100%, ${Math.round((HIGH_PX * picture.width) / picture.height)}px)`;
  return (
    <Box sx={{ position: "relative", width: wide, justifySelf: "center" }}>
      <Picture pixels={picture} label={`${surface.name}, laid flat`} cssWidth="100%" />
      <Mark {...{ ...mark, form, picture }} />
    </Box>
  );
}
