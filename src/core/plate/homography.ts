import { solveLinear } from "../colour/linear";

/** A plane seen in perspective: eight numbers, row by row, the ninth is 1. */
export type Homography = readonly number[];
type Point = readonly [number, number];

/** Where a point of the plane is seen. */
export function project(h: Homography, [x, y]: Point): [number, number] {
  const away = h[6]! * x + h[7]! * y + 1;
  return [(h[0]! * x + h[1]! * y + h[2]!) / away, (h[3]! * x + h[4]! * y + h[5]!) / away];
}

/**
 * The perspective that takes four points to four others, no three of them on a line.
 * Source: Hartley and Zisserman, "Multiple View Geometry", 2004, section 4.1, with the last entry set to 1.
 */
export function homographyOf(from: readonly Point[], to: readonly Point[]): Homography {
  return solveLinear(
    from.flatMap(([x, y], at) => {
      const [u, v] = to[at]!;
      return [
        [x, y, 1, 0, 0, 0, -u * x, -u * y, u],
        [0, 0, 0, x, y, 1, -v * x, -v * y, v],
      ];
    }),
  );
}
