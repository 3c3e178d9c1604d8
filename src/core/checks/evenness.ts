import { axialConcentration } from "../stats/directions";
import {
  directionLimit,
  EVENNESS_LIMITS,
  evennessFaults,
  leastSizeCv,
  measureEvenness,
  type Evenness,
} from "../stats/evenness";
import { nearestDistances } from "../stats/nearestNeighbours";
import type { SurfaceForm } from "../surface/forms/form";
import type { PlacedMark, UnevennessFault } from "../techniques/singleMarks";
import { formatNumber } from "../units";
import type { Check } from "./check";
import type { CheckResult, Spot } from "./finding";
import { patternSets, techniqueSets, type JudgedSet } from "./markSets";

const two = (value: number | null) => (value === null ? "–" : formatNumber(value, 2));

function wordsFor(
  fault: UnevennessFault,
  set: JudgedSet["set"],
  m: Evenness,
): { sentence: string; reason: string } {
  const name = set.label;
  switch (fault) {
    case "even":
      return {
        sentence: `${name}: ${m.count} marks stand too evenly, like a print.`,
        reason:
          m.index !== null
            ? `Each lies ${two(m.index)} times as far from its neighbour as chance has it (up to ${two(EVENNESS_LIMITS.mostIndex)}); distances vary by ${two(m.distanceCv)} (from ${two(EVENNESS_LIMITS.leastDistanceCv)}).`
            : `Distances to the nearest vary by ${two(m.distanceCv)} only; irregular ones vary by ${two(EVENNESS_LIMITS.leastDistanceCv)} and more.`,
      };
    case "alike":
      return {
        sentence: `${name}: ${m.count} marks are too much alike in size.`,
        reason: `Their areas vary by ${two(m.sizeCv)} of the mean; what is taken for chance varies by ${two(leastSizeCv(set))} and more.`,
      };
    case "lined":
      return {
        sentence: `${name}: the marks lie all one way, like the teeth of a comb.`,
        reason: `Their mean direction has length ${m.direction === null ? "–" : formatNumber(m.direction, 3)} of 1; below ${formatNumber(directionLimit(m.count, set.mostDirection), 3)} it is taken for a hand's.`,
      };
    case "clumped":
      return {
        sentence: `${name}: the marks crowd together and leave wide gaps.`,
        reason: `Each lies ${two(m.index)} times as far from its neighbour as chance has it; below ${two(EVENNESS_LIMITS.leastIndex)} they read as clumps.`,
      };
    case "twins":
      return {
        sentence: `${name}: large ones lie beside large ones and small beside small.`,
        reason: `Neighbours' sizes agree by ${two(m.twins)} of 1; chance is 0, from ${two(EVENNESS_LIMITS.mostTwins)} on it is seen.`,
      };
  }
}

const spotOf = ({ xMm, yMm, areaMm2 }: PlacedMark): Spot => ({
  xMm,
  yMm,
  radiusMm: Math.max(0.25, 1.25 * Math.sqrt(areaMm2 / Math.PI)),
});

/** The marks that show a fault best: the most even, the most alike, the most in line. */
function offenders(fault: UnevennessFault, marks: readonly PlacedMark[]): readonly PlacedMark[] {
  const most = 12;
  if (fault === "alike" || fault === "twins") {
    const middle = [...marks].map(({ areaMm2 }) => areaMm2).sort((a, b) => a - b)[
      Math.floor(marks.length / 2)
    ]!;
    const off = ({ areaMm2 }: PlacedMark) => Math.abs(Math.log(areaMm2 / middle));
    return [...marks].sort((a, b) => off(a) - off(b)).slice(0, most);
  }
  if (fault === "lined") {
    const { mean } = axialConcentration(marks.flatMap(({ angle }) => (angle === null ? [] : [angle])));
    const off = ({ angle }: PlacedMark) => (angle === null ? 9 : Math.abs(Math.sin(angle - mean)));
    return [...marks].sort((a, b) => off(a) - off(b)).slice(0, most);
  }
  const away = nearestDistances(marks.flatMap(({ xMm, yMm }) => [xMm, yMm]));
  const mean = away.reduce((sum, one) => sum + one, 0) / away.length;
  const order = marks.map((mark, at) => ({
    mark,
    off: fault === "clumped" ? away[at]! : Math.abs(away[at]! - mean),
  }));
  return order
    .sort((a, b) => a.off - b.off)
    .slice(0, most)
    .map(({ mark }) => mark);
}

/** Are marks that should be irregular really so: in spacing, size, direction and neighbours? */
export const evenness: Check = {
  id: "evenness",
  label: "Marks are irregular",
  run(context) {
    const { surface, form } = context;
    const judge = ({ coat, set, remedies }: JudgedSet, on: SurfaceForm | null): CheckResult[] => {
      const measured = measureEvenness(set.marks, on);
      return evennessFaults(set, measured).map((fault) => ({
        key: `${set.key}/${fault}`,
        gravity: "look",
        coatId: coat.id,
        where: `${surface.name}, ${set.label}`,
        ...wordsFor(fault, set, measured),
        spots: offenders(fault, set.marks).map(spotOf),
        remedies: remedies[fault] ?? [],
      }));
    };
    return [
      ...patternSets(context).flatMap((one) => judge(one, form)),
      ...techniqueSets(context).flatMap((one) => judge(one, null)),
    ];
  },
};
