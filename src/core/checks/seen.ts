import { chromaOf, type Triple } from "../colour/spaces";
import type { Coat, Surface } from "../job";
import { formatNumber } from "../units";
import { familyIn } from "../patterns";
import { isUnseen } from "../patterns/pattern";
import { isTechniqueId, techniques } from "../techniques";
import { coatChange, type Finding, type Remedy } from "./finding";

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

/** A coat that makes no difference to what it lies on. */
const unseen = (surface: Surface, coat: Coat, { change }: SeenCoat): Finding => ({
  id: `${surface.id}/unseen/${coat.id}`,
  gravity: "look",
  surfaceId: surface.id,
  coatId: coat.id,
  where: `${surface.name}, ${coat.name}`,
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

/** A coat of which little is left when all is dry. */
function buried(surface: Surface, coat: Coat, effect: SeenCoat): Finding {
  const over = [...effect.above].sort((a, b) => b.hides - a.hides)[0];
  const name = surface.coats.find((one) => one.id === over?.coatId)?.name;
  return {
    id: `${surface.id}/buried/${coat.id}`,
    gravity: "look",
    surfaceId: surface.id,
    coatId: coat.id,
    where: `${surface.name}, ${coat.name}`,
    sentence: `Only ${percent(effect.showing / effect.coveredShare)} of ${coat.name} still shows when all is dry.`,
    reason: name ? `${name} covers most of it.` : "Later coats cover it.",
    remedies: [holdBack(surface, coat)],
  };
}

/** A base whose hue texture or glazes have taken over; null where it still reads. */
function lostHue(surface: Surface, first: Coat | undefined, baseHue: BaseHue | null): Finding | null {
  if (!baseHue || !first || surface.pattern !== null) return null;
  if (baseHue.baseChroma < GREY || baseHue.share >= LEAST_BASE) return null;
  return {
    id: `${surface.id}/base-hue/${first.id}`,
    gravity: "look",
    surfaceId: surface.id,
    coatId: first.id,
    where: surface.name,
    sentence: `The hue of ${first.name} reads on ${percent(baseHue.share)} of the surface only.`,
    reason: `Mean hue is ${formatNumber(baseHue.meanDeg, 0)}°, the base's ${formatNumber(baseHue.baseDeg, 0)}°: texture or glazes have taken over. Thin the glazes, or let more of the base show.`,
    remedies: [],
  };
}

/** Verdicts on a surface as it was simulated: coats that are not seen, coats that are buried, a base that is lost. */
export function seenFindings(
  surface: Surface,
  effects: readonly SeenCoat[],
  baseHue: BaseHue | null,
): Finding[] {
  const coatOf = (effect: SeenCoat | undefined) => surface.coats.find((coat) => coat.id === effect?.coatId);
  const found = effects.flatMap((effect): Finding[] => {
    const coat = coatOf(effect);
    if (!coat || effect.coveredShare === 0 || notThereToBeSeen(surface, coat)) return [];
    if (effect.change < UNSEEN) return [unseen(surface, coat, effect)];
    // The first coat of a cloth is there to be covered.
    const groundOfCloth = surface.pattern !== null && effect === effects[0];
    const shows = effect.showing / effect.coveredShare;
    return shows < BURIED_SHARE && !groundOfCloth ? [buried(surface, coat, effect)] : [];
  });
  const lost = lostHue(surface, coatOf(effects[0]), baseHue);
  return lost ? [...found, lost] : found;
}

/** What these verdicts look at, for the list of what was found in order. */
export const SEEN_CHECKS = [
  { id: "unseen", label: "Every coat is seen over its ground" },
  { id: "buried", label: "No coat is buried" },
  { id: "base-hue", label: "The base's hue still reads" },
] as const;
