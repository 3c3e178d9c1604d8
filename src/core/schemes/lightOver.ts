import { opticsOfMix } from "../colour/appearance";
import type { FoundMix } from "../colour/search";
import { layFilm, masstone, type Optics } from "../colour/film";
import { labToHex, spectrumToLab, type Triple } from "../colour/spaces";
import { hexToSpectrum } from "../colour/spectrum";
import {
  activeCoats,
  figureOf,
  inZones,
  isOver,
  mixById,
  OVER,
  type Coat,
  type Job,
  type Paint,
  type Surface,
} from "../job";
import { familyIn } from "../patterns";
import { sampledSurface } from "../simulate/sampled";
import { stepCount } from "../surface/volumes/valuePlan";
import { clearTone, tone, type Look, type SchemeCoat, type SchemeTone } from "./scheme";
import { covers, findMix, tints } from "../colour/chosenMix";
import {
  clearMix,
  coatsOf,
  filmOf,
  toneLab,
  withMixes,
  type FoundTone,
  type StartPlan,
  type StartProgress,
} from "./start";

/** How it is done, in one sentence. */
export const LIGHT_OVER_ABOUT =
  "Every colour of the pattern once more, lighter, on its light side, before the next colour goes on; a dark glaze over all of it in its shade, twice in the deepest.";

/** L* that the two glazes move a plain piece by in its shade, and that its colours are lighter by on its light side. */
const [SHADE, DEPTH, LIGHTER] = [-10, -8, 17] as const;
const REACH_OF: Readonly<Record<Look, number>> = { quiet: 0.6, plain: 1, striking: 1.35 };
/** Coats of which less is seen in the end get no light of their own, share of the panel; nor does the ground of all. */
const [SEEN, GROUND_SEEN] = [0.04, 0.12] as const;
/** A light is laid until it comes this near to its mix, L*, in so many passes at most. */
const [COVERS, MOST_LIGHT_PASSES] = [3, 4] as const;
/** Glazes of one mix at most; of a clear mix that asks for more, a dark one of paint that covers is thinned instead. */
const [MOST_GLAZES, MOST_CLEAR] = [6, 3] as const;
/** A mix does for the shade that takes the ground down by this share of what is asked. */
const ENOUGH = 0.7;
/** How far the thinned mix is darker than the shade it is to give, L*. */
const DARKER_BY = 14;
const SHADE_KEY = `${OVER}shade`;

/** A surface without the light and shade over it. */
export const withoutOver = (surface: Surface): Surface => ({
  ...surface,
  coats: surface.coats.filter(({ id }) => !isOver(surface.id, id)),
});

/** Takes the light and shade over a surface off. */
export const takeOverOff = (job: Job, surfaceId: string): Job => ({
  ...job,
  surfaces: job.surfaces.map((one) => (one.id === surfaceId ? withoutOver(one) : one)),
});

function surfaceIn({ surfaces }: Job, surfaceId: string): Surface {
  const surface = surfaces.find(({ id }) => id === surfaceId);
  if (!surface) throw new RangeError(`the job has no surface "${surfaceId}"`);
  return surface;
}

/** A stretch of the value plan by steps of light, which fades over one of them. */
function steps(count: number, from: number, to: number) {
  const at = (step: number) => Math.round((100 * step) / count) / 100;
  return inZones([], 0, { values: { from: at(from), to: at(to), fade: at(1) } });
}

/** Coats of the pattern that are seen in the end and get a light each; none where the pattern lays lights of its own. */
function litCoats(job: Job, surface: Surface, paints: readonly Paint[]): Coat[] {
  const family = familyIn(surface);
  const shown = new Map(
    sampledSurface(job, surface, paints).coats.map(({ coat, showing }) => [coat.id, showing]),
  );
  const own = activeCoats(surface).filter(({ role }) => role !== null);
  const isLight = ({ place }: Coat) => place.kind === "pattern" && family?.followsLight?.(place.key) === true;
  if (own.some(isLight)) return [];
  return own.filter(
    ({ id, place, technique }) =>
      technique.id !== "glaze" &&
      technique.id !== "wash" &&
      (shown.get(id) ?? 0) >= (place.kind === "pattern" ? SEEN : GROUND_SEEN) &&
      !(place.kind === "pattern" && family?.unseen?.(place.key)),
  );
}

const meanOf = (labs: readonly Triple[]): Triple =>
  [0, 1, 2].map(
    (axis) => labs.reduce((sum, lab) => sum + lab[axis]!, 0) / Math.max(1, labs.length),
  ) as unknown as Triple;

/** A light in as many passes as it takes to cover the colour below it. */
function covering(light: SchemeCoat, below: Optics, own: Optics): SchemeCoat {
  const [ground, goal] = [masstone(below), spectrumToLab(masstone(own))[0]];
  const isEnough = (passes: number) =>
    goal - spectrumToLab(layFilm(own, filmOf({ ...light, passes }), ground))[0] <= COVERS;
  const counts = Array.from({ length: MOST_LIGHT_PASSES }, (_, at) => at + 1);
  return { ...light, passes: counts.find((passes) => passes > 1 && isEnough(passes)) ?? MOST_LIGHT_PASSES };
}

/** The light of a coat: on its marks, and on the light side. */
function lightOf(coat: Coat, count: number): SchemeCoat {
  const { values } = steps(count, count - 1.9, count);
  return {
    key: `${OVER}${coat.id}`,
    name: `${coat.name}, light`.slice(0, 80),
    technique: "layer",
    tone: `${OVER}${coat.mixId}`,
    water: 2,
    place: inZones([], 0, { values }),
    params: { feather: 95, waver: 30 },
    follows: { coatId: coat.id, inside: coat.place.kind === "pattern" },
  };
}

/** Parts of water a glaze is thinned with; one pass more is worth this much of nearness, L*. */
const [THINNINGS, WORTH_A_PASS] = [[4, 6, 8], 0.8] as const;

/** How far a glaze takes ground of a colour, L*. */
function takes(glaze: SchemeCoat, colour: string, optics: Optics): number {
  const ground = hexToSpectrum(colour);
  return spectrumToLab(layFilm(optics, filmOf(glaze), ground))[0] - spectrumToLab(ground)[0];
}

/** A glaze so thin, and in so many passes, that it comes near to moving ground of a colour by so much, L*. */
function moving(glaze: SchemeCoat, moves: number, colour: string, optics: Optics): SchemeCoat {
  const cost = (coat: SchemeCoat) =>
    Math.abs(takes(coat, colour, optics) - moves) + WORTH_A_PASS * coat.passes!;
  const tries = Array.from({ length: MOST_GLAZES }, (_, at) =>
    THINNINGS.map((water): SchemeCoat => ({ ...glaze, water, passes: at + 1 })),
  ).flat();
  return tries.reduce((best, coat) => (cost(coat) < cost(best) ? coat : best));
}

/** Glazes in the steps that the lamp hardly reaches, and once more in the deepest. */
const shadesOf = (count: number, reach: number, colour: string, optics: Optics): SchemeCoat[] =>
  (
    [
      ["shade", "Shade over it", 1.5, SHADE],
      ["depth", "Deepest shade over it", 0.6, DEPTH],
    ] as const
  ).map(([key, name, to, moves]) =>
    moving(
      {
        ...{ key: `${OVER}${key}`, name, technique: "glaze", tone: SHADE_KEY, water: 4 },
        ...{ place: steps(count, 0, to), params: { pull: 30 } },
      },
      moves * reach,
      colour,
      optics,
    ),
  );

/** What light and shade are worked out from. */
interface Asked {
  readonly job: Job;
  readonly look: Look;
  readonly paints: readonly Paint[];
  /** Steps of the surface's value plan. */
  readonly count: number;
}

/** The shade's tone, then a lighter one to each mix; told one by one, as each takes a search. */
function* tonesFor(
  { job, look, paints, count }: Asked,
  mixes: readonly string[],
  colour: string,
): Generator<StartProgress, FoundTone[]> {
  const total = 1 + mixes.length;
  const [opaque, tinting] = [paints.filter(covers), paints.filter(tints)];
  const inUse = new Set(job.mixes.flatMap(({ parts }) => parts.map(({ paintId }) => paintId)));
  const reach = REACH_OF[look];
  yield { done: 0, total };
  const shade = clearTone("shade over it", (SHADE + DEPTH) * reach, 0.7, -8);
  const clear = clearMix(tinting.length > 0 ? tinting : opaque, { age: "used", look, colour }, shade, inUse);
  const darkGoal = toneLab(colour, { ...shade, lighter: shade.lighter - DARKER_BY });
  const tries = [clear, findMix(opaque, darkGoal, { kind: "thick" }, inUse)].filter((mix) => mix !== null);
  const isQuick = (mix: FoundMix) => {
    const optics = opticsOfMix(mix, paints);
    const [first] = shadesOf(count, reach, colour, optics);
    return first!.passes! <= MOST_CLEAR && takes(first!, colour, optics) <= ENOUGH * SHADE * reach;
  };
  const glaze = tries.find(isQuick) ?? tries[0] ?? null;
  const found = [foundTone(SHADE_KEY, shade, labToHex(toneLab(colour, shade)), glaze)];
  for (const mixId of mixes) {
    yield { done: found.length, total };
    const mix = mixById(job, mixId);
    const own = labToHex(spectrumToLab(masstone(opticsOfMix(mix, paints))));
    const lighter = tone(`${mix?.name ?? "mix"}, light`, LIGHTER * reach, 0.95, 3);
    const goal = toneLab(own, lighter);
    const best = findMix(opaque, goal, { kind: "thick" }, inUse);
    found.push(foundTone(`${OVER}${mixId}`, lighter, labToHex(goal), best));
  }
  return found;
}

/**
 * Works out light and shade over a surface that has a pattern, in a painter's own pots. What it says of the surface is
 * said without the light and shade that is there already.
 * @throws RangeError where the surface is missing, InputError where it cannot be built
 */
export function* lightOverSteps(
  given: Job,
  surfaceId: string,
  look: Look,
  paints: readonly Paint[],
): Generator<StartProgress, StartPlan> {
  const job = takeOverOff(given, surfaceId);
  const surface = surfaceIn(job, surfaceId);
  const count = stepCount(surface.volumes, figureOf(job, surface).standard);
  const lit = litCoats(job, surface, paints);
  const colour = labToHex(meanOf(sampledSurface(job, surface, paints).final));
  const mixes = [...new Set(lit.map(({ mixId }) => mixId))];
  const tones = yield* tonesFor({ job, look, paints, count }, mixes, colour);
  const opticsIn = (key: string) =>
    opticsOfMix({ parts: tones.find((one) => one.key === key)!.parts }, paints);
  const lights = lit.map((coat) => {
    const light = lightOf(coat, count);
    return covering(light, opticsOfMix(mixById(job, coat.mixId), paints), opticsIn(light.tone));
  });
  const shades = shadesOf(count, REACH_OF[look], colour, opticsIn(SHADE_KEY));
  return { volumes: surface.volumes, hide: surface.hide, tones, coats: [...lights, ...shades] };
}

function foundTone(
  key: string,
  of: SchemeTone,
  goal: string,
  mix: { readonly parts: FoundTone["parts"]; readonly difference: number } | null,
): FoundTone {
  return { key, tone: of, goal, paint: goal, parts: mix?.parts ?? [], difference: mix?.difference ?? 0 };
}

/** The same at once. */
export function planLightOver(...asked: Parameters<typeof lightOverSteps>): StartPlan {
  const planning = lightOverSteps(...asked);
  for (let step = planning.next(); ; step = planning.next()) if (step.done) return step.value;
}

/**
 * Lays light and shade over a surface: each light right after the coat it is of, so that later colours stay on top of
 * it, the shade last of all. Its pattern and its other coats stay; light and shade laid before make room.
 */
export function layOver(job: Job, surfaceId: string, plan: StartPlan): Job {
  const bare = takeOverOff(job, surfaceId);
  const surface = bare.surfaces.find(({ id }) => id === surfaceId);
  if (!surface) return job;
  const { mixes, mixOf } = withMixes(bare, plan, surface);
  const coats = [...surface.coats];
  coatsOf(plan, surface, mixOf).forEach((coat, at) => {
    const { follows } = plan.coats[at]!;
    if (!follows) {
      coats.push(coat);
      return;
    }
    const after = coats.findIndex(({ id }) => id === follows.coatId);
    if (after < 0) return;
    const near = { coatId: follows.coatId, side: "inside", reachMm: 0 } as const;
    const place = follows.inside && coat.place.kind === "zones" ? { ...coat.place, near } : coat.place;
    coats.splice(after + 1, 0, { ...coat, place });
  });
  return {
    ...bare,
    mixes,
    surfaces: bare.surfaces.map((one) => (one.id === surfaceId ? { ...one, coats } : one)),
  };
}
