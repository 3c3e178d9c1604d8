import { InputError } from "../../errors";
import { hash01 } from "../../random";
import { modulo, smoothstep } from "../../units";
import { defineForm } from "./form";
import { buildSheet, softNoise } from "./sheet";
import { countProblem, roomProblem, sizeProblems } from "./sizes";

const params = {
  lengthMm: {
    label: "Length",
    unit: "mm",
    range: [3, 200],
    step: 0.5,
    default: 22,
    about: "Along the strap as it lies, with a thread laid on it and measured.",
  },
  widthMm: {
    label: "Width",
    unit: "mm",
    range: [0.6, 30],
    step: 0.1,
    default: 3.2,
    about: "From edge to edge, with a ruler or the points of dividers.",
  },
  thicknessMm: {
    label: "Thickness",
    unit: "mm",
    range: [0.1, 3],
    step: 0.05,
    default: 0.45,
    about: "How far it stands off what lies below; the edges are rounded by about half of it.",
  },
  strands: {
    label: "Strands",
    unit: "",
    range: [1, 8],
    step: 1,
    default: 1,
    about: "1 for a plain strap; more for one sewn or braided of cords lying side by side.",
  },
  bends: {
    label: "Creases across",
    unit: "",
    range: [0, 30],
    step: 1,
    default: 3,
    about: "Where it bends over a shoulder or a buckle it creases; count them.",
  },
  stitchMm: {
    label: "Length of a stitch",
    unit: "mm",
    range: [0, 4],
    step: 0.05,
    default: 0.55,
    about: "Of the seams along both edges of a plain strap, from one hole to the next; 0 for none.",
  },
  holes: {
    label: "Holes",
    unit: "",
    range: [0, 30],
    step: 1,
    default: 0,
    about: "Punched along the middle, as on a belt; counted.",
  },
} as const;

/** Cords thinner than this are not cast, and creases lie no closer, mm. */
const LEAST_STRAND_MM = 0.2;
const LEAST_CREASE_MM = 0.5;

/** Stitches lie this far from the edge at most, mm, in a groove; a hole takes this share of the width. */
const STITCH_IN_MM = 0.42;
const HOLE_SHARE = 0.26;

type Values = { readonly [K in keyof typeof params]: number };

/** No edge is cast thinner, mm. */
const LEAST_EDGE_MM = 0.15;

/** Seams along both edges: thread in a groove, stitch by stitch, mm. */
function stitchesOf({ widthMm, thicknessMm, stitchMm, strands }: Values) {
  const inMm = Math.min(STITCH_IN_MM, 0.2 * widthMm);
  const [groove, thread] = [Math.min(0.06, 0.3 * thicknessMm), Math.min(0.085, 0.4 * thicknessMm)];
  return (x: number, y: number): number => {
    const off = Math.min(Math.abs(y - inMm), Math.abs(widthMm - y - inMm));
    if (stitchMm === 0 || strands > 1 || off > 0.3) return 0;
    const within = modulo(x, stitchMm) / stitchMm - 0.5;
    // A stitch leaves a fifth of its length to the holes at its ends.
    const along = Math.max(0, 1 - (within / 0.41) ** 4);
    return thread * along * Math.exp(-((off / 0.07) ** 2)) - groove * Math.exp(-((off / 0.14) ** 2));
  };
}

/** Holes along the middle with the leather pressed in round them, mm. */
function holesOf({ lengthMm, widthMm, thicknessMm, holes }: Values) {
  const radius = Math.min(0.5, (HOLE_SHARE * widthMm) / 2);
  const apart = lengthMm / Math.max(1, holes);
  return (x: number, y: number): number => {
    if (holes === 0) return 0;
    const at = Math.min(holes - 1, Math.max(0, Math.floor(x / apart)));
    const away = Math.hypot(x - (at + 0.5) * apart, y - widthMm / 2) / radius;
    if (away > 2) return 0;
    return (
      -0.85 * thicknessMm * smoothstep(1.08, 0.86, away) - 0.05 * Math.exp(-(((away - 1.15) / 0.3) ** 2))
    );
  };
}

/** A strap or belt: rounded edges, strands, creases where it bends. */
export const strap = defineForm({
  id: "strap",
  version: 2,
  label: "Strap or belt",
  about: "A long narrow piece with rounded edges; plain or of strands, creased where it bends.",
  worn: { seats: ["chest", "waist", "back", "hull"], by: "middle", how: "bent" },
  material: "leather",
  params,
  added: { 2: { stitchMm: 0, holes: 0 } },
  problems(values) {
    const found = sizeProblems(params, values);
    if (found.length > 0) return found;
    const { lengthMm, widthMm, thicknessMm, strands, bends, holes } = values;
    return [
      ...countProblem("holes", holes, lengthMm, Math.max(0.4, 1.6 * HOLE_SHARE * widthMm), "holes"),
      ...countProblem("strands", strands, widthMm, LEAST_STRAND_MM, "strands"),
      ...countProblem("bends", bends, lengthMm, LEAST_CREASE_MM, "creases"),
      ...roomProblem(
        "thicknessMm",
        thicknessMm,
        widthMm,
        `A strap ${widthMm} mm wide is no thicker than that; it`,
      ),
    ];
  },
  build(values, seed) {
    const wrong = strap.problems(values);
    if (wrong.length > 0) throw new InputError(wrong);
    const { lengthMm, widthMm, thicknessMm, strands, bends } = values;
    const round = Math.min(widthMm / strands / 2, thicknessMm);
    const swell = softNoise(seed, 2.2, hash01);
    const creases = Array.from({ length: bends }, (_, at) => ({
      at: ((at + 0.25 + 0.5 * hash01(seed, at, 7)) / bends) * lengthMm,
      lean: 0.5 * (hash01(seed, at, 8) - 0.5),
      deep: thicknessMm * (0.12 + 0.2 * hash01(seed, at, 9)),
    }));
    const strand = widthMm / strands;
    const [stitches, hole] = [stitchesOf(values), holesOf(values)];
    const relief = (x: number, y: number) => {
      const within = strands > 1 ? ((y % strand) + strand) % strand : y;
      const toEdge = Math.max(0, Math.min(within, strand - within, y, widthMm - y));
      const rise = toEdge >= round ? 1 : Math.sqrt(Math.max(0, 1 - (1 - toEdge / round) ** 2));
      let height = thicknessMm * (strands > 1 ? 0.55 + 0.45 * rise : rise) + 0.03 * swell(x, y);
      for (const crease of creases) {
        const off = x - crease.at - crease.lean * (y - widthMm / 2);
        height -= crease.deep * Math.exp(-((off / 0.16) ** 2));
      }
      return height + stitches(x, y) + hole(x, y);
    };
    const sheet = buildSheet({ id: "strap", lengthMm, widthMm, relief });
    return { ...sheet, edgeMm: Math.max(LEAST_EDGE_MM, thicknessMm) };
  },
});
