import { mixSuits, startWater } from "../edits/newCoat";
import { mixById, type Coat, type Job, type Mix, type Paint, type Surface } from "../job";
import type { Painter } from "../painter";
import { cardsOf } from "../plan/cards";
import { missingOn } from "../plan/fit/missed";
import { techniqueIds, techniques, type TechniqueId } from "../techniques";
import type { TechniqueDefinition } from "../techniques/technique";
import type { DoubtId } from "./doubtIds";
import { isRuledOut } from "./doubts";

/** A coat in another technique. */
export interface Route {
  readonly coat: Coat;
  /** What the technique is called. */
  readonly label: string;
  /** Mean CIEDE2000 between the finished surface on this route and as planned, as seen from its viewing distance. */
  readonly difference: number;
  /** Hand time of its card, minutes. */
  readonly minutes: number;
  /** Said where it can hurt someone; null where it cannot. */
  readonly caution: string | null;
}

/** All that is known of other ways to lay a coat. */
export interface Routes {
  /** Nearest first. */
  readonly routes: readonly Route[];
  /** The same difference where the coat is simply left out: what a route is measured by. */
  readonly leftOut: number;
  /** Hand time of the coat as planned, minutes. */
  readonly minutes: number;
}

/** What is asked: another route for a coat of a surface. */
export interface RouteInput {
  readonly job: Job;
  readonly paints: readonly Paint[];
  readonly painter: Painter;
  readonly surfaceId: string;
  readonly coatId: string;
  /** What the painter does without. */
  readonly without: readonly DoubtId[];
}

/** Thin films may need some passes to come as far. */
const MOST_PASSES = 4;
/** A pass more has to bring the finished surface nearer by this, CIEDE2000. */
const WORTH_A_PASS = 0.05;
/** Routes that are told. */
const MOST_ROUTES = 6;

/** Whether a technique can take a coat's place at all: by what it lays, the surface, the mix and what the painter has. */
function canTake(
  id: TechniqueId,
  coat: Coat,
  mix: Mix | undefined,
  { surface, paints, without }: { surface: Surface; paints: readonly Paint[]; without: readonly DoubtId[] },
): boolean {
  const technique: TechniqueDefinition = techniques[id];
  const { lays, unseen, wetInWet, comesLast, raises, onThings, potKinds } = technique;
  if (id === coat.technique.id || !lays.includes("field") || isRuledOut(technique, without)) return false;
  if (unseen || wetInWet || comesLast || raises) return false;
  if (onThings && surface.hide === null) return false;
  return potKinds === undefined || (mix !== undefined && mixSuits(id, mix, paints));
}

const inTechnique = (coat: Coat, id: TechniqueId, mix: Mix | undefined, passes: number): Coat => ({
  ...coat,
  technique: { id, version: techniques[id].version, params: { ...techniques[id].startParams } },
  water: startWater(id, mix),
  passes,
});

const withCoats = (surface: Surface, coat: Coat): Surface => ({
  ...surface,
  coats: surface.coats.map((one) => (one.id === coat.id ? coat : one)),
});

/** What comes nearest of more and more passes; one more that helps little ends it. */
function bestPasses<T extends { readonly difference: number }>(lay: (passes: number) => T): T {
  let best = lay(1);
  for (let passes = 2; passes <= MOST_PASSES; passes++) {
    const next = lay(passes);
    if (next.difference > best.difference - WORTH_A_PASS) break;
    best = next;
  }
  return best;
}

/** Hand time of a coat's card, minutes. */
function minutesOf({ job, paints, painter }: RouteInput, surface: Surface, coatId: string): number {
  const cards = cardsOf({ ...job, surfaces: [surface], touching: [] }, paints, painter);
  return cards.find(({ coat }) => coat.id === coatId)?.handMinutes ?? 0;
}

/**
 * Lays a coat in every other technique that can take its place, each in as many passes as come nearest, and compares the
 * finished surface. Yields how many techniques there are to try, once for each that was.
 * @throws InputError where the surface cannot be painted
 * @throws RangeError where there is no such coat
 */
export function* routeSteps(input: RouteInput): Generator<number, Routes> {
  const { job, paints, surfaceId, coatId, without } = input;
  const surface = job.surfaces.find(({ id }) => id === surfaceId);
  const coat = surface?.coats.find(({ id }) => id === coatId);
  if (!surface || !coat) throw new RangeError(`There is no coat "${coatId}" on "${surfaceId}".`);
  const mix = mixById(job, coat.mixId);
  const missing = missingOn(job, surface, paints);
  const ids = techniqueIds.filter((id) => canTake(id, coat, mix, { surface, paints, without }));
  const found: Omit<Route, "minutes">[] = [];
  for (const id of ids) {
    const best = bestPasses((passes) => {
      const other = inTechnique(coat, id, mix, passes);
      return { other, difference: missing.differs(withCoats(surface, other).coats) };
    });
    const { label, caution } = techniques[id];
    found.push({ coat: best.other, label, difference: best.difference, caution });
    yield ids.length;
  }
  const nearest = found.toSorted((a, b) => a.difference - b.difference).slice(0, MOST_ROUTES);
  return {
    routes: nearest.map((route) => ({
      ...route,
      minutes: minutesOf(input, withCoats(surface, route.coat), coatId),
    })),
    leftOut: missing.differs(withCoats(surface, { ...coat, held: true }).coats),
    minutes: minutesOf(input, surface, coatId),
  };
}
