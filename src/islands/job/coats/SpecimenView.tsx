import { Box, LinearProgress, Typography } from "@mui/material";
import { useEffect, useLayoutEffect, useRef, useState, type PointerEvent } from "react";
import { activeCoats } from "../../../core/job";
import type { SectionLine } from "../../../core/simulate/section";
import type { Specimen } from "../../../core/simulate/simulator";
import { USUAL_PX_PER_MM, usePrefs } from "../../../ui/prefs";
import { Picture } from "../../../ui/Picture";
import { SURROUNDS } from "../../../ui/theme";
import { useSimulation } from "../useSimulation";
import { useBuilt, useSurface } from "../useSurface";
import { useView } from "../viewStore";
import { FormView } from "./FormView";
import { LampDial } from "./LampDial";
import { MmRuler } from "./MmRuler";
import { OutlinePen } from "./OutlinePen";

const RULER_PX = 22;
export const MOST_ZOOM = 8;

/** Size of the free room, in screen pixels, and the ref of the element that is measured. */
function useRoom() {
  const [room, setRoom] = useState<HTMLDivElement | null>(null);
  const [size, setSize] = useState({ width: 0, height: 0 });
  useLayoutEffect(() => {
    if (!room) return;
    const observer = new ResizeObserver(([entry]) => {
      if (entry) setSize({ width: entry.contentRect.width, height: entry.contentRect.height });
    });
    observer.observe(room);
    return () => observer.disconnect();
  }, [room]);
  return { setRoom, size };
}

/** A first line across the middle of the panel. */
function firstLine(specimen: Specimen): SectionLine {
  const width = specimen.width * specimen.pitchMm;
  const height = specimen.height * specimen.pitchMm;
  const y = specimen.originY + height * 0.8;
  return { ax: specimen.originX + width * 0.36, ay: y, bx: specimen.originX + width * 0.64, by: y };
}

/** The painter's line, or a first one where there is none yet or it lies beside the surface. */
export function lineOn(specimen: Specimen, line: SectionLine | null): SectionLine {
  if (!line) return firstLine(specimen);
  const { originX, originY, pitchMm } = specimen;
  const inside = (x: number, y: number) =>
    x >= originX &&
    y >= originY &&
    x <= originX + specimen.width * pitchMm &&
    y <= originY + specimen.height * pitchMm;
  return inside(line.ax, line.ay) || inside(line.bx, line.by) ? line : firstLine(specimen);
}

interface LineProps {
  readonly line: SectionLine;
  readonly toPx: (xMm: number, yMm: number) => readonly [number, number];
  readonly toMm: (xPx: number, yPx: number) => readonly [number, number];
  readonly onMove: (line: SectionLine) => void;
}

/** The section's line with its two ends; dragged as a whole or by an end, or moved with the arrow keys. */
function LineHandles({ line, toPx, toMm, onMove }: LineProps) {
  const grip = useRef<{ part: "a" | "b" | "both"; x: number; y: number; line: SectionLine } | null>(null);
  const [ax, ay] = toPx(line.ax, line.ay);
  const [bx, by] = toPx(line.bx, line.by);
  const start = (part: "a" | "b" | "both", event: PointerEvent<SVGElement>) => {
    event.currentTarget.setPointerCapture(event.pointerId);
    grip.current = { part, x: event.clientX, y: event.clientY, line };
  };
  const shifted = (from: SectionLine, part: "a" | "b" | "both", dx: number, dy: number): SectionLine => ({
    ax: from.ax + (part === "b" ? 0 : dx),
    ay: from.ay + (part === "b" ? 0 : dy),
    bx: from.bx + (part === "a" ? 0 : dx),
    by: from.by + (part === "a" ? 0 : dy),
  });
  const move = (event: PointerEvent<SVGElement>) => {
    const held = grip.current;
    if (!held) return;
    const [x0, y0] = toMm(0, 0);
    const [x1, y1] = toMm(event.clientX - held.x, event.clientY - held.y);
    onMove(shifted(held.line, held.part, x1 - x0, y1 - y0));
  };
  const end = () => (grip.current = null);
  const key = (part: "a" | "b") => (event: React.KeyboardEvent) => {
    const step = { ArrowLeft: [-0.25, 0], ArrowRight: [0.25, 0], ArrowUp: [0, -0.25], ArrowDown: [0, 0.25] }[
      event.key
    ];
    if (!step) return;
    event.preventDefault();
    onMove(shifted(line, part, step[0]!, step[1]!));
  };
  const handle = (part: "a" | "b", x: number, y: number) => (
    <g
      role="slider"
      tabIndex={0}
      aria-label={`End ${part.toUpperCase()} of the section`}
      aria-valuenow={Math.round((part === "a" ? line.ax : line.bx) * 100) / 100}
      aria-valuetext={`${(part === "a" ? line.ax : line.bx).toFixed(2)} mm, ${(part === "a" ? line.ay : line.by).toFixed(2)} mm`}
      onPointerDown={(event) => start(part, event)}
      onPointerMove={move}
      onPointerUp={end}
      onKeyDown={key(part)}
      style={{ cursor: "grab", touchAction: "none" }}
    >
      <circle cx={x} cy={y} r={14} fill="transparent" />
      <circle cx={x} cy={y} r={5} fill="#fff" stroke="#000" strokeWidth={1.5} />
      <text
        x={x + (part === "a" ? -10 : 10)}
        y={y - 8}
        textAnchor="middle"
        fontSize={12}
        fontWeight={600}
        fill="#fff"
        stroke="#000"
        strokeWidth={3}
        paintOrder="stroke"
      >
        {part.toUpperCase()}
      </text>
    </g>
  );
  return (
    <g>
      <line x1={ax} y1={ay} x2={bx} y2={by} stroke="#fff" strokeWidth={3} />
      <line x1={ax} y1={ay} x2={bx} y2={by} stroke="#000" strokeWidth={1.2} strokeDasharray="5 4" />
      <line
        x1={ax}
        y1={ay}
        x2={bx}
        y2={by}
        stroke="transparent"
        strokeWidth={16}
        onPointerDown={(event) => start("both", event)}
        onPointerMove={move}
        onPointerUp={end}
        style={{ cursor: "move", touchAction: "none" }}
      />
      {handle("a", ax, ay)}
      {handle("b", bx, by)}
    </g>
  );
}

function Stage({
  specimen,
  size,
}: {
  readonly specimen: Specimen;
  readonly size: { width: number; height: number };
}) {
  const { line, set, tab, zoom, middle, trueSize, outlining, coatId } = useView();
  const surface = useSurface();
  const { form } = useBuilt(surface);
  const coat = surface?.coats.find((one) => one.id === coatId);
  const pxPerMm = usePrefs((prefs) => prefs.pxPerMm) ?? USUAL_PX_PER_MM;
  const widthMm = specimen.width * specimen.pitchMm;
  const heightMm = specimen.height * specimen.pitchMm;
  const fit = Math.max(
    1,
    Math.min((size.width - RULER_PX - 16) / widthMm, (size.height - RULER_PX - 16) / heightMm),
  );
  const scale = trueSize ? pxPerMm : fit * zoom;
  const centre =
    zoom === 1 || !middle
      ? { x: specimen.originX + widthMm / 2, y: specimen.originY + heightMm / 2 }
      : middle;
  const left = RULER_PX + (size.width - RULER_PX) / 2 - (centre.x - specimen.originX) * scale;
  const top = RULER_PX + (size.height - RULER_PX) / 2 - (centre.y - specimen.originY) * scale;
  const toPx = (x: number, y: number) =>
    [left + (x - specimen.originX) * scale, top + (y - specimen.originY) * scale] as const;
  const toMm = (x: number, y: number) =>
    [(x - left) / scale + specimen.originX, (y - top) / scale + specimen.originY] as const;
  const shown = lineOn(specimen, line);
  const grip = useRef<{ x: number; y: number; centre: { x: number; y: number } } | null>(null);
  return (
    <>
      <Box sx={{ position: "absolute", left, top }}>
        <Picture
          pixels={specimen}
          label="The surface, simulated, laid flat"
          cssWidth={`${widthMm * scale}px`}
          cssHeight={`${heightMm * scale}px`}
        />
      </Box>
      <svg
        width={size.width}
        height={size.height}
        style={{
          position: "absolute",
          inset: 0,
          cursor: zoom > 1 ? "grab" : "default",
          touchAction: zoom > 1 ? "none" : "auto",
        }}
        onPointerDown={(event) => {
          if (event.target !== event.currentTarget || zoom === 1) return;
          event.currentTarget.setPointerCapture(event.pointerId);
          grip.current = { x: event.clientX, y: event.clientY, centre };
        }}
        onPointerMove={(event) => {
          const held = grip.current;
          if (!held) return;
          set({
            middle: {
              x: held.centre.x - (event.clientX - held.x) / scale,
              y: held.centre.y - (event.clientY - held.y) / scale,
            },
          });
        }}
        onPointerUp={() => (grip.current = null)}
        onWheel={(event) => {
          const box = event.currentTarget.getBoundingClientRect();
          const [x, y] = toMm(event.clientX - box.left, event.clientY - box.top);
          const next = Math.min(MOST_ZOOM, Math.max(1, zoom * (event.deltaY < 0 ? 1.25 : 0.8)));
          // The place under the pointer stays where it is.
          const share = zoom / next;
          set({
            zoom: next < 1.05 ? 1 : next,
            middle: { x: x + (centre.x - x) * share, y: y + (centre.y - y) * share },
          });
        }}
      >
        {tab === "section" && (
          <LineHandles line={shown} toPx={toPx} toMm={toMm} onMove={(next) => set({ line: next })} />
        )}
        <MmRuler along="x" startPx={left} lengthPx={size.width} scale={scale} thickness={RULER_PX} />
        <MmRuler along="y" startPx={top} lengthPx={size.height} scale={scale} thickness={RULER_PX} />
      </svg>
      {outlining && surface && form && coat && (
        <OutlinePen surface={surface} form={form} coat={coat} size={size} toMm={toMm} toPx={toPx} />
      )}
      <Typography
        sx={{
          position: "absolute",
          right: 10,
          bottom: 6,
          color: "#fff",
          textShadow: "0 0 3px #000, 0 0 3px #000",
        }}
      >
        {specimen.reduced
          ? `drawn in cells of ${specimen.pitchMm.toFixed(2)}\u202fmm, coarser than your line · `
          : ""}
        {trueSize ? "true size" : `${(scale / pxPerMm).toFixed(1)}\u202f× its size`}
      </Typography>
    </>
  );
}

/** The surface before the chosen coat, while that is held to be seen. */
function useBefore(): Specimen | null {
  const { before, coatId } = useView();
  const surface = useSurface();
  const steps = useSimulation((state) => state.steps);
  if (!before || !surface || !steps) return null;
  const at = activeCoats(surface).findIndex((coat) => coat.id === coatId);
  const rgba = steps.pictures[at];
  return rgba ? { ...steps, rgba, reduced: false } : null;
}

/** The simulated surface with rulers in millimetres, and the line of the section. */
export function SpecimenView() {
  const { specimen: newest, progress, failure, fine } = useSimulation();
  const earlier = useBefore();
  const specimen = earlier ?? newest;
  const { shape, light } = useView();
  const { form } = useBuilt(useSurface());
  const surround = usePrefs((prefs) => prefs.surround);
  const { setRoom, size } = useRoom();
  const setView = useView((view) => view.set);
  const surface = useSurface();
  const formKey = surface ? JSON.stringify([surface.id, surface.form]) : "";
  const lastForm = useRef(formKey);
  useEffect(() => {
    // A line laid on another form would lie beside this one.
    if (lastForm.current !== formKey) setView({ line: null });
    lastForm.current = formKey;
  }, [formKey, setView]);
  return (
    <Box
      ref={setRoom}
      data-fine={fine}
      data-testid="specimen"
      sx={{ flex: 1, minHeight: 0, position: "relative", overflow: "hidden", bgcolor: SURROUNDS[surround] }}
    >
      {specimen && size.width > 0 && shape === "flat" && <Stage specimen={specimen} size={size} />}
      {specimen && form && shape === "form" && <FormView specimen={specimen} form={form} />}
      {(light === "lit" || light === "light") && <LampDial />}
      {progress && (
        <Box sx={{ position: "absolute", left: 0, right: 0, top: 0 }}>
          <LinearProgress
            variant="determinate"
            value={(100 * progress.done) / Math.max(1, progress.total)}
            aria-label="Laying coats"
          />
        </Box>
      )}
      {failure !== null && (
        <Box
          role="alert"
          sx={{
            position: "absolute",
            left: 40,
            right: 16,
            bottom: 16,
            bgcolor: "background.paper",
            border: 1,
            borderColor: "divider",
            p: 1.5,
          }}
        >
          The picture shows the last state that could be painted. {failure}
        </Box>
      )}
    </Box>
  );
}
