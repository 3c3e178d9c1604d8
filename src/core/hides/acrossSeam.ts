import type { FlatPoint, SurfaceForm } from "../surface/forms/form";

/** A motion of the flat that leads from a place beside one closing edge to the same place beside the other. */
export type Motion = (flat: FlatPoint) => FlatPoint;

/** How the flat goes on over the closing seam at a height, from its first edge to its last or the other way; none on an open piece. */
function overSeam(form: SurfaceForm, heightMm: number, forth: boolean): Motion {
  const way = forth ? 1 : -1;
  // Rows of a band that is laid flat one by one each go on by their own length.
  if (form.flatPerTurn === 0)
    return (flat) => [flat[0] + way * form.lengthAt(form.place(flat).heightMm), flat[1]];
  const [from, to] = forth ? [0, form.turnDeg] : [form.turnDeg, 0];
  const [ax, ay] = form.flatten({ turnDeg: from, heightMm });
  const [bx, by] = form.flatten({ turnDeg: to, heightMm });
  // A band of a cone is turned round its apex; the flat's angles run anticlockwise.
  const angle = (-(to - from) * form.flatPerTurn * Math.PI) / 180;
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  return ([x, y]) => [bx + (x - ax) * cos - (y - ay) * sin, by + (x - ax) * sin + (y - ay) * cos];
}

/**
 * Where else something has to be drawn that reaches over the closing seam.
 * @param reachMm how far it reaches from its root
 */
export function alsoDrawn(form: SurfaceForm, root: FlatPoint, reachMm: number): readonly Motion[] {
  if (!form.closed || form.rim) return [];
  const { turnDeg, heightMm } = form.place(root);
  const mmPerDeg = form.lengthAt(heightMm) / form.turnDeg;
  const motions: Motion[] = [];
  if (turnDeg * mmPerDeg < reachMm) motions.push(overSeam(form, heightMm, true));
  if ((form.turnDeg - turnDeg) * mmPerDeg < reachMm) motions.push(overSeam(form, heightMm, false));
  return motions;
}
