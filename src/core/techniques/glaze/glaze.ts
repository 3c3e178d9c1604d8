import { fieldsOf } from "../../surface/fields";
import { addFilm, defineTechnique, eachCell, placeWeights } from "../technique";
import { cloud, streak } from "../texture";

/** What stays on a ridge of a glaze that is drawn into the folds altogether, against what lies in them. */
const RIDGE_SHARE = 0.04;

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
      about: "0 leaves an even film; 100 carries almost all of it from the ridges into the folds.",
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
  // Laid evenly, as questions about glazes reckon; drawing it into the folds is the painter's to choose.
  startParams: { pull: 0 },
  bench: {
    tool: "soft round brush, wiped once",
    how: "Draw one thin film out over the place and leave it; let it dry before the next.",
    lookAt: "What lies below still reads; no pool, no tide mark. Wick up what gathers while it is wet.",
    trial: "On a spare piece in the same tones: one film, dried. It must be seen, and no more than that.",
  },
  caution: null,
  lay(film, context, params, random) {
    const { grid, passUm, passes } = context;
    const pull = params.pull / 100;
    const uneven = params.unevenness / 100;
    const { low } = fieldsOf(grid);
    const weights = placeWeights(context);
    const drawn = (at: number) => 1 - pull + pull * (RIDGE_SHARE + low[at]!);
    // What is drawn into the folds is taken from the ridges: the film's mean over its place stays what was laid.
    let [place, laid] = [0, 0];
    for (let at = 0; at < weights.length; at++) {
      const weight = weights[at]! * grid.inside[at]!;
      place += weight;
      laid += weight * drawn(at);
    }
    const um = laid > 0 ? (passUm * passes * place) / laid : 0;
    eachCell(context, random, (at, x, y, weight) => {
      const vary = 1 + uneven * (0.4 * streak(x, y) + cloud(x, y));
      addFilm(film, at, um * drawn(at) * weight * Math.max(0.1, vary), grid.inside[at]!);
    });
  },
});
