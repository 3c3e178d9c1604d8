import type { MarkSet } from "../patterns/family";
import { axialConcentration } from "../stats/directions";
import { nearestDistances, nearestNeighbourIndex } from "../stats/nearestNeighbours";
import { neighbourCorrelation } from "../stats/neighbourCorrelation";
import { coefficientOfVariation } from "../stats/variation";
import type { SurfaceForm } from "../surface/forms/form";
import type { MarkIntent, PlacedMark, UnevennessFault } from "../techniques/singleMarks";
import { formatNumber } from "../units";
import type { Check } from "./check";
import type { CheckResult, Spot } from "./finding";
import { patternSets, techniqueSets, type JudgedSet } from "./markSets";

/** How irregular a set of marks is. */
export interface Evenness {
  readonly count: number;
  /** Nearest-neighbour index, 1 for chance, up to 2.15 for a grid; null where too few marks tell nothing. */
  readonly index: number | null;
  /** Standard deviation over mean of the distances to the nearest mark; null below four marks. */
  readonly distanceCv: number | null;
  /** The same of the areas; null below four marks. */
  readonly sizeCv: number | null;
  /** Length of the mean direction, 0 for every way alike, 1 for one way; null below four marks with a direction. */
  readonly direction: number | null;
  /** How alike marks are in size to the one nearest to them, −1…1; null below twelve marks. */
  readonly twins: number | null;
}

/** Below this many marks the index is as high for good patterns as for bad ones. */
const INDEX_FROM = 25;
const TWINS_FROM = 12;
const LEAST_MARKS = 4;

const perimeterOf = (form: SurfaceForm): number =>
  form.round ? form.lengthAt(0) : form.lengthAt(0) + form.lengthAt(form.slantMm) + 2 * form.slantMm;

/**
 * Statistics of a set of marks on a panel.
 * @param form the panel, where the marks were meant for all of it; null where they keep to a part: then there is no index
 */
export function measureEvenness(marks: readonly PlacedMark[], form: SurfaceForm | null): Evenness {
  const count = marks.length;
  const none = { index: null, distanceCv: null, sizeCv: null, direction: null, twins: null };
  if (count < LEAST_MARKS) return { count, ...none };
  const points = marks.flatMap(({ xMm, yMm }) => [xMm, yMm]);
  const areas = marks.map(({ areaMm2 }) => areaMm2);
  const angles = marks.flatMap(({ angle }) => (angle === null ? [] : [angle]));
  return {
    count,
    index:
      form && count >= INDEX_FROM ? nearestNeighbourIndex(points, form.areaMm2, perimeterOf(form)) : null,
    distanceCv: coefficientOfVariation(nearestDistances(points)),
    sizeCv: coefficientOfVariation(areas),
    direction: angles.length >= LEAST_MARKS ? axialConcentration(angles).resultant : null,
    twins:
      count >= TWINS_FROM
        ? neighbourCorrelation(
            points,
            areas.map((area) => Math.log(area)),
          )
        : null,
  };
}

/** From these on a set is called what it is; set by eye on good and bad patterns laid side by side. */
export const EVENNESS_LIMITS = {
  mostIndex: 1.6,
  leastIndex: 0.6,
  leastDistanceCv: 0.15,
  leastSizeCv: 0.6,
  leastAlikeCv: 0.1,
  mostDirection: 0.45,
  mostTwins: 0.6,
} as const;

/** Few directions agree by chance: from Rayleigh's test, one set in a hundred and more would be longer. */
const directionLimit = (count: number, byIntent?: number) =>
  byIntent ?? Math.max(EVENNESS_LIMITS.mostDirection, 2.3 / Math.sqrt(count));

const leastSizeCv = ({ alike, leastSizeCv: own }: MarkIntent) =>
  own ?? (alike ? EVENNESS_LIMITS.leastAlikeCv : EVENNESS_LIMITS.leastSizeCv);

/** What a set of marks is too much of; nothing where it is irregular enough, or too small to tell. */
export function evennessFaults(set: Omit<MarkSet, "remedies">, measured: Evenness): UnevennessFault[] {
  const { index, distanceCv, sizeCv, direction, twins, count } = measured;
  const limits = EVENNESS_LIMITS;
  const faults: UnevennessFault[] = [];
  const even =
    (index !== null && index > limits.mostIndex) ||
    (distanceCv !== null && distanceCv < limits.leastDistanceCv);
  if (even && !set.aligned) faults.push("even");
  if (sizeCv !== null && sizeCv < leastSizeCv(set) && !set.aligned) faults.push("alike");
  const anyWay = set.aligned || (set.alike && set.mostDirection === undefined);
  if (direction !== null && direction > directionLimit(count, set.mostDirection) && !anyWay)
    faults.push("lined");
  if (index !== null && index < limits.leastIndex && !set.clustered) faults.push("clumped");
  if (twins !== null && twins > limits.mostTwins && !set.alike) faults.push("twins");
  return faults;
}

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
