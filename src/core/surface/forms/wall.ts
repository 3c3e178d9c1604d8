import { InputError } from "../../errors";
import { hash01 } from "../../random";
import { formatNumber, smoothstep } from "../../units";
import { defineForm } from "./form";
import { buildSheet, softNoise } from "./sheet";
import { countProblem, roomProblem, sizeProblems } from "./sizes";

const params = {
  lengthMm: {
    label: "Length",
    unit: "mm",
    range: [5, 300],
    step: 1,
    default: 50,
    about: "Along the foot of the wall, with a ruler.",
  },
  heightMm: {
    label: "Height",
    unit: "mm",
    range: [5, 200],
    step: 1,
    default: 30,
    about: "From the ground to the coping.",
  },
  courses: {
    label: "Courses",
    unit: "",
    range: [1, 40],
    step: 1,
    default: 6,
    about: "Rows of stones, counted up the wall.",
  },
  stoneMm: {
    label: "Length of a stone",
    unit: "mm",
    range: [1, 60],
    step: 0.5,
    default: 8,
    about: "The middle of their lengths.",
  },
  jointMm: {
    label: "Joint",
    unit: "mm",
    range: [0.1, 3],
    step: 0.05,
    default: 0.6,
    about: "Width of the gap between two stones.",
  },
  deepMm: {
    label: "Depth of a joint",
    unit: "mm",
    range: [0.05, 4],
    step: 0.05,
    default: 0.5,
    about: "How far it lies behind the face, with a pin.",
  },
} as const;

/** A course lower than this is not cast, mm. */
const LEAST_COURSE_MM = 0.5;

/** A wall of cut stones in courses, joints broken from course to course, faces uneven and edges worn. */
export const wall = defineForm({
  id: "wall",
  version: 1,
  label: "Stone wall",
  about: "Courses of stones with joints between them, faces uneven and edges worn.",
  worn: { seats: ["wall", "left-flank", "right-flank", "hull", "back"], by: "foot", how: "on" },
  material: "stone",
  params,
  problems(values) {
    const found = sizeProblems(params, values);
    if (found.length > 0) return found;
    const { heightMm, courses, stoneMm, jointMm, deepMm } = values;
    const course = heightMm / courses;
    const small = Math.min(course, stoneMm);
    const stone = `Stones are ${formatNumber(stoneMm, 1)} × ${formatNumber(course, 1)} mm:`;
    return [
      ...countProblem("courses", courses, heightMm, LEAST_COURSE_MM, "courses"),
      ...roomProblem("jointMm", jointMm, 0.5 * small, `${stone} a joint between them`),
      ...roomProblem("deepMm", deepMm, 0.6 * small, `${stone} the depth of a joint`),
    ];
  },
  build(values, seed) {
    const wrong = wall.problems(values);
    if (wrong.length > 0) throw new InputError(wrong);
    const { lengthMm, heightMm, courses, stoneMm, jointMm, deepMm } = values;
    const rough = softNoise(seed, 1.7, hash01);
    const grit = softNoise(seed + 1, 0.45, hash01);
    const course = heightMm / courses;
    const relief = (x: number, y: number) => {
      const row = Math.min(courses - 1, Math.max(0, Math.floor(y / course)));
      // Joints are broken: every course starts at its own place.
      const shifted = x / stoneMm + 0.5 * (row % 2) + 0.3 * hash01(seed, row, 1);
      const cell = Math.floor(shifted);
      const joint = (k: number) => k + 0.32 * (hash01(seed, k, 40 + row) - 0.5);
      const stone = shifted < joint(cell) ? cell - 1 : shifted >= joint(cell + 1) ? cell + 1 : cell;
      const [left, right] = [joint(stone), joint(stone + 1)];
      const toSide = Math.min(shifted - left, right - shifted) * stoneMm;
      const within = y - row * course;
      const toEdge = Math.min(toSide, Math.min(within, course - within)) - 0.1 * rough(x * 1.3, y * 1.3);
      const face = smoothstep(jointMm * 0.35, jointMm * 0.5 + 0.35, toEdge);
      const own = 0.5 + 0.5 * hash01(seed, stone, 90 + row);
      const lean = (hash01(seed, stone, 130 + row) - 0.5) * (within / course - 0.5);
      return face * (deepMm * own + 0.2 * deepMm * lean + 0.1 * rough(x, y)) + 0.035 * grit(x, y);
    };
    return buildSheet({ id: "wall", lengthMm, widthMm: heightMm, relief });
  },
});
