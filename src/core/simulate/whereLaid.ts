import { backOf } from "../figure/back";
import type { Coat, Figure, Hand, Place, Surface } from "../job";
import { familyOf } from "../patterns";
import { patternOf } from "../patterns/bind";
import { buildForm } from "../surface/forms/buildForm";
import type { SurfaceForm } from "../surface/forms/form";
import type { SurfaceGrid } from "../surface/grid";
import type { Marks } from "../techniques/technique";
import { marksByPlace, placedOn } from "./marksByPlace";

/** What of a job the places of its patterns depend on. */
interface Placed {
  readonly figures: readonly Figure[];
}

/**
 * Where a coat goes on its surface, whatever budget of marks the surface keeps to. Places of a pattern that the surface
 * does not have lie nowhere.
 * @param grid the panel's cells, for places that are laid cell by cell
 */
export function whereLaid(
  job: Placed & { readonly hand: Hand },
  surface: Surface,
  form: SurfaceForm,
  { place }: Pick<Coat, "place">,
  grid: () => SurfaceGrid,
): Marks {
  if (place.kind !== "pattern") return marksByPlace(surface, place);
  const pattern = patternOf(job, surface, form);
  if (!pattern) return { kind: "strokes", strokes: [] };
  const marks = pattern.family.marks(pattern.layout, place.key, grid);
  if (marks.kind !== "field" || !marks.place) return marks;
  // A family tells of its own places; where a surface wears and what it is made of, the surface tells.
  return { ...marks, place: { ...marks.place, ...placedOn(surface) } };
}

/** What a place of the surface's pattern depends on; null for any other place, and where there is no pattern. */
export function patternKeyOf(job: Placed, surface: Surface, place: Place): unknown {
  const { pattern } = surface;
  if (!pattern || place.kind !== "pattern") return null;
  const family = familyOf(pattern);
  const back = family.followsBack ? backOf(job, surface, buildForm(surface)) : null;
  return [pattern.id, family.filmParams(pattern.params, place.key), back];
}
