import { gaugePieces, type GaugePiece, type GaugeTick, type Turns } from "../../plan/gaugePiece";
import { columnGuides, columnPositions, rowGuides } from "./guides";
import type { SettLayout } from "./layout";

/** The stripe that begins at a guide as one goes on round or up, or the line it is: the last code of its label. */
const nameOf = (label: string): string => label.split(" ").at(-1)!;

/** Length of a tick inwards from hem or waist, mm. */
const TICK_MM = 2;

function columnTicks(layout: SettLayout, { from, to }: Turns): GaugeTick[] {
  const { form } = layout;
  const ends: readonly (readonly [number, number])[] = [
    [0, Math.min(TICK_MM, form.slantMm / 2)],
    [form.slantMm, Math.max(form.slantMm - TICK_MM, form.slantMm / 2)],
  ];
  return columnGuides(layout).flatMap((guide) =>
    ends.flatMap(([edge, inner], end) => {
      const [a, b] = columnPositions(layout, guide, [edge, inner]);
      if (!a || !b || a.turnDeg < from - 1e-9 || a.turnDeg > to + 1e-9) return [];
      return [
        {
          from: form.flatten(a),
          to: form.flatten(b),
          axis: "column" as const,
          kind: guide.kind,
          label: guide.label,
          // Named once, at the hem.
          name: end === 0 ? nameOf(guide.label) : "",
        },
      ];
    }),
  );
}

function rowTicks(layout: SettLayout, { from, to }: Turns): GaugeTick[] {
  const { form } = layout;
  return rowGuides(layout).flatMap((guide) => {
    const step = (TICK_MM * form.turnDeg) / form.lengthAt(guide.heightMm);
    return (
      [
        [from, from + step],
        [to, to - step],
      ] as const
    ).map(([a, b], end) => ({
      from: form.flatten({ turnDeg: a, heightMm: guide.heightMm }),
      to: form.flatten({ turnDeg: b, heightMm: guide.heightMm }),
      axis: "row" as const,
      kind: guide.kind,
      label: guide.label,
      name: end === 0 ? nameOf(guide.label) : "",
    }));
  });
}

/** The gauge strip of a cloth at 1 : 1: the development with a tick at both edges for every guide. */
export const settGauge = (layout: SettLayout): GaugePiece[] =>
  gaugePieces(layout.form, "Gauge strip", (turns) => ({
    ticks: [...columnTicks(layout, turns), ...rowTicks(layout, turns)],
    areas: [],
  }));
