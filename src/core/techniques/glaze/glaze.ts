import { addFilm, defineTechnique, eachCell } from "../technique";
import { cloud, streak } from "../texture";

/** A thin transparent coat, drawn with the brush into the hollows. */
export const glaze = defineTechnique({
  id: "glaze",
  version: 1,
  label: "Glaze",
  about: "A thin transparent film, drawn into the folds so that they darken and the ridges stay.",
  params: {
    pull: {
      label: "Drawn into the folds",
      unit: "%",
      range: [0, 100],
      step: 5,
      default: 80,
      about: "0 leaves an even film, 100 leaves almost none on the ridges.",
    },
    unevenness: {
      label: "Unevenness",
      unit: "%",
      range: [0, 60],
      step: 1,
      default: 15,
      about: "How much the film varies from place to place.",
    },
  },
  lays: ["field"],
  // A glaze is wiped thin: less wet film than a brushed coat.
  filmShare: 0.55,
  startWater: 5,
  startPlace: { kind: "hollows" },
  caution: null,
  lay(film, context, params, random) {
    const { grid, passUm, passes, marks } = context;
    const pull = params.pull / 100;
    const uneven = params.unevenness / 100;
    // Drawn into the folds a glaze thins out towards the ridges by its pull; kept to a place, by the place.
    const byPlace = marks.kind === "field" && !marks.hollowsOnly;
    const everywhere = byPlace
      ? context
      : { ...context, marks: { kind: "field", hollowsOnly: false } as const };
    const { inside, hollow } = grid;
    eachCell(everywhere, random, (at, x, y, weight) => {
      const low = hollow[at]!;
      if (!byPlace && low < 0.02 && pull === 1) return;
      const share = 1 - pull + pull * (0.08 + 1.9 * low);
      const vary = 1 + uneven * (0.4 * streak(x, y) + cloud(x, y));
      addFilm(film, at, passUm * passes * share * weight * Math.max(0.1, vary), inside[at]!);
    });
  },
});
