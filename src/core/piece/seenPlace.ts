import type { FlatPoint, SurfaceForm } from "../surface/forms/form";
import type { Beholder } from "./raster";
import { dot } from "../surface/vector";

/** Where a place of a piece is seen. */
export interface SeenPlace {
  /** On the beholder's plane, mm. */
  readonly rightMm: number;
  readonly upMm: number;
  /** Whether its painted side faces the beholder; what stands before it is not asked. */
  readonly faces: boolean;
}

/** Between the places a normal is taken from, mm on the flat. */
const NEAR_MM = 0.05;
/** Ground seen more from its edge than this, as a cosine, is seen no more. */
const LEAST_FACING = 0.03;

/** Where a place on the flat is seen by a beholder once the piece stands as its form does, with its relief. */
export function seenPlace(form: SurfaceForm, { right, up, towards }: Beholder, [x, y]: FlatPoint): SeenPlace {
  const spaceAt = (xMm: number, yMm: number) => form.inSpace(form.place([xMm, yMm]));
  const point = spaceAt(x, y);
  const on = spaceAt(x + NEAR_MM, y);
  const below = spaceAt(x, y + NEAR_MM);
  const [rx, ry, rz] = [on[0] - point[0], on[1] - point[1], on[2] - point[2]];
  const [dx, dy, dz] = [below[0] - point[0], below[1] - point[1], below[2] - point[2]];
  // Down × right looks out of the painted side.
  const normal = [dy * rz - dz * ry, dz * rx - dx * rz, dx * ry - dy * rx] as const;
  const length = Math.sqrt(dot(normal, normal)) || 1;
  return {
    rightMm: dot(point, right),
    upMm: dot(point, up),
    faces: dot(normal, towards) > LEAST_FACING * length,
  };
}
