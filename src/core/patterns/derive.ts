import { families } from ".";
import { hashText } from "../random";
import type { Coat, Job, Paint, Surface } from "../job";
import { forms, isFormId } from "../surface/forms";
import type { SurfaceForm } from "../surface/forms/form";
import type { PlannedCoat } from "./family";

/** @throws InputError where the sizes are impossible; RangeError for a form that is not known */
export function buildForm(surface: Pick<Surface, "form" | "seed">): SurfaceForm {
  const { id, params } = surface.form;
  if (!isFormId(id)) throw new RangeError(`"${id}" is no form; known are ${Object.keys(forms).join(", ")}`);
  const definition = forms[id];
  const filled = {
    ...Object.fromEntries(Object.entries(definition.params).map(([k, v]) => [k, v.default])),
    ...params,
  };
  return definition.build(filled, surface.seed);
}

/** Most coats kept for a pattern that may ask for them again. */
const MOST_PARKED = 64;

function fresh(planned: PlannedCoat, surface: Surface): Coat {
  const parked = surface.parked.findLast((coat) => coat.role === planned.role);
  // What the painter had set stays set; where it goes and in which mix is the pattern's to say.
  if (parked) return { ...parked, target: planned.target, mixId: planned.mixId, name: planned.name };
  return {
    ...planned,
    id: `${surface.id}-${planned.role.toLowerCase().replaceAll(":", "-")}`,
    held: false,
    overSeams: false,
    seed: hashText(`${surface.seed}/${planned.role}`) % 100000,
  };
}

/** Where a new planned coat goes among the coats that stay: after the nearest earlier one of the plan. */
function insertPlace(list: readonly Coat[], planned: readonly PlannedCoat[], index: number): number {
  for (let before = index - 1; before >= 0; before--) {
    const at = list.findIndex((coat) => coat.role === planned[before]!.role);
    if (at >= 0) return at + 1;
  }
  return 0;
}

/**
 * Brings the coats of a surface in step with its pattern: new ones are put in, those no longer asked for go, all
 * others keep what the painter set (order, thinning, passes, held back) but follow the pattern's mix when it changed.
 * Coats that go are parked, so that a count changed and changed back costs nothing.
 */
export function mergeCoats(
  surface: Surface,
  planned: readonly PlannedCoat[],
  earlier: readonly PlannedCoat[] | null,
): Pick<Surface, "coats" | "parked"> {
  const wanted = new Map(planned.map((coat) => [coat.role, coat]));
  const was = new Map(earlier?.map((coat) => [coat.role, coat]));
  const list: Coat[] = surface.coats
    .filter((coat) => coat.role === null || wanted.has(coat.role))
    .map((coat) => {
      const now = coat.role === null ? undefined : wanted.get(coat.role);
      const before = coat.role === null ? undefined : was.get(coat.role);
      if (!now) return coat;
      const follows = <T>(own: T, then: T | undefined, next: T): T => (own === then ? next : own);
      return {
        ...coat,
        target: now.target,
        mixId: follows(coat.mixId, before?.mixId, now.mixId),
        name: follows(coat.name, before?.name, now.name),
        water: follows(coat.water, before?.water, now.water),
        passes: follows(coat.passes, before?.passes, now.passes),
      };
    });
  planned.forEach((coat, index) => {
    if (list.some((one) => one.role === coat.role)) return;
    list.splice(insertPlace(list, planned, index), 0, fresh(coat, surface));
  });
  const gone = surface.coats.filter((coat) => coat.role !== null && !wanted.has(coat.role));
  const kept = surface.parked.filter((coat) => !gone.some((one) => one.role === coat.role));
  const parked = [...kept, ...gone].filter((coat) => coat.role !== null && !wanted.has(coat.role));
  return { coats: list, parked: parked.slice(-MOST_PARKED) };
}

/**
 * The job with its coats following from the patterns. Surfaces whose sizes or counts cannot be used keep their coats.
 * @param previous the job before the edit, to tell what the painter set from what the pattern had set
 */
export function deriveCoats(job: Job, paints: readonly Paint[], previous: Job | null): Job {
  let current = job;
  for (const { id } of job.surfaces) {
    const surface = current.surfaces.find((one) => one.id === id)!;
    if (!surface.pattern) continue;
    try {
      const family = families[surface.pattern.id];
      const form = buildForm(surface);
      current = family.complete({ job: current, surface, form, paints });
      const completed = current.surfaces.find((one) => one.id === id)!;
      const planned = family.coats({ job: current, surface: completed, form, paints });
      const merged = mergeCoats(completed, planned, plannedBefore(previous, id, paints));
      current = {
        ...current,
        surfaces: current.surfaces.map((one) => (one.id === id ? { ...completed, ...merged } : one)),
      };
    } catch (error) {
      if (!(error instanceof Error)) throw error;
      // Impossible sizes and unreadable counts are shown where they are typed; the coats wait until they are mended.
    }
  }
  return current;
}

function plannedBefore(
  previous: Job | null,
  surfaceId: string,
  paints: readonly Paint[],
): PlannedCoat[] | null {
  const surface = previous?.surfaces.find((one) => one.id === surfaceId);
  if (!previous || !surface?.pattern) return null;
  try {
    return families[surface.pattern.id].coats({ job: previous, surface, form: buildForm(surface), paints });
  } catch {
    return null;
  }
}
