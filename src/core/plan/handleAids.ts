import type { FlatPoint } from "../surface/forms/form";
import type { GaugeArea, GaugePiece, GaugeTick } from "./gaugePiece";

/** Handles and posts that can be made of a sheet of card, mm. */
export const HANDLE_MM = [8, 120] as const;
export const POST_MM = [20, 200] as const;

/** From the handle to the outer edge of the ring, mm. */
const RING_WIDE = 15;
/** Corners of a circle: its sides come within 0.01 mm of it. */
const CORNERS = 360;
/** Marks of the ring, by the degrees at which they stand: how long they are, mm. */
const RING_MARKS = [
  [30, 7],
  [10, 5],
  [5, 3],
] as const;

const radians = (degrees: number): number => (degrees * Math.PI) / 180;

const circle = (middle: number, radius: number): FlatPoint[] =>
  Array.from({ length: CORNERS }, (_, at) => {
    const turn = radians((at * 360) / CORNERS);
    return [middle + radius * Math.sin(turn), middle - radius * Math.cos(turn)];
  });

const tick = (
  from: FlatPoint,
  to: FlatPoint,
  label: string,
  kind: GaugeTick["kind"] = "edge",
): GaugeTick => ({
  ...{ from, to, label, kind, axis: "column", name: "" },
});
const word = (label: string, at: FlatPoint): GaugeArea => ({ rings: [], label, at, group: 0 });

/**
 * A ring for the painting handle that shows how far it is turned: marks every 5°, named every 30°, clockwise from the top.
 * @param handleMm across the handle, mm, within `HANDLE_MM`
 */
export function turningRing(handleMm: number): GaugePiece {
  const outer = handleMm / 2 + RING_WIDE;
  const place = (degrees: number, radius: number): FlatPoint => [
    outer + radius * Math.sin(radians(degrees)),
    outer - radius * Math.cos(radians(degrees)),
  ];
  const turns = Array.from({ length: 72 }, (_, at) => at * 5);
  return {
    title: `Turning ring for a handle ${handleMm} mm across`,
    outline: circle(outer, outer),
    ticks: turns.map((degrees) => {
      const [, long] = RING_MARKS.find(([each]) => degrees % each === 0)!;
      return tick(place(degrees, outer), place(degrees, outer - long), `${degrees}°`);
    }),
    areas: [
      { rings: [circle(outer, handleMm / 2)], label: "", at: [outer, outer], group: 0 },
      ...turns
        .filter((degrees) => degrees % 30 === 0)
        .map((degrees) => word(`${degrees}°`, place(degrees, outer - 9.5))),
    ],
    widthMm: 2 * outer,
    heightMm: 2 * outer,
  };
}

/** Width of the post and length of the foot that is folded under, mm. */
const [POST_WIDE, FOOT] = [24, 18] as const;
const POST_MARKS = [
  [10, 8],
  [5, 5],
  [1, 3],
] as const;

/**
 * A post that stands on the table beside the figure, with heights above the table: marks every mm, named every 10 mm. It
 * is folded at 0.
 * @param heightMm how high it is to reach, mm, within `POST_MM`
 */
export function heightPost(heightMm: number): GaugePiece {
  const heights = Array.from({ length: Math.floor(heightMm) + 1 }, (_, at) => at);
  const at = (mm: number): number => heightMm - mm;
  return {
    title: "Height post: mm above the table",
    outline: [
      [0, 0],
      [POST_WIDE, 0],
      [POST_WIDE, heightMm + FOOT],
      [0, heightMm + FOOT],
    ],
    ticks: [
      tick([0, at(0)], [POST_WIDE, at(0)], "fold", "line"),
      ...heights.slice(1).map((mm) => {
        const [, long] = POST_MARKS.find(([each]) => mm % each === 0)!;
        return tick([POST_WIDE, at(mm)], [POST_WIDE - long, at(mm)], `${mm} mm`);
      }),
    ],
    areas: [
      ...heights
        .filter((mm) => mm > 0 && mm % 10 === 0)
        .map((mm) => word(String(mm), [POST_WIDE - 12, at(mm)])),
      word("fold back at 0", [3, at(0) + FOOT / 2]),
    ],
    widthMm: POST_WIDE,
    heightMm: heightMm + FOOT,
  };
}
