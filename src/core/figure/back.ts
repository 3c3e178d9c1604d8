import { figureOf, type Figure, type Surface } from "../job";
import { completeParams } from "../params";
import type { SpacePoint, SurfaceForm } from "../surface/forms/form";
import { BEHIND } from "../surface/backness";
import { add, dot, minus, times, unit } from "../surface/vector";
import { bodies, isBodyId } from "./bodies";
import { turned } from "./frame";
import { seatedAt, seatingOf, type Seating } from "./seated";

/** The form's own axes as they lie in the room, at its middle: unit vectors. */
export function axesInRoom(form: SurfaceForm, seating: Seating): readonly SpacePoint[] {
  const middle = form.inSpace({ turnDeg: form.turnDeg / 2, heightMm: form.slantMm / 2 });
  const at = seating(middle);
  const axes = [
    [1, 0, 0],
    [0, 1, 0],
    [0, 0, 1],
  ] as const;
  return axes.map((axis) => unit(minus(seating(add(middle, axis, 1e-3)), at)));
}

/** A way in the room as the middle of the form has it, a unit vector. */
export const inForm = (axes: readonly SpacePoint[], way: SpacePoint): SpacePoint =>
  unit([dot(way, axes[0]!), dot(way, axes[1]!), dot(way, axes[2]!)]);

/** Where a piece has its back, as the form has it: one that lies, above; one that stands, behind. */
export function backOfAxes(axes: readonly SpacePoint[]): SpacePoint {
  const upright = Math.abs(axes[1]![1]);
  return unit(add(times(inForm(axes, [0, 1, 0]), 1 - upright), BEHIND, upright));
}

/** Where a figure looks in its room, a unit vector: to the front, turned as its body is. */
export function aheadOf({ body }: Pick<Figure, "body">): SpacePoint {
  const { turnDeg = 0 } =
    body && isBodyId(body.id) ? completeParams(bodies[body.id].params, body.params) : {};
  return turned([0, 0, 1], [0, 1, 0], turnDeg);
}

/** So many decimals tell one back from another: patterns do not move for less. */
const DECIMALS = 1e4;

/** Where a surface has its back, as its form has it, a unit vector: as it is seated on its figure, or behind where it lies aside. */
export function backOf(
  job: { readonly figures: readonly Figure[] },
  surface: Pick<Surface, "figureId" | "seat" | "form">,
  form: SurfaceForm,
): SpacePoint {
  const seated = seatedAt(figureOf(job, surface), surface);
  if (!seated) return BEHIND;
  const [x, y, z] = backOfAxes(axesInRoom(form, seatingOf(form, seated, { outMm: 0, tiltDeg: 0 })));
  const rounded = (part: number) => Math.round(part * DECIMALS) / DECIMALS;
  return [rounded(x), rounded(y), rounded(z)];
}
