import { InputError } from "../../errors";
import { hash01 } from "../../random";
import { defineForm } from "./form";
import { buildSheet, softNoise } from "./sheet";
import { roomProblem, sizeProblems } from "./sizes";

const params = {
  lengthMm: {
    label: "Length",
    unit: "mm",
    range: [2, 150],
    step: 0.5,
    default: 16,
    about: "Lay a strip of paper along the longer side, following the surface.",
  },
  widthMm: {
    label: "Width",
    unit: "mm",
    range: [2, 150],
    step: 0.5,
    default: 12,
    about: "The same across.",
  },
  dents: {
    label: "Unevenness",
    unit: "mm",
    range: [0, 1],
    step: 0.02,
    default: 0.06,
    about: "How far soft dents and swellings go up and down, by eye or with a pin.",
  },
} as const;

/** A plain piece: a satchel's flap, a plate, a patch of ground. */
export const panel = defineForm({
  id: "panel",
  version: 1,
  label: "Flat piece",
  about: "A plain rectangle with soft dents: a flap, a plate, a board.",
  worn: { seats: ["hull", "back", "chest", "left-flank", "roof"], by: "middle", how: "on" },
  params,
  problems(values) {
    const found = sizeProblems(params, values);
    if (found.length > 0) return found;
    const narrow = Math.min(values.lengthMm, values.widthMm);
    return roomProblem(
      "dents",
      values.dents,
      0.1 * narrow,
      `A piece ${narrow} mm across is flat within a tenth of that; dents`,
    );
  },
  build(values, seed) {
    const wrong = panel.problems(values);
    if (wrong.length > 0) throw new InputError(wrong);
    const wide = softNoise(seed, 3.4, hash01);
    const fine = softNoise(seed + 1, 1.1, hash01);
    return buildSheet({
      id: "panel",
      lengthMm: values.lengthMm,
      widthMm: values.widthMm,
      relief: (x, y) => values.dents * (wide(x, y) + 0.35 * fine(x, y)),
    });
  },
});
