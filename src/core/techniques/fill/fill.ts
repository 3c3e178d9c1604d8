import { hash01 } from "../../random";
import { fieldsOf } from "../../surface/fields";
import { addFilm, defineTechnique, edgeSoftMm, wobbleMm, type LayContext } from "../technique";
import { cloud, streak } from "../texture";

/** Farthest an edge strays, in wobbles: tremor and drift. */
const MOST_STRAY = 1.95;

/** How far a border strays at a place, in wobbles: a tremor and a slow drift. */
const strayAt = (x: number, y: number): number => 0.5 * cloud(x, y) + 0.28 * cloud(0.37 * y, 0.37 * x);

/** Where a piece's own stray is read, so that neighbours neither gape nor lap in step, mm. */
const ownShift = (seed: number, piece: number): number => hash01(seed, piece) * 9;

/** Mean stray along all borders: a hand that errs outwards here errs inwards there, so that no colour grows by it. */
function meanStray({ grid, marks }: LayContext, shift: number, seed: number, nearMm: number): number {
  if (marks.kind !== "regions") return 0;
  const { number, depthMm } = marks.regions;
  const { along, up } = fieldsOf(grid);
  let [sum, count] = [0, 0];
  for (let at = 0; at < depthMm.length; at++) {
    if (Math.abs(depthMm[at]!) > nearMm || grid.inside[at] === 0) continue;
    sum += strayAt(along[at]! + shift, up[at]! + shift + ownShift(seed, number[at]!));
    count++;
  }
  return count > 0 ? sum / count : 0;
}

/** Pieces of a pattern, each filled with a few dabs inside its border. */
export const fill = defineTechnique({
  id: "fill",
  version: 1,
  label: "Fill pieces",
  about: "Fills piece by piece (boxes, bands, patches), borders by hand, the middle with a few dabs.",
  params: {
    inset: {
      label: "Kept off the edge",
      unit: "mm",
      range: [-0.1, 0.2],
      step: 0.01,
      default: 0,
      about: "Above 0 leaves a rim of what is below, under 0 laps over it.",
    },
    unevenness: {
      label: "Unevenness",
      unit: "%",
      range: [0, 60],
      step: 1,
      default: 16,
      about: "How much the film varies from dab to dab.",
    },
    soften: {
      label: "Softened border",
      unit: "mm",
      range: [0, 1],
      step: 0.01,
      default: 0,
      about: "How far a second, damp brush draws the border out, here more, there less.",
    },
  },
  lays: ["regions"],
  filmShare: 1,
  bench: {
    tool: "round brush of size 0 with a good point",
    how: "Draw the border of each piece first, then fill it with a few dabs.",
    lookAt: "Borders straight enough to be read, middles even; no piece left out.",
  },
  caution: null,
  lay(film, context, params, random) {
    if (context.marks.kind !== "regions") return;
    const { grid } = context;
    const { number, depthMm } = context.marks.regions;
    const { along, up } = fieldsOf(grid);
    const hard = Math.max(edgeSoftMm(context.water), grid.pitchMm);
    const seed = Math.floor(random.next() * 0x7fffffff);
    const wobble = wobbleMm(context.hand);
    const near = MOST_STRAY * wobble + Math.abs(params.inset) + hard + 1.5 * params.soften;
    const uneven = params.unevenness / 100 / Math.sqrt(context.passes);
    const um = context.passUm * context.passes;
    const shift = random.range(0, 15);
    const mean = meanStray(context, shift, seed, hard);
    for (let at = 0; at < depthMm.length; at++) {
      const straight = depthMm[at]!;
      if (straight < -near || number[at]! < 0) continue;
      const piece = number[at]!;
      const x = along[at]! + shift;
      const y = up[at]! + shift + ownShift(seed, piece);
      let [depth, soft] = [straight - params.inset, hard];
      if (straight < near) {
        depth += wobble * (strayAt(x, y) - mean);
        if (params.soften > 0) soft += params.soften * Math.max(0, 1 + 0.6 * cloud(y * 0.7, x * 0.7));
      }
      const cover = Math.min(1, Math.max(0, depth / soft + 0.5)) * grid.inside[at]!;
      if (cover === 0) continue;
      const dab =
        1 + uneven * (0.75 * streak(x, y) + 0.6 * cloud(x, y) + 1.6 * (hash01(seed, piece, 5) - 0.5));
      // Paint draws up a little against the edge where a stroke ends.
      const rim = depth > 0.6 ? 1 : 1 + 0.22 * Math.exp(-Math.max(0, depth) / 0.06);
      addFilm(film, at, um * Math.max(0.12, dab) * rim, cover);
    }
  },
});
