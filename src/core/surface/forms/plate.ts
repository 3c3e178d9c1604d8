import { InputError, type Problem } from "../../errors";
import { hash01 } from "../../random";
import { formatNumber, smoothstep } from "../../units";
import type { ParamValues } from "../../params";
import { defineForm } from "./form";
import { buildSheet, softNoise } from "./sheet";
import { countProblem, mmSize, roomProblem, sizeProblems } from "./sizes";

const count = (label: string, about: string) =>
  ({ label, unit: "", range: [1, 12] as const, step: 1, default: 2, about }) as const;

const params = {
  lengthMm: mmSize("Length", [4, 200], 0.5, 22, "Along the lower edge, with a ruler."),
  heightMm: mmSize("Height", [4, 200], 0.5, 16, "From the lower edge to the upper one."),
  columns: count("Panels side by side", "Parted by lines from top to bottom."),
  rows: count("Panels above each other", "Parted by lines from side to side."),
  lineMm: mmSize("Width of a line", [0.08, 1], 0.02, 0.26, "Between two panels."),
  deepMm: mmSize(
    "Depth of a line",
    [0.05, 1],
    0.01,
    0.26,
    "From the panel's face to the ground of the line.",
  ),
  rivetMm: mmSize("Rivets", [0, 2], 0.02, 0.58, "Across one head; 0 for none."),
  apartMm: mmSize("Rivets apart", [0.4, 12], 0.1, 2.1, "From the middle of one to the next."),
  ventMm: mmSize(
    "Width of a vent",
    [0, 20],
    0.1,
    4.4,
    "In the first panel at the top, three slots; 0 for none.",
  ),
  bezelMm: mmSize(
    "Lamp or lens",
    [0, 20],
    0.1,
    4.6,
    "Across the raised ring that holds it, in the last panel at the bottom; 0 for none.",
  ),
  dents: mmSize("Unevenness", [0, 0.6], 0.01, 0.03, "How far soft dents go in and out."),
} as const;

type Sizes = ParamValues<typeof params>;

/** Rivets stand so far in from a panel's rim, in heads; a head is so high against its width. */
const [RIVET_IN, RIVET_HIGH] = [1.5, 0.41] as const;
/** A panel smaller than this is not cast, mm. */
const LEAST_PANEL_MM = 1.2;
/** Panels stand out unlike each other by so much of a line's depth. */
const UNLIKE = 0.7;

const panelOf = ({ lengthMm, heightMm, columns, rows }: Sizes) => ({
  wide: lengthMm / columns,
  high: heightMm / rows,
});

function problemsOf(values: Sizes): Problem[] {
  const found = sizeProblems(params, values);
  if (found.length > 0) return found;
  const { lengthMm, heightMm, columns, rows, lineMm, deepMm, rivetMm, apartMm, ventMm, bezelMm } = values;
  const { wide, high } = panelOf(values);
  const small = Math.min(wide, high);
  const panel = `Panels are ${formatNumber(wide, 1)} × ${formatNumber(high, 1)} mm:`;
  return [
    ...countProblem("columns", columns, lengthMm, LEAST_PANEL_MM, "panels"),
    ...countProblem("rows", rows, heightMm, LEAST_PANEL_MM, "panels"),
    ...roomProblem("lineMm", lineMm, 0.2 * small, `${panel} a line between them`),
    ...roomProblem("deepMm", deepMm, 2 * lineMm, "A line is at most twice as deep as wide: its depth"),
    ...roomProblem("rivetMm", rivetMm, 0.2 * small, `${panel} a rivet on them`),
    ...(rivetMm > 0 && apartMm < 1.2 * rivetMm
      ? [
          {
            field: "apartMm",
            message: `Rivets ${formatNumber(rivetMm, 2)} mm wide stand at least ${formatNumber(1.2 * rivetMm, 2)} mm apart, got ${formatNumber(apartMm, 2)}.`,
          },
        ]
      : []),
    ...roomProblem("ventMm", ventMm, 0.7 * wide, `${panel} a vent in one`),
    ...roomProblem("bezelMm", bezelMm, 0.8 * small, `${panel} a lamp in one`),
  ];
}

/** A round shape's share at a distance from its border, mm inwards. */
const raised = (mm: number, soft: number): number => smoothstep(-soft / 2, soft / 2, mm);

/** Rivets along the rim of a panel. @param x,y from the panel's middle, mm */
function rivetsAt(
  x: number,
  y: number,
  { rivetMm, apartMm, lineMm }: Sizes,
  wide: number,
  high: number,
): number {
  if (rivetMm === 0) return 0;
  const [halfX, halfY] = [wide, high].map((mm) => mm / 2 - lineMm / 2 - RIVET_IN * rivetMm) as [
    number,
    number,
  ];
  if (halfX <= 0 || halfY <= 0) return 0;
  /** The nearest place of a row of them along a side, from corner to corner. */
  const nearest = (along: number, half: number) => {
    const gaps = Math.max(1, Math.round((2 * half) / apartMm));
    const step = (2 * half) / gaps;
    return Math.min(half, Math.max(-half, Math.round((along + half) / step) * step - half));
  };
  const across = Math.hypot(x - nearest(x, halfX), Math.abs(y) - halfY);
  const down = Math.hypot(Math.abs(x) - halfX, y - nearest(y, halfY));
  const off = Math.min(across, down) / (rivetMm / 2);
  // A dish of the sheet round the head, then the head.
  const dish = -0.05 * rivetMm * Math.exp(-30 * (off - 1.12) ** 2);
  return off < 1 ? rivetMm * RIVET_HIGH * Math.sqrt(1 - 0.95 * off * off) : dish;
}

/** Three slots one above the other, each with a lip. @param x,y from the panel's middle, mm */
function ventAt(x: number, y: number, ventMm: number, high: number): number {
  const slot = Math.min(0.1 * ventMm, 0.08 * high);
  let up = 0;
  for (const k of [-1, 0, 1]) {
    const aside = Math.max(0, Math.abs(x) - ventMm / 2 + slot);
    const out = Math.hypot(aside, y - k * 3.4 * slot) - slot;
    up += 0.35 * slot * Math.exp(-((out / (0.35 * slot)) ** 2)) - 1.5 * slot * raised(-out, 0.5 * slot);
  }
  return up;
}

/** Where a bezel's ring ends inwards, of its radius. */
const RING_IN = 0.7;

/** A ring that stands out, and the glass bulging in it. @param off distance from its middle, mm */
function bezelAt(off: number, bezelMm: number): number {
  const outer = bezelMm / 2;
  const [ring, inner] = [0.16 * bezelMm, RING_IN * outer];
  if (off > outer + 0.1) return 0;
  const rim = ring * raised(outer - off, 0.12) * (1 - raised(inner - off, 0.1));
  const glass = off < inner ? 0.75 * ring * Math.sqrt(Math.max(0, 1 - (off / (1.06 * inner)) ** 2)) : 0;
  return rim + glass;
}

/** A metal plate of panels with lines between them, rivets along their rims, a vent and a lamp's ring. */
export const plate = defineForm({
  id: "plate",
  version: 1,
  label: "Metal plate",
  about: "Panels with lines between them, rivets along their rims, a vent, and the ring of a lamp or lens.",
  worn: { seats: ["hull", "left-flank", "right-flank", "back", "roof", "wall"], by: "middle", how: "on" },
  material: "shell",
  params,
  problems: problemsOf,
  build(values, seed) {
    const wrong = problemsOf(values);
    if (wrong.length > 0) throw new InputError(wrong);
    const { lengthMm, heightMm, columns, rows, lineMm, deepMm, ventMm, bezelMm, dents } = values;
    const { wide, high } = panelOf(values);
    const [soft, fine] = [softNoise(seed, 3.6, hash01), softNoise(seed + 1, 0.7, hash01)];
    /** The panel at a place, and where in it the place lies from its middle, mm. */
    const panelAt = (x: number, y: number) => {
      const column = Math.min(columns - 1, Math.max(0, Math.floor(x / wide)));
      const row = Math.min(rows - 1, Math.max(0, Math.floor(y / high)));
      return { column, row, px: x - (column + 0.5) * wide, py: y - (row + 0.5) * high };
    };
    const hasBezel = (column: number, row: number) => bezelMm > 0 && column === columns - 1 && row === 0;
    const relief = (x: number, y: number) => {
      const { column, row, px, py } = panelAt(x, y);
      const toRim = Math.min(wide / 2 - Math.abs(px), high / 2 - Math.abs(py)) - lineMm / 2;
      const face = raised(toRim, 0.4 * lineMm);
      const own = UNLIKE * deepMm * hash01(seed, column, row + 60);
      let up = face * (deepMm + own) + dents * (soft(x, y) + 0.2 * fine(x, y));
      up += face * rivetsAt(px, py, values, wide, high);
      if (ventMm > 0 && column === 0 && row === rows - 1) up += ventAt(px, py, ventMm, high);
      if (hasBezel(column, row)) up += bezelAt(Math.hypot(px, py), bezelMm);
      return up;
    };
    const fitting = (x: number, y: number) => {
      const { column, row, px, py } = panelAt(x, y);
      const off = Math.hypot(px, py);
      const ring = hasBezel(column, row) && off < bezelMm / 2 && off > RING_IN * (bezelMm / 2);
      return ring || rivetsAt(px, py, values, wide, high) > 0 ? 1 : 0;
    };
    return buildSheet({ id: "plate", lengthMm, widthMm: heightMm, relief, fitting });
  },
});
