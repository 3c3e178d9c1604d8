import { depthInside } from "../../../../core/surface/forms/depth";
import type { FlatPoint, SurfaceForm } from "../../../../core/surface/forms/form";
import type { SeenAt } from "./GrowthLines";

/** Places tried over the whole piece, each way, and how often the search closes in on the nearest. */
const [TRIED, CLOSER] = [24, 5] as const;
/** A pointer farther than this from any place that is seen lies beside the piece, px. */
const BESIDE_PX = 24;

/** The place of the flat that is seen under a point of the view; null beside the piece. */
export function placeUnder(form: SurfaceForm, seenAt: SeenAt, xPx: number, yPx: number): FlatPoint | null {
  const { minX, maxX, minY, maxY } = form.bounds;
  const found = { x: (minX + maxX) / 2, y: (minY + maxY) / 2, px: Infinity };
  const look = (x: number, y: number) => {
    if (depthInside(form, form.place([x, y])) < 0) return;
    const seen = seenAt(x, y);
    const px = Math.hypot(seen.x - xPx, seen.y - yPx);
    if (seen.faces && px < found.px) Object.assign(found, { x, y, px });
  };
  let [stepX, stepY] = [(maxX - minX) / TRIED, (maxY - minY) / TRIED];
  for (let row = 0; row <= TRIED; row++)
    for (let column = 0; column <= TRIED; column++) look(minX + column * stepX, minY + row * stepY);
  for (let turn = 0; turn < CLOSER; turn++) {
    [stepX, stepY] = [stepX / 2, stepY / 2];
    const { x, y } = found;
    for (const dx of [-1, 0, 1]) for (const dy of [-1, 0, 1]) look(x + dx * stepX, y + dy * stepY);
  }
  return found.px <= BESIDE_PX ? [found.x, found.y] : null;
}
