import { InputError } from "../errors";
import { activeCoats, figureOf, type Coat, type Job, type Paint, type Surface } from "../job";
import type { Painter } from "../painter";
import type { FilmState } from "../plan/clocks";
import { coatWork } from "../plan/work";
import { sampledSurface } from "../simulate/sampled";
import { buildForm } from "../surface/forms/buildForm";
import { mishaps } from ".";
import { isNew } from "./coats";
import { distanceOf, looksAt, marksApart, placesOf, type Distance } from "./goal";
import { isWet, type MishapContext, type Repair, type Told } from "./mishap";

/** One way on from a mishap. */
export interface WayOn {
  readonly id: string;
  readonly label: string;
  readonly say: string;
  readonly caution: string | null;
  /** Whether it has to be done while the film can be worked. */
  readonly wet: boolean;
  /** Changes of what is still to be painted, in words. */
  readonly replanned: readonly string[];
  /** The surface from now on: what lies there, what mends it, what is left of the plan. */
  readonly surface: Surface;
  /** Coats it adds, with cards of their own. */
  readonly added: readonly string[];
  /** Hand time of what it adds, one figure, minutes. */
  readonly minutes: number;
  /** How far the finished surface is from the planned one. */
  readonly distance: Distance;
}

/** What comes of a mishap. */
export interface Mending {
  /** The surface as it is now, going on as planned. */
  readonly happened: Surface;
  /** Doing nothing. */
  readonly goOn: WayOn;
  /** All ways on, that of doing nothing among them; the best first. */
  readonly ways: readonly WayOn[];
  /** The panel, mm². */
  readonly areaMm2: number;
}

/** What a mishap is looked at with. */
export interface MendInput {
  readonly job: Job;
  readonly paints: readonly Paint[];
  readonly painter: Painter;
  readonly surfaceId: string;
  readonly told: Told;
  /** Ids of the surface's coats that are painted. */
  readonly painted: readonly string[];
  /** How far the film of the coat is. */
  readonly state: FilmState;
}

/** A change of the plan is taken where it brings the goal nearer by this share, and by this much, CIEDE2000, at least. */
const [WORTH, LEAST_NEARER] = [0.03, 0.05] as const;
/** Changes of what is left to paint, at most. */
const MOST_CHANGES = 2;
/** Ways on that are as near as this count as equal, CIEDE2000: then the quicker one comes first. */
const EQUAL = 0.08;

/** @throws InputError where the job has no such surface or coat, or the mishap cannot have happened to it */
export function mishapContext({
  job,
  paints,
  surfaceId,
  told,
  painted,
}: Omit<MendInput, "painter" | "state">): MishapContext {
  const surface = job.surfaces.find(({ id }) => id === surfaceId);
  const coat = surface?.coats.find(({ id }) => id === told.coatId);
  if (!surface || !coat)
    throw new InputError([{ field: "coatId", message: "This coat is not part of the job any more." }]);
  const { figures, ...onAll } = told;
  const context: MishapContext = {
    ...{ job, paints, surface, coat, painted: new Set(painted) },
    // What happened to every figure of a unit happened to the coat.
    told: figures && figures.length < figureOf(job, surface).count ? told : onAll,
    ...{ form: buildForm(surface), looks: sampledSurface(job, surface, paints).coats },
  };
  const { amount } = mishaps[told.kind].asks;
  if (amount && !(told.amount >= amount.range[0] && told.amount <= amount.range[1]))
    throw new InputError([
      {
        field: "amount",
        message: `${amount.label} must be ${amount.range[0]} to ${amount.range[1]} ${amount.unit}, got ${told.amount}.`,
      },
    ]);
  if (!mishaps[told.kind].suits(context))
    throw new InputError([
      { field: "kind", message: `“${mishaps[told.kind].label}” cannot have happened to ${coat.name}.` },
    ]);
  return context;
}

const withSurfaceOf = (job: Job, surface: Surface): Job => ({
  ...job,
  surfaces: job.surfaces.map((one) => (one.id === surface.id ? surface : one)),
});

/** Tells how far a surface is from the goal. */
function measuring(context: MishapContext, happened: Surface) {
  const { job, paints, surface, told } = context;
  const places = placesOf(withSurfaceOf(job, happened), happened, context);
  const wanted = looksAt(job, surface, paints, places);
  const areaMm2 = places.mm2.reduce((sum, mm2) => sum + mm2, 0);
  return {
    areaMm2,
    of: (now: Surface): Distance => {
      const looks = distanceOf(looksAt(withSurfaceOf(job, now), now, paints, places), wanted, places.mm2);
      return mishaps[told.kind].goal === "marks" ? { ...looks, far: marksApart(context, now) } : looks;
    },
  };
}

/** Coats still to be painted that were planned before the mishap. */
const remaining = (context: MishapContext, now: Surface): Coat[] =>
  now.coats.filter(
    (coat) =>
      !coat.held &&
      !coat.mishap &&
      !context.painted.has(coat.id) &&
      !isNew(context, coat.id) &&
      coat !== context.coat,
  );

interface Tweak {
  readonly words: string;
  readonly change: (surface: Surface) => Surface;
}

/** What can be changed in what is still to be painted. */
function tweaksOf(context: MishapContext, now: Surface): Tweak[] {
  const set = (id: string, changes: Partial<Coat>) => (surface: Surface) => ({
    ...surface,
    coats: surface.coats.map((one) => (one.id === id ? { ...one, ...changes } : one)),
  });
  return remaining(context, now).flatMap(({ id, name, passes }) => [
    { words: `Leave out ${name}.`, change: set(id, { held: true }) },
    ...(passes < 12
      ? [{ words: `${name}: ${passes + 1} passes.`, change: set(id, { passes: passes + 1 }) }]
      : []),
    ...(passes > 1
      ? [
          {
            words: `${name}: ${passes - 1 === 1 ? "1 pass" : `${passes - 1} passes`}.`,
            change: set(id, { passes: passes - 1 }),
          },
        ]
      : []),
  ]);
}

/** Ways on that are told with numbers: hand time of what they add. */
function wayOf(
  context: MishapContext,
  painter: Painter,
  repair: Omit<Repair, "change">,
  { surface, wet, distance, replanned }: Pick<WayOn, "surface" | "wet" | "distance" | "replanned">,
): WayOn {
  const job = withSurfaceOf(context.job, surface);
  const added = surface.coats.filter(
    (coat) => !coat.held && !coat.mishap && (isNew(context, coat.id) || isMoved(context, coat)),
  );
  const minutes = added.reduce(
    (sum, coat) =>
      sum +
      painter.setUpMinutes +
      coat.passes * coatWork(job, surface, context.form, coat, painter).handMinutes,
    0,
  );
  return {
    ...{ id: repair.id, label: repair.label, say: repair.say, caution: repair.caution ?? null },
    ...{ wet, replanned, surface, distance, minutes, added: added.map(({ id }) => id) },
  };
}

/** A coat that was forgotten is painted later than it was to be. */
const isMoved = ({ told, coat }: MishapContext, one: Coat): boolean =>
  told.kind === "forgotten" && one.id === coat.id;

/** Repairs that a film in a state allows: those for a wet one, those for a dry one, and a dry one after the first wet one. */
function repairsNow(
  { wet, dry }: ReturnType<(typeof mishaps)[Told["kind"]]["repairs"]>,
  state: FilmState,
): (Repair & { readonly wet: boolean })[] {
  const later = dry.map((repair) => ({ ...repair, wet: false }));
  const [first] = isWet(state) ? wet : [];
  if (!first) return later;
  const both = dry
    .filter(({ id }) => !id.startsWith("again"))
    .map((repair) => ({
      ...{ ...repair, id: `${first.id}+${repair.id}`, wet: true },
      label: `${first.label}; once it is dry: ${repair.label[0]!.toLowerCase()}${repair.label.slice(1)}`,
      say: `${first.say} Once it is touch dry: ${repair.say[0]!.toLowerCase()}${repair.say.slice(1)}`,
      change: (happened: Surface) => repair.change(first.change(happened)),
    }));
  return [...wet.map((repair) => ({ ...repair, wet: true })), ...both, ...later];
}

const GO_ON = {
  id: "go-on",
  label: "Go on as planned",
  say: "Nothing is mended; what is left is painted as it was planned.",
};

/** Nearest first; of those as near as each other the quickest. */
function ranked(ways: readonly WayOn[]): WayOn[] {
  const nearest = Math.min(...ways.map(({ distance }) => distance.far));
  const step = ({ distance }: WayOn) => Math.floor((distance.far - nearest) / EQUAL);
  return ways.toSorted(
    (a, b) => step(a) - step(b) || a.minutes - b.minutes || a.distance.far - b.distance.far,
  );
}

/** Changes of what is left, one after the other, each the one that brings the goal nearest. */
function* replan(
  context: MishapContext,
  start: { surface: Surface; distance: Distance },
  far: (surface: Surface) => Distance,
): Generator<number, { surface: Surface; distance: Distance; words: string[] }> {
  let now = start;
  const words: string[] = [];
  while (words.length < MOST_CHANGES) {
    let best: { surface: Surface; distance: Distance; words: string } | null = null;
    for (const tweak of tweaksOf(context, now.surface)) {
      const surface = tweak.change(now.surface);
      const distance = far(surface);
      if (!best || distance.far < best.distance.far) best = { surface, distance, words: tweak.words };
      yield 1;
    }
    const nearer = now.distance.far - (best?.distance.far ?? Infinity);
    if (!best || nearer < LEAST_NEARER || nearer < WORTH * now.distance.far) break;
    now = best;
    words.push(best.words);
  }
  return { ...now, words };
}

/**
 * Works out what a mishap does to a surface and which ways lead on from it: every repair that its film allows, with the
 * coats that are left planned anew towards the look that was planned. Yields once for each surface painted.
 * @throws InputError as for `mishapContext`
 */
export function* mendSteps(input: MendInput): Generator<number, Mending> {
  const context = mishapContext(input);
  const definition = mishaps[input.told.kind];
  const happened = definition.happened(context);
  const measure = measuring(context, happened);
  const goOn = wayOf(context, input.painter, GO_ON, {
    ...{ surface: happened, wet: false, replanned: [], distance: measure.of(happened) },
  });
  yield 1;
  const ways: WayOn[] = [];
  for (const { wet, ...repair } of repairsNow(definition.repairs(context), input.state)) {
    const surface = repair.change(happened);
    const way = { surface, wet, replanned: [], distance: measure.of(surface) };
    ways.push(wayOf(context, input.painter, repair, way));
    yield 1;
  }
  // What is left is planned anew for the best way, and for going on without a repair.
  const best = ranked([...ways, goOn])[0]!;
  const anew = definition.goal === "look" ? yield* replan(context, best, measure.of) : null;
  if (anew && anew.words.length > 0)
    ways.push({
      ...{ ...best, id: `${best.id}-anew`, surface: anew.surface, distance: anew.distance },
      ...(best.id === GO_ON.id && {
        label: "Go on, the rest planned anew",
        say: "Nothing is mended by hand.",
      }),
      replanned: anew.words,
    });
  return { happened, goOn, ways: ranked([...ways, goOn]), areaMm2: measure.areaMm2 };
}

/** All steps of `mendSteps` at once. */
export function mendingOf(input: MendInput): Mending {
  const steps = mendSteps(input);
  let step = steps.next();
  while (!step.done) step = steps.next();
  return step.value;
}

/** What cannot be reached any more on a way on, in words. @param activeAreaMm2 of the panel */
export function outOfReach({ distance }: Pick<WayOn, "distance">, areaMm2: number): string {
  const { apartMm2, meanDelta, lighter } = distance;
  if (apartMm2 < 0.002 * areaMm2) return "It comes out as planned: nowhere is a difference to be seen.";
  const share = Math.max(1, Math.round((100 * apartMm2) / areaMm2));
  const how =
    Math.abs(lighter) < 0.8
      ? "another hue"
      : `${lighter > 0 ? "lighter" : "darker"} by ${Math.abs(lighter).toFixed(1)} L*`;
  return `Out of reach: ${share} % of the piece (${apartMm2.toFixed(apartMm2 < 10 ? 1 : 0)} mm²) stays apart from the plan by ${meanDelta.toFixed(1)} CIEDE2000, ${how}.`;
}

/** Coats of a surface that are painted or to be painted, without those that lie there by mishap. */
export const paintedCoats = (surface: Surface): Coat[] =>
  activeCoats(surface).filter(({ mishap }) => !mishap);
