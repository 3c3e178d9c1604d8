import type { SurfaceForm } from "../surface/forms/form";
import type { MarkIntent, PlacedMark, UnevennessFault } from "../techniques/singleMarks";
import { axialConcentration } from "./directions";
import { nearestDistances, nearestNeighbourIndex } from "./nearestNeighbours";
import { neighbourCorrelation } from "./neighbourCorrelation";
import { coefficientOfVariation } from "./variation";

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

/**
 * Length of the mean direction from which marks lie one way, 0…1. Few agree by chance: from Rayleigh's test, one set in a
 * hundred and more would be longer.
 */
export const directionLimit = (count: number, byIntent?: number): number =>
  byIntent ?? Math.max(EVENNESS_LIMITS.mostDirection, 2.3 / Math.sqrt(count));

/** Variation of areas below which marks are alike. */
export const leastSizeCv = ({ alike, leastSizeCv: own }: MarkIntent): number =>
  own ?? (alike ? EVENNESS_LIMITS.leastAlikeCv : EVENNESS_LIMITS.leastSizeCv);

/** What a set of marks is too much of; nothing where it is irregular enough, or too small to tell. */
export function evennessFaults(set: MarkIntent, measured: Evenness): UnevennessFault[] {
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
