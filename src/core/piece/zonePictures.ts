import { layVeil } from "../simulate/veil";
import type { SurfaceGrid } from "../surface/grid";
import { ZONES, type Zone } from "../surface/zoneNames";
import { zoneWeights, type WearOf } from "../surface/zones";
import { paintPose, posePiece, type PiecePicture } from "./still";

/** Primed and bare, sRGB: zones are told apart on it best. */
const PRIMED = [150, 150, 148] as const;

/**
 * The bare piece once for every zone, with that zone tinted and the rest pale: what a painter chooses places by.
 * @param wear where the surface wears
 * @param mostPx longest side of each picture, pixels
 */
export function zonePictures(
  grid: SurfaceGrid,
  wear: WearOf,
  mostPx: number,
): Readonly<Record<Zone, PiecePicture>> {
  const ground = { grid, heights: grid.relief, gloss: null, lit: true };
  const pose = posePiece(ground, { turnDeg: 0, tiltDeg: null, pxPerMm: 400, mostPx });
  const bare = new Uint8ClampedArray(grid.inside.length * 4);
  grid.inside.forEach((inside, at) => bare.set([...PRIMED, inside > 0 ? 255 : 0], at * 4));
  const pictures = ZONES.map((zone) => {
    const rgba = bare.slice();
    layVeil(rgba, grid.inside, zoneWeights(grid, [zone], 0, wear));
    return [zone, paintPose(pose, [rgba])] as const;
  });
  return Object.fromEntries(pictures) as Record<Zone, PiecePicture>;
}
