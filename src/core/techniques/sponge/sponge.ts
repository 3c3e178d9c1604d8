import { fieldsOf } from "../../surface/fields";
import { upperQuantile } from "../../surface/quantile";
import { clamp } from "../../units";
import { bristleGaps } from "../envelope";
import { bristleKernel } from "../bristleKernel";
import {
  addFilm,
  cellPlaces,
  defineTechnique,
  edgeSoftMm,
  layPasses,
  placeWeights,
  type CellPlaces,
  LEAST_SHARE,
  type FilmBuffer,
  type LayContext,
} from "../technique";
import { specksPerMm } from "../texture";

/** A torn sponge bridges hollows about this wide, mm, and is pressed this deep into them, mm. */
const SPONGE_MM = 2.5;
const PRESS_MM = 0.09;

/** A torn bit of sponge dabbed on: clustered chips and speckle where it touches. */
export const sponge = defineTechnique({
  id: "sponge",
  version: 1,
  label: "Sponge",
  about: "A torn bit of sponge, dabbed off and pressed on: clusters of chips and specks, most on edges.",
  params: {
    coverage: {
      label: "Covered",
      unit: "%",
      range: [0.5, 60],
      step: 0.5,
      default: 8,
      about:
        "Share of the place that is specks after one pass; a well dabbed-off sponge leaves a few per cent.",
    },
    pore: {
      label: "Size of the pores",
      unit: "mm",
      range: [0.06, 1.2],
      step: 0.02,
      default: 0.2,
      about: "Of the sponge's own texture: packing foam is fine, a bath sponge coarse.",
    },
    clusters: {
      label: "In clusters",
      unit: "%",
      range: [0, 100],
      step: 5,
      default: 60,
      about: "0 spreads the specks evenly, 100 crowds them where single dabs fell.",
    },
    edges: {
      label: "Keeps to edges",
      unit: "%",
      range: [0, 100],
      step: 5,
      default: 40,
      about: "How much more an edge takes than open ground.",
    },
  },
  lays: ["field"],
  filmShare: 0.55,
  startWater: 0.5,
  bench: {
    tool: "torn bit of sponge held with tweezers",
    how: "Dip, dab off on cloth until it hardly marks, then press lightly, turning it each time.",
    lookAt: "Clusters of chips, most on edges; no print of the sponge twice.",
  },
  caution: null,
  feels: true,
  lay(film, context, params, random) {
    const gaps = bristleGaps(context.grid, context.heightMm(), SPONGE_MM);
    const weights = placeWeights(context);
    layPasses(film, context.passes, random, (one, own) =>
      dabOver(one, context, params, gaps, cellPlaces(context, own, weights)),
    );
  },
});

interface Dabs {
  readonly coverage: number;
  readonly pore: number;
  readonly clusters: number;
  readonly edges: number;
}

/** One pass with the sponge, turned anew. */
function dabOver(
  film: FilmBuffer,
  context: LayContext,
  params: Dabs,
  gaps: Float32Array,
  places: CellPlaces,
): void {
  const { grid, passUm, water } = context;
  const { edge } = fieldsOf(grid);
  const sharp = params.pore / Math.max(grid.pitchMm, 0.4 * params.pore + edgeSoftMm(water));
  const { inside } = grid;
  const { weights } = places;
  const score = bristleKernel().dab(
    { ...places, gaps, inside: grid.inside, edges: edge },
    {
      poresPerMm: specksPerMm(params.pore),
      crowd: 1.6 * (params.clusters / 100),
      toEdges: 3 * (params.edges / 100),
      pressMm: PRESS_MM,
    },
  );
  const cells = new Int32Array(inside.length);
  let count = 0;
  for (let at = 0; at < inside.length; at++) {
    if (inside[at] === 0 || weights[at]! < LEAST_SHARE) continue;
    score[count] = score[at]!;
    cells[count++] = at;
  }
  const limit = upperQuantile(score.subarray(0, count), params.coverage / 100, cells, weights);
  for (let k = 0; k < count; k++) {
    const above = score[k]! - limit;
    const cover = clamp(0.5 + above * sharp, 0, 1);
    if (cover <= 0.004) continue;
    // Paint beads towards the middle of a speck.
    const um = passUm * (0.75 + 0.35 * clamp(above, 0, 1));
    addFilm(film, cells[k]!, um, cover * inside[cells[k]!]!);
  }
}
