import { useRef, useState, type PointerEvent } from "react";
import type { Coat, Surface } from "../../../core/job";
import type { SurfaceForm } from "../../../core/surface/forms/form";
import { useEditSurface } from "../useSurface";
import { useView } from "../viewStore";

interface Props {
  readonly surface: Surface;
  readonly form: SurfaceForm;
  readonly coat: Coat;
  readonly size: { readonly width: number; readonly height: number };
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

/** Draws the outline of the chosen coat's place on the flat picture. */
export function OutlinePen({ surface, form, coat, size, toMm, toPx }: Props) {
  const editSurface = useEditSurface();
  const set = useView((view) => view.set);
  const pen = useRef<(readonly [number, number])[]>([]);
  const [drawn, setDrawn] = useState("");
  const take = (event: PointerEvent<SVGSVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    const point = toMm(event.clientX - box.left, event.clientY - box.top);
    const last = pen.current.at(-1);
    if (last && Math.hypot(last[0] - point[0], last[1] - point[1]) < LEAST_MM) return;
    pen.current.push(point);
    setDrawn(pen.current.map((one) => toPx(...one).join(",")).join(" "));
  };
  const finish = () => {
    const points = asShares(form, pen.current);
    pen.current = [];
    setDrawn("");
    set({ outlining: false });
    if (points.length < 6) return;
    editSurface(surface.id, (now) => ({
      ...now,
      coats: now.coats.map((one) =>
        one.id === coat.id && one.target.kind === "zones"
          ? {
              ...one,
              target: { ...one.target, outline: { points, softMm: one.target.outline?.softMm ?? 0.4 } },
            }
          : one,
      ),
    }));
  };
  return (
    <svg
      width={size.width}
      height={size.height}
      aria-label="Draw the outline here"
      role="img"
      style={{ position: "absolute", inset: 0, cursor: "crosshair", touchAction: "none" }}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        pen.current = [];
        take(event);
      }}
      onPointerMove={(event) => event.buttons > 0 && pen.current.length > 0 && take(event)}
      onPointerUp={finish}
    >
      <polygon points={drawn} fill="rgba(255,255,255,0.25)" stroke="#fff" strokeWidth={3} />
      <polygon points={drawn} fill="none" stroke="#000" strokeWidth={1} />
    </svg>
  );
}
