import { useRef, type PointerEvent } from "react";
import type { SectionLine } from "../../../core/simulate/section";

interface LineProps {
  readonly line: SectionLine;
  /** Where the rulers start, mm. */
  readonly origin: readonly [xMm: number, yMm: number];
  readonly toPx: (xMm: number, yMm: number) => readonly [number, number];
  readonly toMm: (xPx: number, yPx: number) => readonly [number, number];
  readonly onMove: (line: SectionLine) => void;
}

/** The section's line with its two ends; dragged as a whole or by an end, or moved with the arrow keys. */
export function SectionLineHandles({ line, origin, toPx, toMm, onMove }: LineProps) {
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
      aria-valuenow={Math.round((line[part === "a" ? "ax" : "bx"] - origin[0]) * 100) / 100}
      aria-valuetext={`${(line[part === "a" ? "ax" : "bx"] - origin[0]).toFixed(2)} mm, ${(line[part === "a" ? "ay" : "by"] - origin[1]).toFixed(2)} mm`}
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
