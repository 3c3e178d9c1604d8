import { angleFor, flatOfHandle } from "../growth/field";
import { MOST_HANDLES, type Growth, type GrowthHandle, type Surface } from "../job";
import { depthInside } from "../surface/forms/depth";
import type { FlatPoint, SurfaceForm } from "../surface/forms/form";
import { growthAt, type GrowthField } from "../surface/growthField";
import { clamp } from "../units";
import { freeId } from "./surfaces";

/** The surface with its growth changed; the same where it has none. */
export const changeGrowth = (surface: Surface, change: (growth: Growth) => Growth): Surface =>
  surface.growth ? { ...surface, growth: change(surface.growth) } : surface;

/** One handle of a surface's growth changed. */
export const changeHandle = (
  surface: Surface,
  handleId: string,
  change: (handle: GrowthHandle) => GrowthHandle,
): Surface =>
  changeGrowth(surface, (growth) => ({
    ...growth,
    handles: growth.handles.map((handle) => (handle.id === handleId ? change(handle) : handle)),
  }));

const toPlaces = (value: number): number => Math.round(value * 1e4) / 1e4;

/** A handle at another place of the flat, mm; it stays on the piece, and its angle to the way down stays. */
export function movedTo(form: SurfaceForm, handle: GrowthHandle, at: FlatPoint): GrowthHandle {
  const { turnDeg, heightMm } = form.place(at);
  const round = turnDeg / form.turnDeg;
  // Round a closed piece there is no end.
  const x = form.closed ? round - Math.floor(round) : clamp(round, 0, 1);
  return { ...handle, x: toPlaces(x), y: toPlaces(clamp(heightMm / form.slantMm, 0, 1)) };
}

/** A handle that points to a place of the flat, whole degrees; the same where it stands there. */
export function pointedAt(form: SurfaceForm, handle: GrowthHandle, [x, y]: FlatPoint): GrowthHandle {
  const from = flatOfHandle(form, handle);
  const way = [x - from[0], y - from[1]] as const;
  if (Math.hypot(...way) < 1e-3) return handle;
  return { ...handle, angleDeg: Math.round(angleFor(form, from, way)) };
}

/** The growth with a handle more at a place, pointing as things grow there; the same where there are too many. */
export function withHandleAt(
  growth: Growth,
  form: SurfaceForm,
  field: GrowthField,
  at: FlatPoint,
): { readonly growth: Growth; readonly handleId: string | null } {
  if (growth.handles.length >= MOST_HANDLES) return { growth, handleId: null };
  const id = freeId("handle", growth.handles);
  const lie = growthAt(field, at[0], at[1], { x: 0, y: 1, length: 1, lift: 0 });
  const blank: GrowthHandle = { id, x: 0, y: 0, angleDeg: 0, lengthPct: 100, liftDeg: 0 };
  const handle = {
    ...movedTo(form, blank, at),
    angleDeg: Math.round(angleFor(form, at, [lie.x, lie.y])),
    liftDeg: Math.round((lie.lift * 180) / Math.PI),
  };
  return { growth: { ...growth, handles: [...growth.handles, handle] }, handleId: id };
}

/** Places tried for the widest gap between handles, each way. */
const TRIED = 14;

/** The place on the flat that is farthest from every handle, mm: where a new one tells most. */
export function widestGap(form: SurfaceForm, handles: readonly GrowthHandle[]): FlatPoint {
  const taken = handles.map((handle) => flatOfHandle(form, handle));
  let [best, far] = [form.flatten({ turnDeg: form.turnDeg / 2, heightMm: form.slantMm / 2 }), -1];
  for (let row = 1; row < TRIED; row++)
    for (let column = 1; column < TRIED; column++) {
      const place = {
        turnDeg: (column / TRIED) * form.turnDeg,
        heightMm: (row / TRIED) * form.slantMm,
      };
      if (depthInside(form, place) <= 0) continue;
      const at = form.flatten(place);
      const near = Math.min(...taken.map(([x, y]) => Math.hypot(x - at[0], y - at[1])));
      if (near > far) [best, far] = [at, near];
    }
  return best;
}
