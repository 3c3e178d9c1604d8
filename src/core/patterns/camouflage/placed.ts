import type { PlacedMark } from "../../techniques/singleMarks";
import type { Panel } from "../panel";

/** Smaller rests of a mark are no mark, mm². */
const LEAST_MM2 = 0.02;

interface Sums {
  cells: number;
  x: number;
  y: number;
  xx: number;
  yy: number;
  xy: number;
}

/** Direction in which a mark is long, radians on the flat; null where it is about as wide as long. */
function angleOf({ cells, x, y, xx, yy, xy }: Sums): number | null {
  const [mx, my] = [x / cells, y / cells];
  const [u, v, w] = [xx / cells - mx * mx, yy / cells - my * my, xy / cells - mx * my];
  const apart = Math.hypot((u - v) / 2, w);
  const mean = (u + v) / 2;
  return apart / (mean + 1e-9) < 0.15 ? null : Math.atan2(2 * w, u - v) / 2;
}

/** Marks of one layer as they show in the end: what later layers cover is not seen of them. */
export function placedMarks(
  panel: Panel,
  painted: readonly Float32Array[],
  mark: Int32Array,
  k: number,
): PlacedMark[] {
  const sums = new Map<number, Sums>();
  const { cells, width, originX, originY, pitchMm } = panel;
  const own = painted[k]!;
  for (let c = 0; c < cells.length; c++) {
    const at = cells[c]!;
    if (own[at]! <= 0 || mark[at]! < 0) continue;
    let covered = false;
    for (let over = k + 1; over < painted.length && !covered; over++) covered = painted[over]![at]! > 0;
    if (covered) continue;
    const row = Math.floor(at / width);
    const x = originX + (at - row * width) * pitchMm;
    const y = originY + row * pitchMm;
    let sum = sums.get(mark[at]!);
    if (!sum) sums.set(mark[at]!, (sum = { cells: 0, x: 0, y: 0, xx: 0, yy: 0, xy: 0 }));
    sum.cells++;
    sum.x += x;
    sum.y += y;
    sum.xx += x * x;
    sum.yy += y * y;
    sum.xy += x * y;
  }
  const cellMm2 = pitchMm * pitchMm;
  return [...sums]
    .sort(([a], [b]) => a - b)
    .map(([number, sum]) => ({
      id: String(number),
      xMm: sum.x / sum.cells,
      yMm: sum.y / sum.cells,
      areaMm2: sum.cells * cellMm2,
      angle: angleOf(sum),
    }))
    .filter((one) => one.areaMm2 >= LEAST_MM2);
}
