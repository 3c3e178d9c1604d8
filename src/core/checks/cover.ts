import { opticsOfMix } from "../colour/appearance";
import { ciede2000 } from "../colour/difference";
import { layFilm, masstone } from "../colour/film";
import { spectrumToLab } from "../colour/spaces";
import { mixById } from "../job";
import { brushedPassUm } from "../colour/mix";
import { counted, formatNumber, formatThinning } from "../units";
import { isUnseen, placeOf } from "../patterns/pattern";
import type { Check } from "./check";
import { coatChange, type Remedy } from "./finding";
import { coatTones } from "./tones";

/** From this difference (CIEDE2000) on, a light coat over dark no longer looks like its mix. */
const SHORT_BY = 6;
/** A ground at least this much darker (L*) counts as dark under a coat. */
const DARKER_BY = 4;
const MOST_PASSES = 5;

/** Ways of putting paint on that are meant to cover their place. */
const SOLID: ReadonlySet<string> = new Set(["base-coat", "layer", "wet-blend"]);

/** Does a light line or box carry over what lies below, in its planned passes? */
export const cover: Check = {
  id: "cover",
  label: "Light over dark covers",
  run(context) {
    const { job, paints, surface, pattern } = context;
    return coatTones(context).flatMap(({ coat, filmUm, steps }) => {
      const { kind } = coat.place;
      // Broken texture is not meant to cover; only what is laid in one piece is.
      if (kind === "zones" && !SOLID.has(coat.technique.id)) return [];
      if (kind === "hollows" || kind === "everywhere") return [];
      if (isUnseen(pattern?.family ?? null, coat)) return [];
      // What is thinned on purpose lets what it crosses show.
      if (coat.water >= 2 && placeOf(pattern, coat)?.through) return [];
      const optics = opticsOfMix(mixById(job, coat.mixId), paints);
      const goalLab = spectrumToLab(masstone(optics));
      const goal = goalLab[0];
      const darkest = steps.reduce<(typeof steps)[number] | null>(
        (least, step) =>
          !least || spectrumToLab(step.tone.spectrum)[0] < spectrumToLab(least.tone.spectrum)[0]
            ? step
            : least,
        null,
      );
      if (!darkest) return [];
      const gotLab = spectrumToLab(darkest.after);
      const short = ciede2000(gotLab, goalLab);
      const ground = spectrumToLab(darkest.tone.spectrum)[0];
      if (goal - ground < DARKER_BY || short < SHORT_BY) return [];
      const reaches = (water: number, passes: number) =>
        ciede2000(
          spectrumToLab(layFilm(optics, brushedPassUm(water) * passes, darkest.tone.spectrum)),
          goalLab,
        ) < SHORT_BY;
      const remedies: Remedy[] = [];
      for (let passes = coat.passes + 1; passes <= MOST_PASSES; passes++) {
        if (!reaches(coat.water, passes)) continue;
        remedies.push({
          label: `Plan ${counted(passes, "pass", "passes")}`,
          changes: [coatChange(surface.id, coat.id, "passes", passes)],
        });
        break;
      }
      const thicker = [2, 1, 0.5].find((water) => water < coat.water && reaches(water, coat.passes));
      if (thicker !== undefined) {
        remedies.push({
          label: `Thin it ${formatThinning(thicker)}`,
          changes: [coatChange(surface.id, coat.id, "water", thicker)],
        });
      }
      return [
        {
          key: coat.id,
          gravity: short > 18 ? ("must" as const) : ("look" as const),
          coatId: coat.id,
          where: `${surface.name}, ${coat.name}`,
          sentence: `${counted(coat.passes, "pass", "passes")} ${coat.water === 0 ? "unthinned" : `at ${formatThinning(coat.water)}`} over dark ${coat.passes === 1 ? "reaches" : "reach"} L* ${formatNumber(gotLab[0], 0)}, not the ${formatNumber(goal, 0)} of the mix; off by ${formatNumber(short, 1)}.`,
          reason: `${formatNumber(filmUm, 0)} µm of this mix let the ground (L* ${formatNumber(ground, 0)}) show through.`,
          remedies,
        },
      ];
    });
  },
};
