import { opticsOfMix } from "../../../colour/appearance";
import { ciede2000 } from "../../../colour/difference";
import { layFilm } from "../../../colour/film";
import { spectrumToLab } from "../../../colour/spaces";
import { mixById, type Coat, type Surface } from "../../../job";
import { counted, formatNumber } from "../../../units";
import { coatChange, type CheckResult } from "../../../checks/finding";
import type { SettCheck } from "../coats";
import { coatTones, type CoatTones } from "../../../checks/tones";
import { coversTone, patternKey } from "../../pattern";
import { keyOf } from "../keys";

const GUIDES = keyOf({ kind: "guides" });

/** A difference a painter notices along an edge. */
const NOTICED = 3;

type Context = Parameters<SettCheck["run"]>[0];

/** The later coat through which the guides show most; null where none lets them be noticed. */
function showsMost({ job, paints, pattern }: Context, guide: CoatTones, later: readonly CoatTones[]) {
  const optics = (coat: CoatTones["coat"]) => opticsOfMix(mixById(job, coat.mixId), paints);
  const below = optics(guide.coat);
  const shown = later
    .filter(({ coat }) => coversTone(pattern, coat))
    .flatMap(({ coat, filmUm, steps }) =>
      steps.map(({ tone, after }) => {
        const over = layFilm(optics(coat), filmUm, layFilm(below, guide.filmUm, tone.spectrum));
        return { coat, difference: ciede2000(spectrumToLab(over), spectrumToLab(after)) };
      }),
    );
  const [worst] = shown.sort((a, b) => b.difference - a.difference);
  return worst && worst.difference > NOTICED ? worst : null;
}

/** Thinner guides, or one more pass of what goes over them. */
function remediesFor(surface: Surface, guide: Coat, over: Coat): CheckResult["remedies"] {
  const thinner = Math.min(8, guide.water + 2);
  const passes = over.passes + 1;
  const thin = {
    label: `Thin the guides ${thinner} : 1`,
    changes: [coatChange(surface.id, guide.id, "water", thinner)],
  };
  const more = {
    label: `${counted(passes, "pass", "passes")} of ${over.name}`,
    changes: [coatChange(surface.id, over.id, "passes", passes)],
  };
  return thinner > guide.water ? [thin, more] : [more];
}

/** Will the guide lines still show when the boxes are filled? */
export const guidesShow: SettCheck = {
  id: "guides-show",
  label: "Guides are covered",
  run(context) {
    const all = coatTones(context);
    const at = all.findIndex(({ coat }) => patternKey(coat) === GUIDES);
    const guide = all[at];
    if (!guide) return [];
    const later = all.slice(at + 1);
    const about = {
      gravity: "look" as const,
      coatId: guide.coat.id,
      reason: `Guides are ${formatNumber(guide.filmUm, 1)} µm of a mix unlike what goes over them; from ${NOTICED} (CIEDE2000) on a line is noticed.`,
    };
    if (!later.some(({ coat }) => coversTone(context.pattern, coat))) {
      const sentence = "Nothing is painted over the guides: they stay visible.";
      return [{ ...about, key: "bare", where: "everywhere", sentence, remedies: [] }];
    }
    const worst = showsMost(context, guide, later);
    if (!worst) return [];
    const { coat, difference } = worst;
    return [
      {
        ...about,
        key: coat.id,
        where: `under ${coat.name}`,
        sentence: `Guide lines show through ${coat.name} by ${formatNumber(difference, 1)}.`,
        remedies: remediesFor(context.surface, guide.coat, coat),
      },
    ];
  },
};
