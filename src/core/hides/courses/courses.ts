import type { Problem } from "../../errors";
import type { ParamValues } from "../../params";
import { roomProblem, sizeProblems } from "../../surface/forms/sizes";
import { formatNumber } from "../../units";
import { defineHide } from "../hide";
import { blankSheet, sculptedFrom } from "../sheet";
import { drawBlocks } from "./face";
import { laidOn } from "./layout";

const mm = (label: string, range: readonly [number, number], step: number, usual: number, about: string) =>
  ({ label, unit: "mm", range, step, default: usual, about }) as const;
const percent = (label: string, range: readonly [number, number], usual: number, about: string) =>
  ({ label, unit: "%", range, step: 1, default: usual, about }) as const;

const params = {
  course: mm(
    "Height of a course",
    [0.4, 30],
    0.1,
    3.2,
    "From one bed joint to the next; of slates what is seen of each.",
  ),
  width: mm("Length of a block", [0.5, 80], 0.1, 5.2, "The middle of their lengths along the course."),
  footing: percent(
    "Lowest course",
    [50, 400],
    100,
    "Its height, in hundredths of the others': a footing of larger blocks.",
  ),
  joint: mm("Joint", [0.04, 3], 0.02, 0.25, "Width of the gap between two blocks."),
  deep: mm("Depth of a joint", [0.02, 3], 0.02, 0.42, "How far it lies behind the faces, with a pin."),
  bevel: mm("Rounded edges", [0.02, 6], 0.02, 0.26, "How far in from the joint a face is worn round."),
  rough: mm("Roughness", [0, 0.6], 0.01, 0.09, "How far the faces go up and down."),
  grain: mm("Grain", [0, 0.4], 0.01, 0, "Fibres along the longer side of a block, as of wood; 0 for none."),
  unlike: percent(
    "Unlike each other",
    [0, 100],
    60,
    "How far courses and blocks differ in size, lean and how far they stand out.",
  ),
  chips: percent("Broken corners", [0, 100], 45, "How far corners are broken off; 0 leaves them sharp."),
  split: percent("Two low ones", [0, 60], 0, "How many blocks of a course are two low ones on each other."),
  over: percent(
    "Joint over joint",
    [0, 100],
    0,
    "How many joints may lie over one of the course below; 0 keeps bond.",
  ),
  lift: mm(
    "Lower edge stands off",
    [0, 2],
    0.02,
    0,
    "Of slates and shingles that lie over each other; 0 for blocks side by side.",
  ),
  slip: percent("Slipped", [0, 60], 0, "How many slates have come down and turned."),
} as const;

type Sizes = ParamValues<typeof params>;

function problemsOf(values: Sizes): Problem[] {
  const found = sizeProblems(params, values);
  if (found.length > 0) return found;
  const { course, width, joint, deep, bevel, rough, lift } = values;
  const small = Math.min(course, width);
  const of = `Blocks are ${formatNumber(width, 1)} × ${formatNumber(course, 1)} mm:`;
  return [
    ...roomProblem("joint", joint, 0.4 * small, `${of} a joint between them`),
    ...roomProblem("deep", deep, 0.6 * small, `${of} the depth of a joint`),
    ...roomProblem("bevel", bevel, 0.5 * small, `${of} what is worn round`),
    ...roomProblem("rough", rough, 0.15 * small, `${of} their roughness`),
    ...roomProblem("lift", lift, 0.4 * course, `${of} how far a slate stands off`),
  ];
}

/** Blocks in courses: stones, bricks, slates, planks, cobbles, each with its own lean, corners and place. */
export const courses = defineHide({
  id: "courses",
  version: 1,
  label: "Stones, slates or planks",
  about: "Blocks in courses with joints between them, no two alike, joints broken from course to course.",
  material: "stone",
  thing: ["block", "blocks"],
  params,
  kinds: [
    {
      id: "brick",
      label: "Bricks",
      params: {
        course: 1.5,
        width: 3.8,
        unlike: 8,
        chips: 20,
        rough: 0.04,
        joint: 0.2,
        deep: 0.18,
        bevel: 0.14,
      },
    },
    {
      id: "cobbles",
      label: "Cobbles",
      params: {
        course: 2.4,
        width: 2.8,
        unlike: 60,
        chips: 70,
        rough: 0.05,
        joint: 0.24,
        deep: 0.5,
        bevel: 0.8,
        over: 20,
      },
    },
    {
      id: "rubble",
      label: "Rough stones",
      params: {
        course: 3.1,
        width: 4.4,
        unlike: 85,
        chips: 80,
        split: 24,
        over: 8,
        rough: 0.13,
        footing: 210,
        joint: 0.3,
      },
    },
    { id: "ashlar", label: "Cut stones", params: { unlike: 35, chips: 25, footing: 170 } },
    {
      id: "slates",
      label: "Slates",
      params: {
        course: 2.75,
        width: 3.6,
        unlike: 35,
        rough: 0.05,
        joint: 0.16,
        deep: 0.1,
        lift: 0.3,
        slip: 12,
      },
    },
    {
      id: "planks",
      label: "Planks",
      params: {
        course: 2.6,
        width: 26,
        unlike: 25,
        chips: 6,
        rough: 0.02,
        grain: 0.06,
        joint: 0.16,
        deep: 0.26,
        bevel: 0.1,
      },
    },
    {
      id: "boards-upright",
      label: "Upright boards",
      params: {
        course: 30,
        width: 2.6,
        unlike: 25,
        chips: 6,
        over: 100,
        rough: 0.02,
        grain: 0.06,
        joint: 0.16,
        deep: 0.26,
        bevel: 0.1,
      },
    },
  ],
  problems: problemsOf,
  sculpt({ grid, lie, seed }, values) {
    const { form } = grid;
    const laid = laidOn(form, values, seed);
    const sheet = blankSheet(grid, -values.deep);
    const share = (hundredths: number) => hundredths / 100;
    const { chips, unlike, slip } = values;
    drawBlocks(
      sheet,
      laid,
      { ...values, chips: share(chips), unlike: share(unlike), slip: share(slip) },
      seed,
    );
    const things = laid.blocks.map(({ from, to, lowMm, highMm, row }) => {
      const turnDeg = (((from + to) / 2) % 1) * form.turnDeg;
      const [xMm, yMm] = form.flatten({ turnDeg, heightMm: highMm });
      const [x, y] = form.flatten({ turnDeg, heightMm: lowMm });
      const far = Math.hypot(x - xMm, y - yMm) || 1;
      const [wayX, wayY] = [(x - xMm) / far, (y - yMm) / far];
      const widthMm = (to - from) * laid.courses[row]!.lengthMm;
      const heightMm = (lowMm + highMm) / 2;
      return { xMm, yMm, turnDeg, heightMm, lengthMm: highMm - lowMm, widthMm, wayX, wayY };
    });
    const made = sculptedFrom(sheet, things, { lie, hangMm: 0, bareMm: -values.deep });
    return { ...made, neighbours: laid.neighbours };
  },
});
