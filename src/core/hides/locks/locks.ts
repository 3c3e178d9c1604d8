import type { Problem } from "../../errors";
import { formatNumber } from "../../units";
import { sizeProblems } from "../../surface/forms/sizes";
import type { SculptedThing } from "../../surface/sculpted";
import { alsoDrawn } from "../acrossSeam";
import { defineHide } from "../hide";
import { blankSheet, sculptedFrom } from "../sheet";
import { drawLock } from "./draw";
import { locksOn, type Lock } from "./place";

const params = {
  length: {
    label: "Length of a lock",
    unit: "mm",
    range: [0.5, 8],
    step: 0.1,
    default: 2.6,
    about: "From its root to its tip, along the piece. The growth map makes it longer and shorter.",
  },
  width: {
    label: "Width of a lock",
    unit: "mm",
    range: [0.15, 3],
    step: 0.05,
    default: 0.45,
    about: "Where it is widest; those between are about half as wide.",
  },
  lift: {
    label: "Stands off",
    unit: "mm",
    range: [0, 1.2],
    step: 0.05,
    default: 0.2,
    about:
      "How far a lock rises above what it grows from, with a pin; what the growth map lifts comes on top.",
  },
  groove: {
    label: "Depth between strands",
    unit: "µm",
    range: [0, 200],
    step: 5,
    default: 75,
    about: "How deep the strands of a lock are parted: 0 is smooth as a leaf.",
  },
  drawn: {
    label: "Drawn together",
    unit: "%",
    range: [0, 100],
    step: 5,
    default: 60,
    about: "How far tips of neighbours meet in clumps: wet and shaggy hair does, combed hair does not.",
  },
  unlike: {
    label: "Unlike each other",
    unit: "%",
    range: [0, 100],
    step: 5,
    default: 50,
    about: "How far locks differ in length, width and bend.",
  },
} as const;

/** A lock's root is set this far into the ground at most, mm. */
const ROOT_MM = -0.08;

/** A lock is no wider than so much of its length, and stands off no further. */
const [WIDEST, HIGHEST] = [0.7, 0.4] as const;

function thingOf(
  { root, tip, lengthMm, halfMm }: Lock,
  place: SculptedThing | { turnDeg: number; heightMm: number },
): SculptedThing {
  const long = Math.hypot(tip[0] - root[0], tip[1] - root[1]) || 1;
  return {
    xMm: root[0],
    yMm: root[1],
    turnDeg: place.turnDeg,
    heightMm: place.heightMm,
    lengthMm,
    widthMm: 2 * halfMm,
    wayX: (tip[0] - root[0]) / long,
    wayY: (tip[1] - root[1]) / long,
  };
}

/** Fur as a caster makes it: locks over locks, narrow ones between, each of strands; no smooth ground left. */
export const locks = defineHide({
  id: "locks",
  version: 1,
  label: "Fur in locks",
  about: "Locks over locks, each of strands, along the growth map; they hang over the rim.",
  material: "fur",
  thing: ["lock", "locks"],
  params,
  kinds: [
    {
      id: "short",
      label: "Short",
      params: { length: 1.2, width: 0.25, lift: 0.1, groove: 45, drawn: 35, unlike: 40 },
    },
    {
      id: "long",
      label: "Long",
      params: { length: 2.6, width: 0.45, lift: 0.2, groove: 75, drawn: 60, unlike: 50 },
    },
    {
      id: "shaggy",
      label: "Shaggy",
      params: { length: 3.8, width: 0.6, lift: 0.3, groove: 95, drawn: 80, unlike: 80 },
    },
  ],
  problems(values) {
    const found = sizeProblems(params, values);
    if (found.length > 0) return found;
    const { length, width, lift } = values;
    const most = (field: "width" | "lift", value: number, share: number, what: string): Problem[] =>
      value <= share * length + 1e-9
        ? []
        : [
            {
              field,
              message: `A lock ${formatNumber(length, 1)} mm long ${what} ${formatNumber(share * length, 2)} mm at most, got ${formatNumber(value, 2)}.`,
            },
          ];
    return [...most("width", width, WIDEST, "is wide"), ...most("lift", lift, HIGHEST, "stands off")];
  },
  sculpt(room, values) {
    const sheet = blankSheet(room.grid, ROOT_MM);
    const list = locksOn(room, values);
    const { form } = room.grid;
    const things = list.map((lock, number) => {
      drawLock(sheet, lock, number, values.groove / 1000, null);
      for (const motion of alsoDrawn(form, lock.root, lock.lengthMm + lock.halfMm))
        drawLock(sheet, lock, number, values.groove / 1000, motion);
      return thingOf(lock, form.place(lock.root));
    });
    return sculptedFrom(sheet, things, { lie: room.lie, hangMm: values.length, bareMm: 0 });
  },
});
