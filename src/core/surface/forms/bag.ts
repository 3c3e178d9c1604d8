import { InputError } from "../../errors";
import { hash01 } from "../../random";
import { smoothstep } from "../../units";
import { defineForm } from "./form";
import { buildSheet, softNoise } from "./sheet";
import { roomProblem, sizeProblems } from "./sizes";

const params = {
  widthMm: {
    label: "Width",
    unit: "mm",
    range: [2, 80],
    step: 0.5,
    default: 9,
    about: "Across the front, from seam to seam.",
  },
  heightMm: {
    label: "Height",
    unit: "mm",
    range: [2, 80],
    step: 0.5,
    default: 8,
    about: "From the bottom seam to the top of the flap.",
  },
  flap: {
    label: "Flap comes down",
    unit: "%",
    range: [0, 95],
    step: 5,
    default: 55,
    about: "How much of the height the flap covers; 0 for none.",
  },
  bulgeMm: {
    label: "Bulge",
    unit: "mm",
    range: [0, 5],
    step: 0.1,
    default: 0.9,
    about: "How far the filled middle stands out before the seams.",
  },
  folds: {
    label: "Folds",
    unit: "",
    range: [0, 16],
    step: 1,
    default: 4,
    about: "Creases that run from the corners and from under the flap.",
  },
} as const;

/** A satchel or pouch: a bulging front, stitched seams round it, a flap with its own edge, folds from the corners. */
export const bag = defineForm({
  id: "bag",
  version: 1,
  label: "Bag or satchel",
  about: "The front of a filled bag with seams, a flap and folds from its corners.",
  worn: { seats: ["left-hip", "right-hip", "back", "left-flank"], by: "top", how: "on" },
  material: "leather",
  params,
  problems(values) {
    const found = sizeProblems(params, values);
    if (found.length > 0) return found;
    const narrow = Math.min(values.widthMm, values.heightMm);
    return roomProblem(
      "bulgeMm",
      values.bulgeMm,
      0.5 * narrow,
      `A bag ${narrow} mm across bulges by half of that; the bulge`,
    );
  },
  build(values, seed) {
    const wrong = bag.problems(values);
    if (wrong.length > 0) throw new InputError(wrong);
    const { widthMm, heightMm, flap, bulgeMm, folds } = values;
    const swell = softNoise(seed, 2.4, hash01);
    const flapEdge = heightMm * (1 - flap / 100);
    const creases = Array.from({ length: folds }, (_, at) => {
      const left = at % 2 === 0;
      return {
        x: left ? 0 : widthMm,
        y: hash01(seed, at, 1) < 0.6 ? 0 : flapEdge,
        way: (left ? 1 : -1) * (0.3 + 0.9 * hash01(seed, at, 2)),
        long: 0.35 + 0.4 * hash01(seed, at, 3),
      };
    });
    const relief = (x: number, y: number) => {
      const [u, v] = [(2 * x) / widthMm - 1, (2 * y) / heightMm - 1];
      let height = bulgeMm * (1 - u * u) * (1 - 0.75 * v * v) + 0.06 * swell(x, y);
      for (const crease of creases) {
        const side = crease.x === 0 ? 1 : -1;
        const [along, off] = [
          (x - crease.x) * side * Math.cos(crease.way) + (y - crease.y) * Math.abs(Math.sin(crease.way)),
          (y - crease.y) * Math.cos(crease.way) - (x - crease.x) * side * Math.abs(Math.sin(crease.way)),
        ];
        const fade = smoothstep(crease.long * widthMm, 0, along) * smoothstep(-0.3, 0.2, along);
        height += fade * 0.2 * (0.6 * Math.exp(-((off / 0.5) ** 2)) - Math.exp(-((off / 0.16) ** 2)));
      }
      // Stitched seam: a groove a little inside the edge, pricked by its stitches.
      const toEdge = Math.min(x, widthMm - x, y);
      const stitch = 0.5 + 0.5 * Math.cos((2 * Math.PI * (toEdge === y ? x : y)) / 0.55);
      height -= 0.09 * (0.5 + 0.5 * stitch) * Math.exp(-(((toEdge - 0.35) / 0.09) ** 2));
      if (flap > 0) {
        const bow = flapEdge + 0.06 * heightMm * u * u;
        height += 0.28 * smoothstep(bow - 0.08, bow + 0.08, y);
        height -= 0.1 * Math.exp(-(((y - bow + 0.14) / 0.12) ** 2));
      }
      return height;
    };
    return buildSheet({ id: "bag", lengthMm: widthMm, widthMm: heightMm, relief, seamsMm: [0, widthMm] });
  },
});
