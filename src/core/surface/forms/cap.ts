import { raised, type FlatPoint, type Place, type SpacePoint, type SurfaceForm } from "./form";

/** A cap turned round its upright. */
export interface CapOptions {
  readonly id: string;
  /** From the crown to the rim along the surface, mm. */
  readonly overMm: number;
  /** Radius at a way from the crown, mm; 0 at the crown, growing there as fast as the way does. */
  readonly radiusAt: (wayMm: number) => number;
  /** Height above the plain form, mm. */
  readonly relief: (place: Place) => number;
  readonly seamsDeg?: readonly number[];
  /** Something cut out of it: the distance to its edge, mm, below 0 in it; and what it takes away. */
  readonly opening?: undefined | { readonly away: (place: Place) => number; readonly areaMm2: number };
}

const TO_RAD = Math.PI / 180;
const STEPS = 512;

/** Value of a table of even steps over a length, by straight lines; beyond its ends it goes on as it ended. */
function lookUp(table: Float64Array, at: number): number {
  const step = Math.min(STEPS - 1, Math.max(0, Math.floor(at)));
  return table[step]! + (table[step + 1]! - table[step]!) * (at - step);
}

/** Radius on the flat, height over the rim and lean of a cap, by the way from its crown. */
function tablesOf(overMm: number, radiusAt: (wayMm: number) => number) {
  const step = overMm / STEPS;
  const [flat, drop] = [new Float64Array(STEPS + 1), new Float64Array(STEPS + 1)];
  let area = 0;
  for (let at = 1; at <= STEPS; at++) {
    area += 2 * Math.PI * radiusAt((at - 0.5) * step) * step;
    flat[at] = Math.sqrt(area / Math.PI);
    const rise = (radiusAt(at * step) - radiusAt((at - 1) * step)) / step;
    drop[at] = drop[at - 1]! + step * Math.sqrt(Math.max(0, 1 - rise * rise));
  }
  return { flat, drop, areaMm2: area };
}

/** The way from the crown to a distance on the flat: the table read backwards. */
function wayOf(flat: Float64Array, distance: number): number {
  if (distance >= flat[STEPS]!) {
    const last = flat[STEPS]! - flat[STEPS - 1]!;
    return STEPS + (distance - flat[STEPS]!) / last;
  }
  let [low, high] = [0, STEPS];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (flat[middle]! <= distance) low = middle;
    else high = middle;
  }
  return low + (distance - flat[low]!) / (flat[high]! - flat[low]!);
}

/** How a cap lies on the flat and in space, without its relief. */
function shapeOf(overMm: number, radiusAt: (wayMm: number) => number) {
  const { flat, drop, areaMm2 } = tablesOf(overMm, radiusAt);
  const perMm = STEPS / overMm;
  const flatAt = (heightMm: number) => Math.max(0, lookUp(flat, (overMm - heightMm) * perMm));
  const lean = (heightMm: number) => {
    const way = Math.min(overMm, Math.max(0.5 / perMm, overMm - heightMm));
    const near = 1 / perMm;
    const [from, to] = [Math.max(0, way - near), Math.min(overMm, way + near)];
    return Math.min(1, Math.max(-1, (radiusAt(to) - radiusAt(from)) / (to - from)));
  };
  const facing = ({ turnDeg, heightMm }: Place): SpacePoint => {
    const [outwards, turn] = [lean(heightMm), turnDeg * TO_RAD];
    const level = Math.sqrt(1 - outwards * outwards);
    return [level * Math.sin(turn), outwards, level * -Math.cos(turn)];
  };
  const plain = ({ turnDeg, heightMm }: Place): SpacePoint => {
    const [way, turn] = [overMm - heightMm, turnDeg * TO_RAD];
    const radius = radiusAt(Math.min(overMm, Math.max(0, way)));
    const y = drop[STEPS]! - lookUp(drop, way * perMm);
    return [radius * Math.sin(turn), y, radius * -Math.cos(turn)];
  };
  const placed = ([x, y]: FlatPoint): Place => {
    const turn = Math.atan2(x, -y) / TO_RAD;
    return {
      turnDeg: turn < 0 ? turn + 360 : turn,
      heightMm: overMm - wayOf(flat, Math.hypot(x, y)) / perMm,
    };
  };
  const distortion = Math.max(...Array.from(flat.slice(1), (far, at) => far / radiusAt((at + 1) / perMm)));
  return { rimFlat: flat[STEPS]!, areaMm2, flatAt, facing, plain, placed, distortion };
}

/**
 * A cap turned round its upright, of any outline from crown to rim, laid out as a disc of the same area (Lambert, 1772,
 * for any solid of revolution): a ring lies as far from the middle as the area above it asks. The front lies below the middle.
 */
export function buildCap(options: CapOptions): SurfaceForm {
  const { id, overMm, radiusAt, relief, seamsDeg = [0], opening } = options;
  const { rimFlat, areaMm2, flatAt, facing, plain, placed, distortion } = shapeOf(overMm, radiusAt);
  return {
    id,
    closed: true,
    turnDeg: 360,
    slantMm: overMm,
    areaMm2: areaMm2 - (opening?.areaMm2 ?? 0),
    seamsDeg,
    bounds: { minX: -rimFlat, maxX: rimFlat, minY: -rimFlat, maxY: rimFlat },
    lengthAt: (heightMm) => 2 * Math.PI * flatAt(heightMm),
    apexMm: Infinity,
    flatPerTurn: 1,
    round: true,
    distortion,
    rim: (at) => Math.min(rimFlat - flatAt(at.heightMm), opening?.away(at) ?? Infinity),
    flatten: ({ turnDeg, heightMm }) => [
      flatAt(heightMm) * Math.sin(turnDeg * TO_RAD),
      -flatAt(heightMm) * Math.cos(turnDeg * TO_RAD),
    ],
    place: placed,
    inSpace: (at) => raised(plain(at), facing(at), relief(at)),
    facing,
    relief,
  };
}
