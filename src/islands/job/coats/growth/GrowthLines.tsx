import { useMemo } from "react";
import { depthInside } from "../../../../core/surface/forms/depth";
import type { SurfaceForm } from "../../../../core/surface/forms/form";
import { growthAt, type GrowthField, type Lie } from "../../../../core/surface/growthField";

/** Where a place of the flat is seen, in pixels of the view, and whether that side is. */
export type SeenAt = (
  xMm: number,
  yMm: number,
) => { readonly x: number; readonly y: number; readonly faces: boolean };

/** A line from its root to its tip, mm on the flat. */
type Line = readonly [x0: number, y0: number, x1: number, y1: number];

/** Lines over a piece are about so many, each as long as this share of the way to the next. */
const [LINES, LONG] = [700, 0.72] as const;

function linesOf(form: SurfaceForm, field: GrowthField): Line[] {
  const { minX, maxX, minY, maxY } = form.bounds;
  const step = Math.sqrt(((maxX - minX) * (maxY - minY)) / LINES);
  const lines: Line[] = [];
  const lie: Lie = { x: 0, y: 1, length: 1, lift: 0 };
  for (let y = minY + step / 2, row = 0; y < maxY; y += step, row++)
    for (let x = minX + step * (row % 2 === 0 ? 0.25 : 0.75); x < maxX; x += step) {
      if (depthInside(form, form.place([x, y])) <= 0) continue;
      growthAt(field, x, y, lie);
      const half = (LONG * step * Math.min(1.6, Math.max(0.35, lie.length))) / 2;
      lines.push([x - lie.x * half, y - lie.y * half, x + lie.x * half, y + lie.y * half]);
    }
  return lines;
}

interface Props {
  readonly form: SurfaceForm;
  readonly field: GrowthField;
  readonly seenAt: SeenAt;
}

/** Which way things grow, as short lines with a dot at the root. */
export function GrowthLines({ form, field, seenAt }: Props) {
  const lines = useMemo(() => linesOf(form, field), [form, field]);
  let [path, dots] = ["", ""];
  for (const [x0, y0, x1, y1] of lines) {
    const [root, tip] = [seenAt(x0, y0), seenAt(x1, y1)];
    if (!root.faces || !tip.faces) continue;
    const start = `${root.x.toFixed(1)} ${root.y.toFixed(1)}`;
    path += `M${start}L${tip.x.toFixed(1)} ${tip.y.toFixed(1)}`;
    dots += `M${start}h.01`;
  }
  return (
    <g
      role="img"
      aria-label="Which way it grows: short lines, a dot at each root"
      fill="none"
      strokeLinecap="round"
    >
      <path d={path} stroke="#000" strokeOpacity={0.55} strokeWidth={2.6} />
      <path d={path} stroke="#fff" strokeWidth={1.1} />
      <path d={dots} stroke="#fff" strokeWidth={3} />
    </g>
  );
}
