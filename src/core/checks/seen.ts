import type { EventId } from "../ageing/events";
import { chromaOf, spectrumToLab, type Triple } from "../colour/spaces";
import { mixById, type Coat, type Surface } from "../job";
import { formatNumber } from "../units";
import type { Zone } from "../surface/zoneNames";
import { familyIn } from "../patterns";
import { isUnseen } from "../patterns/pattern";
import { isTechniqueId, techniques } from "../techniques";
import { masstone } from "../colour/film";
import { opticsOfMix } from "../colour/appearance";
import type { Check, CheckContext } from "./check";
import { coatChange, type CheckResult, type Finding, type Remedy } from "./finding";

type SeenId = "unseen" | "buried" | "base-hue";

/** What a simulated coat did; measured on the picture, so these verdicts come once it is painted. */
export interface SeenCoat {
  readonly coatId: string;
  readonly coveredShare: number;
  readonly showing: number;
  readonly change: number;
  readonly above: readonly { readonly coatId: string; readonly hides: number }[];
}

/** How the finished surface reads against its base coat. */
export interface BaseHue {
  /** Share of the surface, 0…1, whose hue is within BASE_HUE_DEG of the base's own, or that is as grey as it. */
  readonly share: number;
  /** Mean hue of the finished surface and hue of the base, degrees. */
  readonly meanDeg: number;
  readonly baseDeg: number;
  readonly baseChroma: number;
}

export const BASE_HUE_DEG = 22;
/** Below this chroma a colour has no hue to speak of. */
const GREY = 6;

/** A change of its ground below this (CIEDE2000) is not seen. */
const UNSEEN = 1.5;
/** A coat of which less than this share still shows was painted in vain. */
const BURIED_SHARE = 0.08;
/** Below this share the base no longer reads. */
const LEAST_BASE = 0.5;

/** Hue angle, degrees, 0 to 360. */
export const hueOf = ([, a, b]: Triple): number => ((Math.atan2(b, a) * 180) / Math.PI + 360) % 360;
const hueApart = (a: number, b: number) => Math.abs(((a - b + 540) % 360) - 180);

/**
 * How far a base's hue still reads on a finished surface.
 * @param base L*a*b* of the base coat
 * @param cells L*a*b* of places on the surface with their weight
 */
export function baseHueOf(base: Triple, cells: Iterable<readonly [lab: Triple, weight: number]>): BaseHue {
  let [x, y, same, all] = [0, 0, 0, 0];
  const [baseDeg, baseChroma] = [hueOf(base), chromaOf(base)];
  for (const [lab, weight] of cells) {
    all += weight;
    x += weight * lab[1];
    y += weight * lab[2];
    const greys = baseChroma < GREY && chromaOf(lab) < GREY;
    if (greys || (chromaOf(lab) >= GREY / 2 && hueApart(hueOf(lab), baseDeg) <= BASE_HUE_DEG)) same += weight;
  }
  return { share: all > 0 ? same / all : 0, meanDeg: hueOf([0, x, y]), baseDeg, baseChroma };
}

const holdBack = (surface: Surface, coat: Coat): Remedy => ({
  label: "Hold it back",
  changes: [{ path: ["surfaces", surface.id, "coats", coat.id, "held"], value: true }],
});

const percent = (share: number) => `${formatNumber(share * 100, share < 0.1 ? 1 : 0)}\u202f%`;

/** Varnish, guides and their like. */
function notThereToBeSeen(surface: Surface, coat: Coat): boolean {
  const { id } = coat.technique;
  return (isTechniqueId(id) && techniques[id].unseen === true) || isUnseen(familyIn(surface), coat);
}

type Seen = CheckResult & { readonly check: SeenId };

/** A coat that makes no difference to what it lies on. */
const unseen = (surface: Surface, coat: Coat, { change }: SeenCoat): Seen => ({
  ...{
    check: "unseen",
    key: coat.id,
    gravity: "look",
    coatId: coat.id,
    where: `${surface.name}, ${coat.name}`,
  },
  sentence: `${coat.name} changes what it lies on by ${formatNumber(change, 1)} at most, which no eye sees.`,
  reason: `A difference below ${formatNumber(UNSEEN, 1)} (CIEDE2000) is lost; the two tones are too close, or the film is too thin.`,
  remedies: [
    {
      label: "One pass more",
      changes: [coatChange(surface.id, coat.id, "passes", Math.min(12, coat.passes + 1))],
    },
    holdBack(surface, coat),
  ],
});

/** A coat of which nothing lands anywhere: its place has no stripe, patch or hollow here. */
const laysNothing = (surface: Surface, coat: Coat): Seen => ({
  ...{
    check: "unseen",
    key: coat.id,
    gravity: "look",
    coatId: coat.id,
    where: `${surface.name}, ${coat.name}`,
  },
  sentence: `${coat.name} lays nothing: there is no place for it on this piece.`,
  reason: "What it goes on is not there, was left out as too fine, or lies beside the piece.",
  remedies: [holdBack(surface, coat)],
});

const overOf = ({ above }: SeenCoat) => [...above].sort((a, b) => b.hides - a.hides)[0]?.coatId ?? null;

/** A coat of which little is left when all is dry. */
function buried(surface: Surface, coat: Coat, effect: SeenCoat): Seen {
  const name = surface.coats.find((one) => one.id === overOf(effect))?.name;
  return {
    ...{
      check: "buried",
      key: coat.id,
      gravity: "look",
      coatId: coat.id,
      where: `${surface.name}, ${coat.name}`,
    },
    sentence: `Only ${percent(effect.showing / effect.coveredShare)} of ${coat.name} still shows when all is dry.`,
    reason: name ? `${name} covers most of it.` : "Later coats cover it.",
    remedies: [holdBack(surface, coat)],
  };
}

/** From so many on, coats buried by one and the same are one finding about that one. */
const MANY = 3;

/** Several coats that one later coat buries: it was left to the last, or put on too thick. */
function buriesMany(surface: Surface, over: Coat, coats: readonly Coat[]): Seen {
  const names = coats.map(({ name }) => name);
  return {
    ...{
      check: "buried",
      key: over.id,
      gravity: "look",
      coatId: over.id,
      where: `${surface.name}, ${over.name}`,
    },
    sentence: `${over.name} buries ${coats.length} coats: ${names.slice(0, 4).join(", ")}${names.length > 4 ? " and others" : ""}.`,
    reason: `It comes after them and covers what they did. Move ${over.name} before ${coats[0]!.name}, or hold it back.`,
    remedies: [holdBack(surface, over)],
  };
}

/** Buried coats, those that one coat buries taken together. */
function buriedResults(surface: Surface, found: readonly { coat: Coat; effect: SeenCoat }[]): Seen[] {
  const overs = new Set(found.map(({ effect }) => overOf(effect)));
  return [...overs].flatMap((overId): Seen[] => {
    const list = found.filter(({ effect }) => overOf(effect) === overId);
    const over = surface.coats.find((coat) => coat.id === overId);
    if (!over || list.length < MANY) return list.map(({ coat, effect }) => buried(surface, coat, effect));
    const coats = list.map(({ coat }) => coat);
    return [buriesMany(surface, over, coats)];
  });
}

/** Ways of laying a ground: what is laid so before the base proper is an undercoat, there to be covered. */
const GROUNDS: ReadonlySet<string> = new Set(["base-coat", "airbrush", "texture-paste"]);

/** Places of a body that have a base of their own where a layer goes on them: a belly, a saddle. */
const OF_BODY: ReadonlySet<Zone> = new Set(["back", "crest", "front", "flank", "belly", "off-belly"]);

/** A body in two colours: another base lies on part of the first. */
const isSecondBase = ({ place, technique, passes }: Coat): boolean =>
  place.kind === "zones" &&
  place.fade === 0 &&
  place.zones.some((zone) => OF_BODY.has(zone)) &&
  (technique.id === "layer" || GROUNDS.has(technique.id)) &&
  passes > 1;

/** What is meant to lie over the colour something was made in. */
const TAKES_OVER: ReadonlySet<EventId> = new Set(["rusted", "run", "dirtied", "grown", "dusted", "glowing"]);

/** A base whose hue texture or glazes have taken over; null where it still reads. */
function lostHue(surface: Surface, base: Coat | undefined, baseHue: BaseHue | null): Seen | null {
  if (!baseHue || !base || surface.pattern !== null) return null;
  // Skin is meant to move from the shadow's hue to another.
  if (surface.volumes.material === "skin" || surface.coats.some(isSecondBase)) return null;
  // Nor does rust, dirt and dust of a history leave a base its hue, or light of another colour.
  if (surface.coats.some(({ event }) => event !== null && TAKES_OVER.has(event))) return null;
  if (baseHue.baseChroma < GREY || baseHue.share >= LEAST_BASE) return null;
  return {
    ...{ check: "base-hue", key: base.id, gravity: "look", coatId: base.id, where: surface.name },
    sentence: `The hue of ${base.name} reads on ${percent(baseHue.share)} of the surface only.`,
    reason: `Mean hue is ${formatNumber(baseHue.meanDeg, 0)}°, the base's ${formatNumber(baseHue.baseDeg, 0)}°: texture or glazes have taken over. Thin the glazes, or let more of the base show.`,
    remedies: [],
  };
}

/** Where the base lies among the painted coats: the last of those laid all over before anything else. */
export function baseIndex(coats: readonly Coat[]): number {
  const isGround = ({ place, technique }: Coat) => place.kind === "everywhere" && GROUNDS.has(technique.id);
  const first = coats.findIndex((coat) => !isGround(coat));
  return Math.max(0, (first < 0 ? coats.length : first) - 1);
}

/** Verdicts on a surface as it was simulated: coats that are not seen, coats that are buried, a base that is lost. */
export function seenResults(surface: Surface, effects: readonly SeenCoat[], baseHue: BaseHue | null): Seen[] {
  const painted = effects.flatMap((effect) => {
    const coat = surface.coats.find((one) => one.id === effect.coatId);
    return coat ? [{ coat, effect }] : [];
  });
  const base = baseIndex(painted.map(({ coat }) => coat));
  const judged = painted.filter(
    ({ coat, effect }) => effect.coveredShare > 0 && !notThereToBeSeen(surface, coat),
  );
  const isUndercoat = (coat: Coat) => painted.findIndex((one) => one.coat.id === coat.id) < base;
  // The first coat of a cloth is there to be covered, and so are undercoats.
  const isGround = (coat: Coat) =>
    isUndercoat(coat) ||
    coat.technique.id === "texture-paste" ||
    (surface.pattern !== null && coat.id === painted[0]?.coat.id);
  const notSeen = judged.filter(({ coat, effect }) => effect.change < UNSEEN && !isUndercoat(coat));
  const hidden = judged.filter(
    ({ coat, effect }) =>
      effect.change >= UNSEEN && effect.showing / effect.coveredShare < BURIED_SHARE && !isGround(coat),
  );
  const lost = lostHue(surface, painted[base]?.coat, baseHue);
  const empty = painted.filter(({ effect }) => effect.coveredShare === 0);
  return [
    ...empty.map(({ coat }) => laysNothing(surface, coat)),
    ...notSeen.map(({ coat, effect }) => unseen(surface, coat, effect)),
    ...buriedResults(surface, hidden),
    ...(lost ? [lost] : []),
  ];
}

/** The same as findings. */
export const seenFindings = (...args: Parameters<typeof seenResults>): Finding[] =>
  seenResults(...args).map(({ check, key, ...rest }) => ({
    ...rest,
    id: `${args[0].id}/${check}/${key}`,
    surfaceId: args[0].id,
  }));

/** What the verdicts go by: the surface painted on few cells, the same wherever the painter has looked. */
function resultsOf({ job, surface, paints, coats, sampled }: CheckContext): Seen[] {
  const { coats: seen, final } = sampled();
  const base = coats[baseIndex(coats)];
  const mix = base && mixById(job, base.mixId);
  const hue = mix
    ? baseHueOf(
        spectrumToLab(masstone(opticsOfMix(mix, paints))),
        final.map((lab) => [lab, 1] as const),
      )
    : null;
  const effects = seen.map(({ coat, ...effect }) => ({ coatId: coat.id, ...effect }));
  return seenResults(surface, effects, hue);
}

/** One of these verdicts as a check of its own. */
export const seenCheck = (id: SeenId, label: string): Check => ({
  id,
  label,
  run: (context) => resultsOf(context).filter(({ check }) => check === id),
});
