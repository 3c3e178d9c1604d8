import type { Coat } from "../job";
import { formatNumber } from "../units";
import type { Check, CheckContext } from "./check";
import type { CheckResult } from "./finding";

/** So much of a surface may be brighter than the glow before that is told, share; and by so much, L*. */
const [MOST_BRIGHTER, BRIGHTER_BY] = [0.04, 2] as const;
/** A coat that lifts its ground by so much is a light; a glow that hides more of it than this has taken it, L* and share. */
const [LIFT, HIDES] = [8, 0.35] as const;

const isGlow = (coat: Coat): boolean =>
  coat.event === "glowing" && coat.place.kind === "zones" && coat.place.shed !== null;

const percent = (share: number): string => `${formatNumber(100 * share, 0)} %`;

/** Parts of the surface that outshine its glow. */
function outshone({ surface, sampled }: CheckContext): CheckResult[] {
  const { coats, final } = sampled();
  const glows = coats.filter(({ coat, coveredShare }) => isGlow(coat) && coveredShare > 0);
  const brightest = glows.reduce((most, one) => (one.after[0] > most.after[0] ? one : most), glows[0]!);
  const [glow] = brightest.after;
  const brighter = final.filter(([l]) => l > glow + BRIGHTER_BY).length / Math.max(1, final.length);
  if (brighter < MOST_BRIGHTER) return [];
  return [
    {
      ...{ key: "outshone", gravity: "note", coatId: brightest.coat.id, where: surface.name },
      sentence: `${percent(brighter)} of ${surface.name} is brighter than its glow, which comes to L* ${formatNumber(glow, 0)}.`,
      reason:
        "A painted light reads as one where nothing beside it is as bright: it costs the other lights their brightness. Take them down with a thin glaze of shade, or let the light be strong.",
      remedies: [],
    },
  ];
}

/** Lights painted before that the glow hides. */
function taken({ surface, sampled }: CheckContext): CheckResult[] {
  const { coats } = sampled();
  const glows = new Set(coats.filter(({ coat }) => isGlow(coat)).map(({ coat }) => coat.id));
  return coats.flatMap(({ coat, before, after, above }): CheckResult[] => {
    const hidden = above.filter(({ coatId }) => glows.has(coatId)).reduce((sum, { hides }) => sum + hides, 0);
    if (glows.has(coat.id) || after[0] - before[0] < LIFT || hidden < HIDES) return [];
    return [
      {
        ...{
          key: `${coat.id}-taken`,
          gravity: "note",
          coatId: coat.id,
          where: `${surface.name}, ${coat.name}`,
        },
        sentence: `The painted light hides ${percent(Math.min(1, hidden))} of ${coat.name}.`,
        reason:
          "Light and shade of the lamp give way where the painted light falls: less of them need be painted there.",
        remedies: [],
      },
    ];
  });
}

/** What does a painted light cost the other lights? */
export const glowOutshone: Check = {
  id: "glow-outshone",
  label: "What a painted light costs the others",
  concerns: (_form, { coats }) => coats.some(isGlow),
  run: (context) =>
    context.coats.some(isGlow) &&
    context.sampled().coats.some(({ coat, coveredShare }) => isGlow(coat) && coveredShare > 0)
      ? [...outshone(context), ...taken(context)]
      : [],
};
