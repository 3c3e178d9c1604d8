/** A point on the plate: mm from its left and from its upper edge. */
export type PlatePoint = readonly [xMm: number, yMm: number];

/** The plate, mm. */
export const PLATE_MM = { width: 90, height: 64 } as const;

/** A mark: a black ring; the first has a dot in its middle, which tells which way up the plate lies. Diameters, mm. */
export const MARK_MM = { outer: 7, inner: 3.6, dot: 1.7 } as const;
/** Middles of the marks, from the one with the dot on clockwise. */
export const MARKS: readonly PlatePoint[] = [
  [7, 7],
  [83, 7],
  [83, 57],
  [7, 57],
];

/** Lines to be pulled as fine as can be, mm. */
export const LINES = { fromX: 14, lengthMm: 22, ys: [12, 15, 18, 21, 24] } as const;

/** Dots to be set as small as can be, by their middles. */
export const DOTS: readonly PlatePoint[] = [12, 17].flatMap((y) =>
  Array.from({ length: 9 }, (_, at): PlatePoint => [44 + 4 * at, y]),
);

/** Upright strokes to be set in a row, evenly, from the upper to the lower line. */
export const STROKES = { fromX: 44, pitchMm: 2, count: 17, topY: 22, lengthMm: 3 } as const;

/** Boxes to be painted over with one even pass each, thinned more and more, over a printed black bar. */
export const THINNED = {
  topY: 34,
  sizeMm: 8,
  barMm: 2.6,
  boxes: [
    { x: 14, water: 0.5 },
    { x: 26, water: 1 },
    { x: 38, water: 2 },
    { x: 50, water: 3 },
    { x: 62, water: 4 },
  ],
} as const;

/** A box to be painted solid: what the full colour of the paint is told by. */
export const SOLID = { x: 74, topY: 34, sizeMm: 8 } as const;

/** Places that stay bare paper: how the light falls is told by them. */
export const BARE: readonly PlatePoint[] = [
  ...[16, 26, 36, 46, 56, 66, 74].flatMap((x): PlatePoint[] => [
    [x, 4.5],
    [x, 48.5],
    [x, 59.5],
  ]),
  ...[5, 85].flatMap((x) => [16, 24, 32, 40, 48].map((y): PlatePoint => [x, y])),
  ...[20, 33, 46, 60].map((x): PlatePoint => [x, 28.5]),
];
