import { opticsOfMix } from "../colour/appearance";
import { ciede2000 } from "../colour/difference";
import { layFilm, masstone } from "../colour/film";
import { spectrumToLab } from "../colour/spaces";
import { mixById, type Coat, type Surface } from "../job";
import { coatPassUm } from "../techniques/passUm";
import { counted, formatNumber, formatThinning } from "../units";
import { isUnseen, placeOf } from "../patterns/pattern";
import { familyIn } from "../patterns";
import type { Check, CheckContext } from "./check";
import { coatChange, type CheckResult, type Remedy } from "./finding";
import { coatTones, type CoatTones } from "./tones";

/** From this difference (CIEDE2000) on, a light coat over dark no longer looks like its mix. */
const SHORT_BY = 6;
/** A ground at least this much darker (L*) counts as dark under a coat. */
const DARKER_BY = 4;
const MOST_PASSES = 5;

/** Ways of putting paint on that are meant to cover their place. */
const SOLID: ReadonlySet<string> = new Set(["base-coat", "layer", "wet-blend"]);

/** Whether a coat is one that is meant to cover what it lies on. */
function meantToCover({ surface, pattern }: CheckContext, coat: Coat): boolean {
  const { kind } = coat.place;
  // Broken texture is not meant to cover; only what is laid in one piece is.
  if (kind === "zones" && !SOLID.has(coat.technique.id)) return false;
  if (kind === "hollows") return false;
  // Light that is painted lets what it falls on show.
  if (coat.event === "glowing" && kind === "zones" && coat.place.shed) return false;
  // What is laid all over is the colour the rest is painted on, however thin it was made.
  if (kind === "everywhere") return coat.technique.id === "base-coat";
  if (isUnseen(familyIn(surface), coat)) return false;
  if (placeOf(pattern, coat)?.lays === "field" && !SOLID.has(coat.technique.id)) return false;
  // What is thinned on purpose lets what it crosses show.
  return !(coat.water >= 2 && placeOf(pattern, coat)?.through);
}

type Step = CoatTones["steps"][number];
const lightnessOf = (step: Step) => spectrumToLab(step.tone.spectrum)[0];

/** More passes, or less water, that would carry a mix over a ground. */
function remediesFor(
  surface: Surface,
  coat: Coat,
  reaches: (water: number, passes: number) => boolean,
): Remedy[] {
  const more = Array.from(
    { length: Math.max(0, MOST_PASSES - coat.passes) },
    (_, at) => coat.passes + at + 1,
  );
  const passes = more.find((count) => reaches(coat.water, count));
  const thicker = [4, 3, 2, 1, 0.5, 0].find((water) => water < coat.water && reaches(water, coat.passes));
  const remedy = (label: string, key: string, value: number) => ({
    label,
    changes: [coatChange(surface.id, coat.id, key, value)],
  });
  return [
    ...(passes === undefined ? [] : [remedy(`Plan ${counted(passes, "pass", "passes")}`, "passes", passes)]),
    ...(thicker === undefined
      ? []
      : [
          remedy(
            thicker === 0 ? "No water in it" : `Less water: ${formatThinning(thicker)}`,
            "water",
            thicker,
          ),
        ]),
  ];
}

/** What is wrong with one coat over the darkest tone it lies on; null where it covers. */
function shortfall(
  { job, paints, surface }: CheckContext,
  { coat, filmUm, steps }: CoatTones,
): CheckResult | null {
  const darkest = steps.reduce<Step | null>(
    (least, step) => (!least || lightnessOf(step) < lightnessOf(least) ? step : least),
    null,
  );
  if (!darkest) return null;
  const optics = opticsOfMix(mixById(job, coat.mixId), paints);
  const goal = spectrumToLab(masstone(optics));
  const got = spectrumToLab(darkest.after);
  const short = ciede2000(got, goal);
  const ground = lightnessOf(darkest);
  if (goal[0] - ground < DARKER_BY || short < SHORT_BY) return null;
  const reaches = (water: number, passes: number) => {
    const film = layFilm(optics, coatPassUm({ ...coat, water }) * passes, darkest.tone.spectrum);
    return ciede2000(spectrumToLab(film), goal) < SHORT_BY;
  };
  const thinned = coat.water === 0 ? "unthinned" : `at ${formatThinning(coat.water)}`;
  const reach = coat.passes === 1 ? "reaches" : "reach";
  return {
    key: coat.id,
    gravity: short > 18 ? "must" : "look",
    coatId: coat.id,
    where: `${surface.name}, ${coat.name}`,
    sentence: `${counted(coat.passes, "pass", "passes")} ${thinned} over dark ${reach} L* ${formatNumber(got[0], 0)}, not the ${formatNumber(goal[0], 0)} of the mix; off by ${formatNumber(short, 1)}.`,
    reason: `${formatNumber(filmUm, 0)} µm of this mix let the ground (L* ${formatNumber(ground, 0)}) show through.`,
    remedies: remediesFor(surface, coat, reaches),
  };
}

/** Does a light line or box carry over what lies below, in its planned passes? */
export const cover: Check = {
  id: "cover",
  label: "Light over dark covers",
  run: (context) =>
    coatTones(context).flatMap((tones) =>
      meantToCover(context, tones.coat) ? (shortfall(context, tones) ?? []) : [],
    ),
};
