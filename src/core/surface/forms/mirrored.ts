import type { FlatPoint, Place, SpacePoint, SurfaceForm } from "./form";

const aside = ([x, y, z]: SpacePoint): SpacePoint => [-x, y, z];

/**
 * A form as a mirror shows it, a left hand of a right one: its turn runs the other way and its x is turned round, so that
 * outside stays outside.
 */
export function mirrored(form: SurfaceForm): SurfaceForm {
  const { turnDeg, bounds, seamsDeg, facing, held, fitting } = form;
  const turned = (place: Place): Place => ({ ...place, turnDeg: turnDeg - place.turnDeg });
  const over = ([x, y]: FlatPoint): FlatPoint => [-x, y];
  return {
    ...form,
    bounds: { ...bounds, minX: -bounds.maxX, maxX: -bounds.minX },
    seamsDeg: seamsDeg.map((deg) => (deg > 0 && deg < turnDeg ? turnDeg - deg : deg)).sort((a, b) => a - b),
    flatten: (place) => over(form.flatten(turned(place))),
    place: (flat) => turned(form.place(over(flat))),
    inSpace: (place) => aside(form.inSpace(turned(place))),
    relief: (place) => form.relief(turned(place)),
    ...(form.rim ? { rim: (place: Place) => form.rim!(turned(place)) } : {}),
    ...(fitting ? { fitting: (place: Place) => fitting(turned(place)) } : {}),
    ...(facing ? { facing: (place: Place) => aside(facing(turned(place))) } : {}),
    ...(held ? { held: { ...held, up: aside(held.up), out: aside(held.out) } } : {}),
    lengthAt: (heightMm) => form.lengthAt(heightMm),
  };
}
