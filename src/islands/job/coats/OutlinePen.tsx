import { Typography } from "@mui/material";
import { useEffect, useRef, useState, type KeyboardEvent, type PointerEvent } from "react";
import type { Coat, Surface } from "../../../core/job";
import type { SurfaceForm } from "../../../core/surface/forms/form";
import { counted } from "../../../core/units";
import { useEditSurface } from "../useSurface";
import { useView } from "../viewStore";

interface Props {
  readonly surface: Surface;
  readonly form: SurfaceForm;
  readonly coat: Coat;
  readonly size: { readonly width: number; readonly height: number };
  /** Where the rulers start, mm. */
  readonly origin: readonly [xMm: number, yMm: number];
  readonly toMm: (xPx: number, yPx: number) => readonly [number, number];
  readonly toPx: (xMm: number, yMm: number) => readonly [number, number];
}

/** Points closer together than this say nothing new, mm. */
const LEAST_MM = 0.15;
const MOST_POINTS = 200;

/** Shares of length and height, as the job keeps them. */
function asShares(form: SurfaceForm, pen: readonly (readonly [number, number])[]): number[] {
  const every = Math.max(1, Math.ceil(pen.length / MOST_POINTS));
  const share = (value: number) => Math.round(Math.min(1.2, Math.max(-0.2, value)) * 1e4) / 1e4;
  return pen
    .filter((_, at) => at % every === 0)
    .flatMap((point) => {
      const place = form.place(point);
      return [share(place.turnDeg / form.turnDeg), share(place.heightMm / form.slantMm)];
    });
}

type Point = readonly [xMm: number, yMm: number];

/** How far an arrow key carries the pen, mm; with Shift the finer step. */
const KEY_MM = { coarse: 0.5, fine: 0.1 } as const;
const ARROWS: Readonly<Record<string, Point>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

const withOutline = (surface: Surface, coatId: string, points: number[]): Surface => ({
  ...surface,
  coats: surface.coats.map((one) =>
    one.id === coatId && one.place.kind === "zones"
      ? { ...one, place: { ...one.place, outline: { points, softMm: one.place.outline?.softMm ?? 0.4 } } }
      : one,
  ),
});

const PenMark = ({ x, y }: { readonly x: number; readonly y: number }) => (
  <g fill="none">
    <path d={`M${x - 9} ${y}h18M${x} ${y - 9}v18`} stroke="#000" strokeWidth={3} />
    <path d={`M${x - 9} ${y}h18M${x} ${y - 9}v18`} stroke="#fff" strokeWidth={1.2} />
  </g>
);

/**
 * Draws the outline of the chosen coat's place on the flat picture: in one pull of the pointer, or corner by corner
 * with the keys (arrows move the pen, Space sets a corner, Backspace takes one back, Enter closes, Escape leaves).
 */
export function OutlinePen({ surface, form, coat, size, origin, toMm, toPx }: Props) {
  const editSurface = useEditSurface();
  const set = useView((view) => view.set);
  const pull = useRef<Point[]>([]);
  const ground = useRef<SVGSVGElement>(null);
  const [corners, setCorners] = useState<readonly Point[]>([]);
  const [pen, setPen] = useState<Point>(() => toMm(size.width / 2, size.height / 2));
  useEffect(() => ground.current?.focus(), []);
  const leave = (points: readonly Point[]) => {
    const shares = asShares(form, points);
    set({ outlining: false });
    if (shares.length >= 6) editSurface(surface.id, (now) => withOutline(now, coat.id, shares));
  };
  const take = (event: PointerEvent<SVGSVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    const point = toMm(event.clientX - box.left, event.clientY - box.top);
    const last = pull.current.at(-1);
    if (last && Math.hypot(last[0] - point[0], last[1] - point[1]) < LEAST_MM) return;
    pull.current.push(point);
    setPen(point);
    setCorners([...pull.current]);
  };
  const key = (event: KeyboardEvent) => {
    const arrow = ARROWS[event.key];
    if (arrow) {
      const step = event.shiftKey ? KEY_MM.fine : KEY_MM.coarse;
      setPen(([x, y]) => [x + arrow[0] * step, y + arrow[1] * step]);
    } else if (event.key === " ") setCorners((now) => [...now, pen]);
    else if (event.key === "Backspace") setCorners((now) => now.slice(0, -1));
    else if (event.key === "Enter") leave(corners);
    else if (event.key === "Escape") leave([]);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const drawn = corners.map((one) => toPx(...one).join(",")).join(" ");
  const [penX, penY] = toPx(...pen);
  return (
    <>
      <svg
        ref={ground}
        width={size.width}
        height={size.height}
        tabIndex={0}
        role="application"
        aria-label="Draw the outline here. Arrow keys move the pen, Space sets a corner, Backspace takes one back, Enter closes the outline, Escape leaves it."
        style={{ position: "absolute", inset: 0, cursor: "crosshair", touchAction: "none" }}
        onKeyDown={key}
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          pull.current = [];
          take(event);
        }}
        onPointerMove={(event) => event.buttons > 0 && pull.current.length > 0 && take(event)}
        onPointerUp={() => leave(pull.current)}
      >
        <polygon points={drawn} fill="rgba(255,255,255,0.25)" stroke="#fff" strokeWidth={3} />
        <polygon points={drawn} fill="none" stroke="#000" strokeWidth={1} />
        <PenMark x={penX} y={penY} />
      </svg>
      <Typography
        role="status"
        sx={{
          position: "absolute",
          left: 32,
          bottom: 6,
          color: "#fff",
          textShadow: "0 0 3px #000, 0 0 3px #000",
        }}
      >
        {`pen at ${(pen[0] - origin[0]).toFixed(1)}\u202fmm, ${(pen[1] - origin[1]).toFixed(1)}\u202fmm · ${counted(corners.length, "corner")}`}
      </Typography>
    </>
  );
}
