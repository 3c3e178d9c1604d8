import { sizeProblems } from "../../surface/forms/sizes";
import { formatNumber } from "../../units";
import type { Problem } from "../../errors";
import { alsoDrawn } from "../acrossSeam";
import { defineHide } from "../hide";
import { blankSheet, sculptedFrom } from "../sheet";
import { drawScale } from "./draw";
import { platesOn, scalesOn } from "./rows";

const params = {
  width: {
    label: "Width of a scale",
    unit: "mm",
    range: [0.3, 6],
    step: 0.05,
    default: 1.1,
    about: "Across the largest ones, on the flanks where the body is thickest; they shrink with its girth.",
  },
  long: {
    label: "Rows lie apart",
    unit: "%",
    range: [60, 220],
    step: 5,
    default: 128,
    about:
      "From one scale to the next along the body, in hundredths of a scale's width: what is seen of its length.",
  },
  small: {
    label: "Smallest",
    unit: "%",
    range: [25, 100],
    step: 5,
    default: 42,
    about:
      "Along the middle of the back and beside the belly, in hundredths of the largest; 100 makes all alike. On pieces that are open they are.",
  },
  lift: {
    label: "Stands off",
    unit: "mm",
    range: [0, 1],
    step: 0.02,
    default: 0.26,
    about: "How far the free edge of a scale stands above its root, with a pin.",
  },
  keel: {
    label: "Height of the keel",
    unit: "%",
    range: [0, 40],
    step: 1,
    default: 17,
    about: "The ridge along the middle of a scale, in hundredths of its width; 0 is smooth.",
  },
  belly: {
    label: "Width of the belly",
    unit: "%",
    range: [0, 50],
    step: 1,
    default: 26,
    about:
      "How much of the way round the belly's plates take; 0 has scales all round. Pieces that are open have none.",
  },
  bellyAt: {
    label: "Middle of the belly",
    unit: "°",
    range: [0, 360],
    step: 5,
    default: 180,
    about: "Where it lies, degrees round from the seam behind: 180 is in front.",
  },
  plates: {
    label: "Belly plates lie apart",
    unit: "mm",
    range: [0.5, 8],
    step: 0.1,
    default: 1.7,
    about: "From one wide plate to the next, where the body is thickest.",
  },
  unlike: {
    label: "Unlike each other",
    unit: "%",
    range: [0, 100],
    step: 5,
    default: 50,
    about: "How far scales differ in size, turn and place.",
  },
  lower: {
    label: "Small scales, lower end",
    unit: "%",
    range: [0, 50],
    step: 1,
    default: 0,
    about: "Over how much of the length from its lower end: where a limb joins, or at a wrist. 0 has none.",
  },
  upper: {
    label: "Small scales, upper end",
    unit: "%",
    range: [0, 50],
    step: 1,
    default: 0,
    about: "The same from its upper end: a shoulder, or the face of a head that is worn lying. 0 has none.",
  },
  bend: {
    label: "Small scales, at its bend",
    unit: "%",
    range: [0, 60],
    step: 1,
    default: 0,
    about: "Over how much of the length round its middle, as at an elbow or a knee. 0 has none.",
  },
  fine: {
    label: "Small scales, width",
    unit: "%",
    range: [25, 100],
    step: 5,
    default: 45,
    about: "Of small scales at ends and bend, in hundredths of the largest.",
  },
  scars: {
    label: "Scarred",
    unit: "%",
    range: [0, 40],
    step: 1,
    default: 0,
    about: "How many scales have a groove across and a broken edge.",
  },
} as const;

/** A scale stands off no further than so much of its width. */
const HIGHEST = 0.5;
/** An ordinary scale's free edge stands off by so much of its width. */
const USUAL_LIFT = 0.24;
/** Between scales the ground lies so far below, in lifts, and at least so far, mm. */
const [BELOW, LEAST_BELOW_MM] = [0.55, 0.04] as const;

/** The smallest scale that is sculpted, mm. */
const LEAST_SCALE_MM = 0.15;

/** What is wrong with scales that are so many hundredths as wide as the largest. */
function tooNarrow(field: string, which: string, width: number, percent: number): Problem[] {
  const mm = (width * percent) / 100;
  if (mm >= LEAST_SCALE_MM - 1e-9) return [];
  const least = Math.ceil((100 * LEAST_SCALE_MM) / width);
  return [
    {
      field,
      message: `${which} would be ${formatNumber(mm, 2)} mm wide; no brush finds one below ${formatNumber(LEAST_SCALE_MM, 2)} mm: at ${formatNumber(width, 2)} mm they can be ${least} % or more.`,
    },
  ];
}

/** Scaled hide: keeled scales in staggered rows along the body, wide plates across the belly. */
export const scales = defineHide({
  id: "scales",
  version: 1,
  label: "Scales",
  about:
    "Keeled scales in staggered rows that grow and shrink with the body, and wide plates across its belly.",
  material: "scales",
  thing: ["scale", "scales"],
  params,
  kinds: [
    {
      id: "fine",
      label: "Fine",
      params: { width: 0.7, long: 110, small: 60, lift: 0.14, keel: 8, belly: 22, plates: 1.1, unlike: 35 },
    },
    {
      id: "keeled",
      label: "Keeled",
      params: {
        width: 1.1,
        long: 128,
        small: 42,
        lift: 0.26,
        keel: 17,
        belly: 26,
        plates: 1.7,
        unlike: 50,
        scars: 3,
      },
    },
    {
      id: "joints",
      label: "Keeled, small at its ends",
      params: {
        ...{ width: 1.1, long: 128, small: 42, lift: 0.26, keel: 17, belly: 26, plates: 1.7, unlike: 50 },
        ...{ lower: 14, upper: 14, fine: 45, scars: 3 },
      },
    },
    {
      id: "painted",
      label: "Painted on",
      params: { width: 1.1, long: 128, small: 42, lift: 0, keel: 0, belly: 26, plates: 1.7, unlike: 50 },
    },
    {
      id: "plated",
      label: "Plated",
      params: {
        ...{ width: 2, long: 100, small: 50, lift: 0.4, keel: 12, belly: 30, plates: 2.6, unlike: 40 },
        scars: 6,
      },
    },
  ],
  problems(values) {
    const found = sizeProblems(params, values);
    if (found.length > 0) return found;
    const { width, small, lift, fine, lower, upper, bend } = values;
    const most = HIGHEST * width;
    return [
      ...tooNarrow("small", "The smallest", width, small),
      ...(lower + upper + bend > 0 ? tooNarrow("fine", "Small scales", width, fine) : []),
      ...(lift > most + 1e-9
        ? [
            {
              field: "lift",
              message: `A scale ${formatNumber(width, 2)} mm wide stands off ${formatNumber(most, 2)} mm at most, got ${formatNumber(lift, 2)}.`,
            } satisfies Problem,
          ]
        : []),
    ];
  },
  sculpt(room, values) {
    // Without any height they are painted on a smooth body: they lie over each other as sculpted ones would.
    const isSmooth = values.lift === 0 && values.keel === 0;
    const liftMm = isSmooth ? USUAL_LIFT * values.width : values.lift;
    const floorMm = -Math.max(LEAST_BELOW_MM, BELOW * liftMm);
    const sheet = blankSheet(room.grid, floorMm);
    const { form } = room.grid;
    const stand = {
      liftMm,
      keel: values.keel / 100,
      usualMm: values.width,
      scars: values.scars / 100,
    };
    const list = [...platesOn(room, values), ...scalesOn(room, values)];
    const things = list.map((scale, number) => {
      const { at, way, lengthMm, widthMm, onBelly } = scale;
      const root = [at[0] - (way[0] * lengthMm) / 2, at[1] - (way[1] * lengthMm) / 2] as const;
      drawScale(sheet, scale, number, stand, null);
      for (const motion of alsoDrawn(form, at, Math.max(lengthMm, widthMm)))
        drawScale(sheet, scale, number, stand, motion);
      const { turnDeg, heightMm } = form.place(at);
      return {
        ...{ xMm: root[0], yMm: root[1], turnDeg, heightMm, lengthMm, widthMm, wayX: way[0], wayY: way[1] },
        ...(onBelly && { onBelly }),
      };
    });
    const made = sculptedFrom(sheet, things, { lie: room.lie, hangMm: 0, bareMm: floorMm });
    if (isSmooth) made.upMm.fill(0);
    return made;
  },
});
