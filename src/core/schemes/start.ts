import { opticsOfMix } from "../colour/appearance";
import { ciede2000 } from "../colour/difference";
import { masstone, type Optics } from "../colour/film";
import { brushedPassUm } from "../colour/mix";
import {
  covers,
  findClear,
  findMix,
  labToSpectrum,
  sameParts,
  tints,
  type MixWish,
} from "../colour/chosenMix";
import type { FoundMix } from "../colour/search";
import { hexToLab, labToHex, spectrumToLab, type Triple } from "../colour/spaces";
import { hides } from "../hides";
import type { Coat, HideUse, Job, Mix, MixPart, Paint, Surface, Volumes } from "../job";
import { planBackwards, type FilmAbove } from "../plan/backwards";
import { hashText } from "../random";
import { techniques } from "../techniques";
import { IMPORTANCE_OF, LIGHT_AS } from "./scheme";
import type { SchemeAnswers, SchemeCoat, SchemeDefinition, SchemeRoom, SchemeTone } from "./scheme";
import { figureOf } from "../job";

/** Figures this tall to the eyes have the marks a scheme is written for, mm. */
const WRITTEN_FOR_MM = 32;
/** How much of a glaze's film lies where the texture is: glazes are pulled off what stands out. */
const GLAZE_SHARE_ON_TEXTURE = 0.6;

/** What a scheme is told of the piece it is to paint: answers, brush, scale, shape. */
export const roomFor = (
  job: Pick<Job, "figures" | "hand">,
  surface: Surface,
  answers: SchemeAnswers,
): SchemeRoom => ({
  answers,
  standard: figureOf(job, surface).standard,
  distanceMm: figureOf(job, surface).viewingDistanceMm,
  finestMm: job.hand.finestLineMm * 0.8,
  scale: Math.min(1.8, Math.max(0.7, figureOf(job, surface).eyeHeightMm / WRITTEN_FOR_MM)),
  narrow: surface.form.id === "strap",
  blocks: surface.hide?.id === "courses",
});

/** A tone's colour as it is to be seen, L*a*b*. */
export function toneLab(colour: string, tone: SchemeTone): Triple {
  const [l, a, b] = hexToLab(tone.own ?? colour);
  const hue = Math.atan2(b, a) + (tone.hueDeg * Math.PI) / 180;
  const chroma = Math.hypot(a, b) * tone.chroma;
  const lightness = Math.min(94, Math.max(4, l + tone.lighter));
  return [lightness, chroma * Math.cos(hue), chroma * Math.sin(hue)];
}

/** Tones whose goals are this far apart are to be told apart: they do not come of one mix, CIEDE2000. */
const TOLD_APART = 4;

/** How far a gathered film takes light ground down, L*. */
const TAKES_DOWN = 16;

/** The clear mix whose gathered film tints light ground of the material's own colour to the tone's hue and chroma. */
export function clearMix(
  paints: readonly Paint[],
  answers: SchemeAnswers,
  tone: SchemeTone,
  inUse: ReadonlySet<string>,
): FoundMix | null {
  const [l, a, b] = hexToLab(tone.own ?? answers.colour);
  const light = Math.min(88, l + 22);
  const goal = toneLab(answers.colour, { ...tone, lighter: light - l - TAKES_DOWN });
  return findClear(paints, [light, a, b], goal, inUse);
}

/** One tone with the mix found for it. */
export interface FoundTone {
  readonly key: string;
  readonly tone: SchemeTone;
  /** As it is to be seen in the end, and as it has to be painted for that, "#rrggbb". */
  readonly goal: string;
  readonly paint: string;
  readonly parts: readonly MixPart[];
  /** CIEDE2000 of the mix against what has to be painted. */
  readonly difference: number;
}

/** A scheme worked out for one surface: its tones as mixes of owned pots, and its coats. */
export interface StartPlan {
  /** What the surface is made of from then on, and how much it is to be looked at. */
  readonly volumes: Volumes;
  /** What a smooth piece is given so that it can be painted so; null for nothing. */
  readonly hide: HideUse | null;
  readonly tones: readonly FoundTone[];
  readonly coats: readonly SchemeCoat[];
}

/** Dry film of one coat of a scheme, µm, where it is laid evenly. */
export const filmOf = (coat: SchemeCoat) =>
  brushedPassUm(coat.water) * (coat.passes ?? 1) * techniques[coat.technique].filmShare;

/** What a plan is worked out from. */
type StartAsked = readonly [
  job: Pick<Job, "figures" | "hand">,
  surface: Surface,
  scheme: SchemeDefinition,
  answers: SchemeAnswers,
  paints: readonly Paint[],
];

/** How far the search has come: tones that have their mix, of all. */
export interface StartProgress {
  readonly done: number;
  readonly total: number;
}

/**
 * Works a scheme out in a painter's own pots. Clear tones come first; every covering tone is then planned backwards
 * through the glazes that will lie over it, so that what is painted looks too bright until they do.
 */
export function planStart(...asked: StartAsked): StartPlan {
  const steps = startSteps(...asked);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

/** The same tone by tone, so that the search can tell how far it is and be stopped between two tones. */
export function* startSteps(
  ...[job, surface, scheme, answers, paints]: StartAsked
): Generator<StartProgress, StartPlan> {
  const room = roomFor(job, surface, answers);
  const coats = scheme.coats(room);
  const tones = tonesUsed(scheme, room, coats);
  const [covering, tinting] = [paints.filter(covers), paints.filter(tints)];
  const powders = paints.filter((pot) => pot.kind === "powder" && isOwned(pot));
  const clear = new Map<string, Optics>();
  const found = new Map<string, FoundTone>();
  const inUse = new Set<string>();
  for (const [key, tone] of tones) {
    if (!tone.clear) continue;
    yield { done: found.size, total: tones.length };
    const thin = tinting.length > 0 ? tinting : covering;
    const { parts, difference } =
      (tone.shine ? shiniest(paints, tone.shine) : clearMix(thin, answers, tone, inUse)) ?? NO_MIX;
    parts.forEach((part) => inUse.add(part.paintId));
    const goal = labToHex(toneLab(answers.colour, tone));
    clear.set(key, opticsOfMix({ parts }, paints));
    found.set(key, { key, tone, goal, paint: goal, parts, difference });
  }
  for (const [key, tone] of tones) {
    if (tone.clear) continue;
    yield { done: found.size, total: tones.length };
    const goalLab = toneLab(answers.colour, tone);
    const plan = planBackwards(labToSpectrum(goalLab), filmsOver(key, coats, clear));
    const between = tone.between?.map((one) => found.get(one)!.parts);
    const paint = between ? halfWay(between, paints) : spectrumToLab(plan.paint);
    const mix = ownMix(tone.powder ? powders : covering, paint, inUse, {
      care: between ? BETWEEN_CARE : 1,
      but: between ? [] : apartFrom(paint, found),
    });
    const { parts, difference } = mix ?? NO_MIX;
    parts.forEach((part) => inUse.add(part.paintId));
    found.set(key, { key, tone, goal: labToHex(goalLab), paint: labToHex(paint), parts, difference });
  }
  const volumes = { material: LIGHT_AS[scheme.material], importance: IMPORTANCE_OF[answers.look] };
  return { volumes, hide: hideOf(scheme), tones: tones.map(([key]) => found.get(key)!), coats };
}

const isOwned = ({ state }: Paint): boolean => state === "have" || state === "low";

const SHINES: readonly Paint["finish"][] = ["matt", "satin", "gloss"];

/** The glossiest varnish that is owned, or the most matt one; null where there is none. */
function shiniest(
  paints: readonly Paint[],
  shine: true | "matt",
): Pick<FoundMix, "parts" | "difference"> | null {
  const [pot] = paints
    .filter((pot) => pot.kind === "varnish" && isOwned(pot))
    .sort((a, b) => (shine === "matt" ? -1 : 1) * (SHINES.indexOf(b.finish) - SHINES.indexOf(a.finish)));
  return pot ? { parts: [{ paintId: pot.id, parts: 1 }], difference: 0 } : null;
}

/** The hide that a scheme gives a smooth piece. */
function hideOf({ hide }: SchemeDefinition): HideUse | null {
  if (!hide) return null;
  const { id, version, kinds } = hides[hide[0]];
  return { id, version, params: { ...kinds.find((kind) => kind.id === hide[1])?.params } };
}

/** Mixes of tones that a new one is to be told from. @param paint its goal, L*a*b* */
const apartFrom = (paint: Triple, found: ReadonlyMap<string, FoundTone>) =>
  [...found.values()]
    .filter((one) => !one.tone.clear && ciede2000(hexToLab(one.paint), paint) >= TOLD_APART)
    .map(({ parts }) => parts);

/** A mix that covers; where every one is taken, the best of those. */
const ownMix = (
  paints: readonly Paint[],
  goal: Triple,
  inUse: ReadonlySet<string>,
  wish: MixWish,
): FoundMix | null =>
  findMix(paints, goal, { kind: "thick" }, inUse, wish) ??
  findMix(paints, goal, { kind: "thick" }, inUse, { ...wish, but: [] });

/** Where no pot is owned that could be mixed. */
const NO_MIX = { parts: [] as readonly MixPart[], difference: 0 };

/** A step that is seen to be uneven spoils a blend: nearness counts so much more where a mix is to lie between two. */
const BETWEEN_CARE = 3;

/** Half-way to the eye between mixes, L*a*b*. */
function halfWay(mixes: readonly (readonly MixPart[])[], paints: readonly Paint[]): Triple {
  const labs = mixes.map((parts) => spectrumToLab(masstone(opticsOfMix({ parts }, paints))));
  const mean = (axis: 0 | 1 | 2) => labs.reduce((sum, lab) => sum + lab[axis], 0) / labs.length;
  return [mean(0), mean(1), mean(2)];
}

/** Tones that some coat is painted in: no mix is made that nothing is painted with. */
function tonesUsed(
  scheme: SchemeDefinition,
  room: SchemeRoom,
  coats: readonly SchemeCoat[],
): [string, SchemeTone][] {
  const used = new Set(coats.map(({ tone }) => tone));
  return Object.entries(scheme.tones(room)).filter(([key]) => used.has(key));
}

/** Films of clear tones that come to lie over a tone once it was last used, and reach what stands out. */
function filmsOver(
  key: string,
  coats: readonly SchemeCoat[],
  clear: ReadonlyMap<string, Optics>,
): FilmAbove[] {
  const last = coats.findLastIndex((coat) => coat.tone === key);
  return coats.slice(last + 1).flatMap((coat) => {
    const optics = clear.get(coat.tone);
    return optics && coat.place.kind === "everywhere" && coat.technique !== "pin-wash"
      ? [{ optics, filmUm: filmOf(coat) * GLAZE_SHARE_ON_TEXTURE }]
      : [];
  });
}

/** The job's mixes with those a plan needs, and which mix each tone is; equal mixes are used again. */
export function withMixes(
  job: Job,
  plan: StartPlan,
  surface: Surface,
): { mixes: Mix[]; mixOf: Map<string, string> } {
  const mixes = [...job.mixes];
  const mixOf = new Map<string, string>();
  for (const { key, tone, goal, parts } of plan.tones) {
    const water = plan.coats.find((coat) => coat.tone === key)?.water ?? 1;
    const known = mixes.find(
      (mix) => parts.length > 0 && sameParts(mix.parts, parts) && mix.water > 3 === water > 3,
    );
    if (known) {
      mixOf.set(key, known.id);
      continue;
    }
    let id = `${surface.id}-${key}`;
    for (let number = 2; mixes.some((mix) => mix.id === id); number++) id = `${surface.id}-${key}-${number}`;
    mixOf.set(key, id);
    const name = `${surface.name}: ${tone.name}`.slice(0, 80).trim();
    mixes.push({ id, name, parts: [...parts], water, goal: tone.clear ? null : goal });
  }
  return { mixes, mixOf };
}

/** The coats of a plan on a surface. */
export function coatsOf(plan: StartPlan, surface: Surface, mixOf: ReadonlyMap<string, string>): Coat[] {
  const idOf = (key: string) => `${surface.id}-${key}`;
  return plan.coats.map((coat) => {
    const { place } = coat;
    const technique = techniques[coat.technique];
    return {
      id: idOf(coat.key),
      name: coat.name,
      technique: { id: coat.technique, version: technique.version, params: { ...coat.params } },
      mixId: mixOf.get(coat.tone) ?? "",
      water: coat.water,
      passes: coat.passes ?? 1,
      held: false,
      place:
        place.kind === "zones" && place.near
          ? { ...place, near: { ...place.near, coatId: idOf(place.near.coatId) } }
          : place,
      event: coat.event ?? null,
      role: null,
      overSeams: false,
      // Marks of one seed fall at the same places.
      seed: hashText(`${surface.id}/${surface.seed}/${coat.marksOf ?? coat.key}`) % 100000,
    };
  });
}

/**
 * Starts a surface from a plan: its coats are replaced, mixes it lacks are added, a pattern is taken off. What was
 * painted before stays in the job's steps back.
 */
export function startSurface(job: Job, surfaceId: string, plan: StartPlan): Job {
  const surface = job.surfaces.find((one) => one.id === surfaceId);
  if (!surface) return job;
  const { mixes, mixOf } = withMixes(job, plan, surface);
  const coats = coatsOf(plan, surface, mixOf);
  return {
    ...job,
    mixes,
    surfaces: job.surfaces.map((one) =>
      one.id === surfaceId
        ? { ...one, volumes: plan.volumes, hide: one.hide ?? plan.hide, pattern: null, coats, parked: [] }
        : one,
    ),
  };
}
