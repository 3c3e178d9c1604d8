import { InputError } from "../../errors";
import { hash01 } from "../../random";
import { defineForm } from "./form";
import { buildSheet, softNoise } from "./sheet";
import { sizeProblems } from "./sizes";

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
  params,
  problems: (values) => sizeProblems(params, values),
  build(values, seed) {
    const wrong = sizeProblems(params, values);
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
