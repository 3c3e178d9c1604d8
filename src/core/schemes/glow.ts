import { covers, findMix } from "../colour/chosenMix";
import { hexToLab, labToHex, type Triple } from "../colour/spaces";
import { withoutShed } from "../edits/paintedLights";
import { figureOf, type Job, type Paint, type PaintedLight, type Surface } from "../job";
import { glanceAt } from "../simulate/glance";
import { sampledSurface } from "../simulate/sampled";
import { buildForm } from "../surface/forms/buildForm";
import { USUAL_VOLUMES } from "../surface/volumes/materials";
import { shedOf } from "../surface/shedLight";
import {
  glassCoats,
  GLOW_TONES,
  glowLab,
  isShed,
  shedCoats,
  shedName,
  type GlowRoom,
  type GlowTone,
} from "./glowCoats";
import { tone, type SchemeCoat } from "./scheme";
import { coatsOf, roomFor, withMixes, type FoundTone, type StartPlan, type StartProgress } from "./start";

/** Less of a light than this is seen by nobody; a surface of which less is reached gets no coats. */
const [SEEN_SHARE, REACHED] = [0.08, 0.004] as const;

/** What a painted light comes to on one surface. */
export interface GlowPart {
  readonly surfaceId: string;
  /** Share of the surface it reaches, and the most of it that falls anywhere there, 0…1. */
  readonly reached: number;
  readonly strongest: number;
  /** Mean L* of the ground its soft light lies on, and what it rises by there; null where only its own glass is painted. */
  readonly shows: { readonly ground: number; readonly rises: number } | null;
  readonly plan: StartPlan;
}

/** A painted light worked out for its whole figure: all its tones and coats, and what it comes to on each surface. */
export interface GlowPlan extends StartPlan {
  readonly lightId: string;
  readonly parts: readonly GlowPart[];
}

/** How much of a surface a light reaches, and how much of it at most. */
function reachOf(job: Job, surface: Surface, lightId: string): Pick<GlowPart, "reached" | "strongest"> {
  const { grid } = glanceAt(job, surface);
  const shed = shedOf(grid, lightId);
  let [reached, cells, strongest] = [0, 0, 0];
  for (let at = 0; at < shed.length; at++) {
    if (grid.inside[at]! <= 0.5) continue;
    cells++;
    if (shed[at]! >= SEEN_SHARE) reached++;
    if (shed[at]! > strongest) strongest = shed[at]!;
  }
  return { reached: reached / Math.max(1, cells), strongest };
}

function roomOf(job: Job, surface: Surface, light: PaintedLight): GlowRoom {
  const { finestMm, scale } = roomFor(job, surface, { age: "used", look: "plain", colour: light.colour });
  const form = buildForm(surface);
  const lengthMm = form.lengthAt(light.up * form.slantMm);
  const lampDeg = figureOf(job, surface).lamp.fromDeg;
  return { finestMm, scale, light, lampDeg, sizesMm: [lengthMm, form.slantMm] };
}

interface Coated extends Pick<GlowPart, "reached" | "strongest"> {
  readonly surface: Surface;
  readonly coats: readonly SchemeCoat<GlowTone>[];
}

/** Surfaces of the figure that a light reaches, with its coats there; its own with its glass. */
function coated(job: Job, light: PaintedLight): Coated[] {
  const own = job.surfaces.find(({ id }) => id === light.surfaceId);
  if (!own) return [];
  return job.surfaces.flatMap((surface) => {
    if (surface.figureId !== own.figureId) return [];
    const reach = reachOf(job, surface, light.id);
    const room = roomOf(job, surface, light);
    const coats = [
      ...(reach.reached >= REACHED ? shedCoats(room) : []),
      ...(surface.id === own.id ? glassCoats(room) : []),
    ];
    return coats.length > 0 ? [{ surface, ...reach, coats }] : [];
  });
}

const foundTone = (
  key: GlowTone,
  light: Triple,
  pots: readonly Paint[],
  inUse: Set<string>,
  lightId: string,
): FoundTone => {
  const goal = glowLab(key, light);
  const mix = findMix(pots, goal, { kind: "thick" }, inUse);
  mix?.parts.forEach(({ paintId }) => inUse.add(paintId));
  const hex = labToHex(goal);
  return {
    ...{ key: shedName(lightId, key), tone: tone(GLOW_TONES[key].name, 0), goal: hex, paint: hex },
    ...{ parts: mix?.parts ?? [], difference: mix?.difference ?? 0 },
  };
};

/**
 * Works the light of a painted lamp out for its whole figure in a painter's own pots, over what is painted there; what
 * was laid for it before counts as gone. Told one tone after another, as each takes a search.
 * @throws RangeError where no figure has the light, InputError where a surface cannot be built
 */
export function* glowSteps(
  given: Job,
  lightId: string,
  paints: readonly Paint[],
): Generator<StartProgress, GlowPlan> {
  const job = withoutShed(given, lightId);
  const light = job.figures.flatMap(({ lights }) => lights).find(({ id }) => id === lightId);
  if (!light) throw new RangeError(`no figure has the painted light "${lightId}"`);
  const on = coated(job, light);
  const used = [...new Set(on.flatMap(({ coats }) => coats.map((coat) => coat.tone)))];
  const pots = paints.filter(covers);
  const inUse = new Set(job.mixes.flatMap(({ parts }) => parts.map(({ paintId }) => paintId)));
  const tones: FoundTone[] = [];
  for (const key of used) {
    yield { done: tones.length, total: used.length + on.length };
    tones.push(foundTone(key, hexToLab(light.colour), pots, inUse, lightId));
  }
  const parts: GlowPart[] = [];
  for (const one of on) {
    yield { done: used.length + parts.length, total: used.length + on.length };
    parts.push(shownPart(job, partOf(one, tones, lightId), paints, lightId));
  }
  const coats = parts.flatMap(({ plan }) => plan.coats);
  return { lightId, parts, tones, coats, volumes: USUAL_VOLUMES, hide: null };
}

function partOf({ surface, coats, ...reach }: Coated, all: readonly FoundTone[], lightId: string): GlowPart {
  const keyed = coats.map((coat): SchemeCoat => ({ ...coat, tone: shedName(lightId, coat.tone) }));
  const used = new Set(keyed.map((coat) => coat.tone));
  const { volumes, hide } = surface;
  const plan = { volumes, hide, coats: keyed, tones: all.filter(({ key }) => used.has(key)) };
  return { surfaceId: surface.id, ...reach, shows: null, plan };
}

/** A ground is darkened in so many passes at most, until light rises by so much on it, L*. */
const [MOST_DARKENED, RISES] = [4, 5] as const;

/** A part with what its light rises by: where its ground is darkened, in as many passes as that takes. */
function shownPart(job: Job, part: GlowPart, paints: readonly Paint[], lightId: string): GlowPart {
  const key = shedName(lightId, "ground");
  const shown = { ...part, shows: showsOn(layParts(job, [part]), part, paints, lightId) };
  const ground = part.plan.coats.find((coat) => coat.key === key);
  const passes = ground?.passes ?? MOST_DARKENED;
  if (!shown.shows || shown.shows.rises >= RISES || passes >= MOST_DARKENED) return shown;
  const coats = part.plan.coats.map((coat) => (coat.key === key ? { ...coat, passes: passes + 1 } : coat));
  return shownPart(job, { ...part, plan: { ...part.plan, coats } }, paints, lightId);
}

/** What the soft light of a laid plan rises by on its ground. */
function showsOn(
  laid: Job,
  { surfaceId }: GlowPart,
  paints: readonly Paint[],
  lightId: string,
): GlowPart["shows"] {
  const surface = laid.surfaces.find(({ id }) => id === surfaceId)!;
  const soft = sampledSurface(laid, surface, paints).coats.find(
    ({ coat }) => coat.id === `${surfaceId}-${shedName(lightId, "soft")}`,
  );
  return soft && soft.coveredShare > 0
    ? { ground: soft.before[0], rises: soft.after[0] - soft.before[0] }
    : null;
}

/** The same at once. */
export function planGlow(...asked: Parameters<typeof glowSteps>): GlowPlan {
  const planning = glowSteps(...asked);
  for (let step = planning.next(); ; step = planning.next()) if (step.done) return step.value;
}

const layParts = (job: Job, parts: readonly GlowPart[]): Job =>
  parts.reduce((made, { surfaceId, plan }) => {
    const surface = made.surfaces.find(({ id }) => id === surfaceId);
    if (!surface) return made;
    const { mixes, mixOf } = withMixes(made, plan, surface);
    const coats = [...surface.coats, ...coatsOf(plan, surface, mixOf)];
    return {
      ...made,
      mixes,
      surfaces: made.surfaces.map((one) => (one.id === surfaceId ? { ...one, coats } : one)),
    };
  }, job);

/** Lays a painted light over its figure, after all other coats; what was laid for it before makes room. */
export const layGlow = (job: Job, { lightId, parts }: GlowPlan): Job =>
  layParts(withoutShed(job, lightId), parts);

/** Surfaces on which a painted light was laid. */
export const laidOn = (job: Job, lightId: string): readonly Surface[] =>
  job.surfaces.filter((surface) => surface.coats.some(({ id }) => isShed(lightId, surface.id, id)));
