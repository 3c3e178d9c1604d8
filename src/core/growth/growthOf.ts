import { standName } from "../figure/light";
import type { Seating } from "../figure/seated";
import { standingFigure, type SeatedPiece } from "../figure/standingFigure";
import { surfaceIdOf } from "../figure/pairs";
import { figureOf, type Growth, type GrowthHandle, type Job, type Surface } from "../job";
import { buildForm } from "../surface/forms/buildForm";
import type { GrowthField, SurfaceGrowth } from "../surface/growthField";
import { growthField, placedHandles } from "./field";
import type { PlacedHandle } from "./interpolate";

const NOTHING: SurfaceGrowth = { key: "", field: () => null };
const ASIDE: Seating = (point) => point;

/** Handles as the piece has them: on the second one of a pair all is the other way round. */
const handlesOf = ({ growth, form }: Surface): readonly GrowthHandle[] => {
  const handles = growth?.handles ?? [];
  if (!form.mirrored) return handles;
  return handles.map((handle) => ({ ...handle, x: 1 - handle.x, angleDeg: -handle.angleDeg }));
};

/** Surfaces whose growth goes on into this one's: they touch it, or sit on the same seat. */
function joinedTo(job: Job, surface: Surface): Surface[] {
  const own = surfaceIdOf(surface.id);
  const touches = (other: string) =>
    job.touching.some(([a, b]) => (a === own && b === other) || (b === own && a === other));
  return job.surfaces.filter(
    (other) =>
      other.id !== own &&
      other.figureId === surface.figureId &&
      other.growth !== null &&
      other.growth.handles.length > 0 &&
      other.seat !== null &&
      (touches(other.id) || other.seat.id === surface.seat?.id),
  );
}

const MOST_KEPT = 48;
const kept = new Map<string, GrowthField | null>();

function keptField(key: string, make: () => GrowthField | null): GrowthField | null {
  const known = kept.get(key);
  if (known !== undefined) return known;
  const made = make();
  kept.set(key, made);
  if (kept.size > MOST_KEPT) kept.delete(kept.keys().next().value!);
  return made;
}

/** Where a piece and those joined to it stand in the figure's room; the piece by itself where it lies aside. */
function standOf(job: Job, surface: Surface, joined: readonly Surface[]) {
  const pieces = standingFigure(job, figureOf(job, surface))?.pieces ?? [];
  const own = pieces.find((piece) => piece.surface.id === surface.id);
  if (!own) return { form: buildForm(surface), seating: ASIDE, handles: [] };
  const placed = ({ surface: other, form, seating }: SeatedPiece): PlacedHandle[] =>
    joined.some(({ id }) => id === surfaceIdOf(other.id))
      ? placedHandles(form, seating, handlesOf(other))
      : [];
  return { form: own.form, seating: own.seating, handles: pieces.flatMap(placed) };
}

function work(
  job: Job,
  surface: Surface,
  growth: Growth,
  joined: readonly Surface[],
  inRoom: boolean,
): GrowthField {
  const { form, seating, handles } = inRoom
    ? standOf(job, surface, joined)
    : { form: buildForm(surface), seating: ASIDE, handles: [] };
  return growthField(form, seating, {
    handles: [...placedHandles(form, seating, handlesOf(surface)), ...handles],
    pull: growth.pull / 100,
    sway: (growth.sway * Math.PI) / 180,
  });
}

/**
 * Which way things grow on a surface: by its handles and by those of surfaces it goes on into, all of them as they stand
 * in the figure's room, so that what meets at a seam lies one way there.
 */
export function growthOf(job: Job, surface: Surface): SurfaceGrowth {
  const { growth, form, seed } = surface;
  if (!growth) return NOTHING;
  const figure = figureOf(job, surface);
  const stands = surface.seat !== null && figure.body !== null;
  const joined = stands ? joinedTo(job, surface) : [];
  // Without weight or neighbours it is the same wherever the piece stands.
  const inRoom = stands && (growth.pull > 0 || joined.length > 0);
  const room = inRoom ? [surface.id, standName(job, figure), joined.map((other) => other.growth)] : null;
  const key = JSON.stringify([form, form.mirrored, seed, growth, room]);
  return { key, field: () => keptField(key, () => work(job, surface, growth, joined, inRoom)) };
}
