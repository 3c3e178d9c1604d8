import { InputError } from "../errors";
import { hashText } from "../random";
import { isLightOf, type Coat, type Job, type Paint, type Surface } from "../job";
import { buildForm } from "../surface/forms/buildForm";
import { patternOf } from "./bind";
import type { FamilyContext, PatternFamily, PlannedCoat } from "./family";

/** Most coats kept for a pattern that may ask for them again. */
const MOST_PARKED = 64;

function fresh(planned: PlannedCoat, surface: Surface): Coat {
  const parked = surface.parked.findLast(
    (coat) => coat.role === planned.role && coat.technique.id === planned.technique.id,
  );
  // What the painter had set stays set; where it goes and in which mix is the pattern's to say.
  if (parked) return { ...parked, place: planned.place, mixId: planned.mixId, name: planned.name };
  return {
    ...planned,
    id: `${surface.id}-${planned.role.toLowerCase().replaceAll(":", "-")}`,
    held: false,
    event: null,
    overSeams: false,
    seed: hashText(`${surface.seed}/${planned.role}`) % 100000,
  };
}

/** The coat with another state of some of its fields; the very same coat where none differs. */
const withState = (coat: Coat, state: Partial<Coat>): Coat =>
  (Object.keys(state) as (keyof Coat)[]).every((key) => coat[key] === state[key])
    ? coat
    : { ...coat, ...state };

const sameCoats = (one: readonly Coat[], other: readonly Coat[]): boolean =>
  one.length === other.length && one.every((coat, at) => coat === other[at]);

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
 * Coats that go are parked, so that a count changed and changed back costs nothing; the light over one goes with it.
 */
export function mergeCoats(
  surface: Surface,
  planned: readonly PlannedCoat[],
  earlier: readonly PlannedCoat[] | null,
): Pick<Surface, "coats" | "parked"> {
  const wanted = new Map(planned.map((coat) => [coat.role, coat]));
  const was = new Map(earlier?.map((coat) => [coat.role, coat]));
  const gone = surface.coats.filter((coat) => coat.role !== null && !wanted.has(coat.role));
  const goes = (coat: Coat) =>
    gone.includes(coat) || gone.some((one) => isLightOf(surface.id, coat.id, one.id));
  const list: Coat[] = surface.coats
    .filter((coat) => !goes(coat))
    .map((coat) => {
      const now = coat.role === null ? undefined : wanted.get(coat.role);
      const before = coat.role === null ? undefined : was.get(coat.role);
      if (!now) return coat;
      const follows = <T>(own: T, then: T | undefined, next: T): T => (own === then ? next : own);
      return withState(coat, {
        place: JSON.stringify(coat.place) === JSON.stringify(now.place) ? coat.place : now.place,
        mixId: follows(coat.mixId, before?.mixId, now.mixId),
        name: follows(coat.name, before?.name, now.name),
        water: follows(coat.water, before?.water, now.water),
        passes: follows(coat.passes, before?.passes, now.passes),
      });
    });
  planned.forEach((coat, index) => {
    if (list.some((one) => one.role === coat.role)) return;
    list.splice(insertPlace(list, planned, index), 0, fresh(coat, surface));
  });
  const kept = surface.parked.filter((coat) => !gone.some((one) => one.role === coat.role));
  const parked = [...kept, ...gone].filter((coat) => coat.role !== null && !wanted.has(coat.role));
  return {
    coats: sameCoats(list, surface.coats) ? surface.coats : list,
    parked: sameCoats(parked, surface.parked) ? surface.parked : parked.slice(-MOST_PARKED),
  };
}

/** A surface's family with all it works with; null where the surface has no pattern. @throws InputError */
function contextOf(
  job: Job,
  surface: Surface,
  paints: readonly Paint[],
): { readonly family: PatternFamily; readonly context: FamilyContext } | null {
  const form = buildForm(surface);
  const pattern = patternOf(job, surface, form);
  if (!pattern) return null;
  const { family, params, layout } = pattern;
  return { family, context: { job, surface, form, paints, params, layout } };
}

/** Runs a step; null where sizes or settings cannot be used: they are shown where they are typed, and the coats wait. */
function whereUsable<T>(step: () => T): T | null {
  try {
    return step();
  } catch (error) {
    if (error instanceof InputError) return null;
    throw error;
  }
}

const surfaceOf = (job: Job, id: string) => job.surfaces.find((one) => one.id === id);

function plannedOf(job: Job, surface: Surface, paints: readonly Paint[]): PlannedCoat[] {
  const own = contextOf(job, surface, paints);
  return own ? own.family.coats(own.context) : [];
}

/** What the pattern asked for before the edit; null where there was none, or another family's. */
function plannedBefore(previous: Job | null, now: Surface, paints: readonly Paint[]): PlannedCoat[] | null {
  const before = previous && surfaceOf(previous, now.id);
  if (!previous || !before?.pattern || before.pattern.id !== now.pattern?.id) return null;
  return whereUsable(() => plannedOf(previous, before, paints));
}

function derivedSurface(job: Job, id: string, paints: readonly Paint[], previous: Job | null): Job {
  const own = contextOf(job, surfaceOf(job, id)!, paints);
  if (!own) return job;
  const completed = own.family.complete?.(own.context) ?? job;
  const surface = surfaceOf(completed, id)!;
  const merged = mergeCoats(
    surface,
    plannedOf(completed, surface, paints),
    plannedBefore(previous, surface, paints),
  );
  if (merged.coats === surface.coats && merged.parked === surface.parked) return completed;
  return {
    ...completed,
    surfaces: completed.surfaces.map((one) => (one.id === id ? { ...surface, ...merged } : one)),
  };
}

/**
 * The job with its coats following from the patterns. Surfaces whose sizes or settings cannot be used keep their coats.
 * @param previous the job before the edit, to tell what the painter set from what the pattern had set
 */
export function deriveCoats(job: Job, paints: readonly Paint[], previous: Job | null): Job {
  let current = job;
  for (const { id, pattern } of job.surfaces) {
    if (!pattern) continue;
    current = whereUsable(() => derivedSurface(current, id, paints, previous)) ?? current;
  }
  return current;
}
