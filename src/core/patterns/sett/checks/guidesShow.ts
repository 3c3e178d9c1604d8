import { opticsOfMix } from "../../../colour/appearance";
import { ciede2000 } from "../../../colour/difference";
import { layFilm } from "../../../colour/film";
import { spectrumToLab } from "../../../colour/spaces";
import { mixById } from "../../../job";
import { counted, formatNumber } from "../../../units";
import { coatChange, type CheckResult } from "../../../checks/finding";
import type { SettCheck } from "../coats";
import { coatTones } from "../../../checks/tones";
import { coversTone, patternKey } from "../../pattern";
import { keyOf } from "../keys";

const GUIDES = keyOf({ kind: "guides" });

/** A difference a painter notices along an edge. */
const NOTICED = 3;

/** Will the guide lines still show when the boxes are filled? */
export const guidesShow: SettCheck = {
  id: "guides-show",
  label: "Guides are covered",
  run(context) {
    const { job, paints, surface, pattern } = context;
    const all = coatTones(context);
    const at = all.findIndex(({ coat }) => patternKey(coat) === GUIDES);
    const guide = all[at];
    if (!guide) return [];
    const guideOptics = opticsOfMix(mixById(job, guide.coat.mixId), paints);
    const later = all.slice(at + 1).filter(({ coat }) => coversTone(pattern, coat));
    const result = (
      key: string,
      where: string,
      sentence: string,
      remedy: CheckResult["remedies"],
    ): CheckResult => ({
      key,
      gravity: "look",
      coatId: guide.coat.id,
      where,
      sentence,
      reason: `Guides are ${formatNumber(guide.filmUm, 1)} µm of a mix unlike what goes over them; from ${NOTICED} (CIEDE2000) on a line is noticed.`,
      remedies: remedy,
    });
    if (later.length === 0) {
      return [result("bare", "everywhere", "Nothing is painted over the guides: they stay visible.", [])];
    }
    const worst = later
      .flatMap(({ coat, filmUm, steps }) =>
        steps.map(({ tone, after }) => {
          const cover = opticsOfMix(mixById(job, coat.mixId), paints);
          const over = layFilm(cover, filmUm, layFilm(guideOptics, guide.filmUm, tone.spectrum));
          return { coat, difference: ciede2000(spectrumToLab(over), spectrumToLab(after)) };
        }),
      )
      .filter((one) => one.difference > NOTICED)
      .sort((a, b) => b.difference - a.difference)[0];
    if (!worst) return [];
    const thinner = Math.min(8, guide.coat.water + 2);
    return [
      result(
        worst.coat.id,
        `under ${worst.coat.name}`,
        `Guide lines show through ${worst.coat.name} by ${formatNumber(worst.difference, 1)}.`,
        [
          ...(thinner > guide.coat.water
            ? [
                {
                  label: `Thin the guides ${thinner} : 1`,
                  changes: [coatChange(surface.id, guide.coat.id, "water", thinner)],
                },
              ]
            : []),
          {
            label: `${counted(worst.coat.passes + 1, "pass", "passes")} of ${worst.coat.name}`,
            changes: [coatChange(surface.id, worst.coat.id, "passes", worst.coat.passes + 1)],
          },
        ],
      ),
    ];
  },
};
