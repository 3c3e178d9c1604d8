import { InputError, type Problem } from "../../errors";
import { hash01 } from "../../random";
import { smoothstep } from "../../units";
import { cloakSizes as params } from "./cloakSizes";
import { drapedOn } from "./drape";
import { CLOTH_EDGE_MM, defineForm, raised, type FlatPoint, type Place, type SurfaceForm } from "./form";
import { seamOff, seamRelief } from "./seams";
import { softNoise } from "./sheet";
import { roomProblem, sizeProblems } from "./sizes";
import { mostStretched, normalsFrom } from "./stretch";

/** How far a cloak hangs round the figure, radians. */
const WRAP = 1.25 * Math.PI;
/** The flat piece of a cut straight as a board still closes to an arc this flat, radians. */
const LEAST_FAN = 0.02;
const MOST_FAN = 1.9 * Math.PI;

interface Fold {
  /** Middle, as a share of the width, at the hem, and how far it drifts on its way up. */
  readonly at: number;
  readonly drift: number;
  readonly wide: number;
  readonly deep: number;
  /** Share of the length, from the neck, at which it begins. */
  readonly from: number;
}

/** Folds are unlike each other: in place, width, depth and in how far up they reach. */
function foldsOf({ folds: count, foldMm, tight }: Values, seed: number): Fold[] {
  return Array.from({ length: count }, (_, index) => {
    const chance = (k: number) => hash01(seed, index, k);
    return {
      at: (index + 0.5 + 0.62 * (chance(1) - 0.5)) / count,
      drift: (0.5 * (chance(2) - 0.5)) / count,
      wide: ((0.2 + 0.16 * chance(3)) * (1 - (0.5 * tight) / 100)) / count,
      deep: foldMm * (0.5 + 0.5 * chance(4)),
      from: 0.5 * chance(5) ** 2,
    };
  });
}

type Values = { readonly [K in keyof typeof params]: number };

/** The sector of a ring that a cloak makes when it is laid flat. */
function fanOf({ hemMm, neckMm, lengthMm }: Values) {
  const fan = Math.max(LEAST_FAN, (hemMm - neckMm) / lengthMm);
  const hemRadius = neckMm / fan + lengthMm;
  const flatten = ({ turnDeg, heightMm }: Place): FlatPoint => {
    const [radius, angle] = [hemRadius - heightMm, (turnDeg / 360 - 0.5) * fan];
    return [radius * Math.sin(angle), radius * Math.cos(angle) - hemRadius];
  };
  const place = ([x, y]: FlatPoint): Place => {
    const radius = Math.hypot(x, y + hemRadius);
    return { turnDeg: (Math.atan2(x, y + hemRadius) / fan + 0.5) * 360, heightMm: hemRadius - radius };
  };
  return { fan, hemRadius, flatten, place, lengthAt: (heightMm: number) => (hemRadius - heightMm) * fan };
}

/** How far a yoke and a turned-up edge stand out, mm, and the groove of their stitches. */
const [YOKE_UP_MM, BORDER_UP_MM, GROOVE_MM] = [0.16, 0.07, 0.06] as const;
/** Wrinkles are this deep at most, mm, this far apart and this long. */
const [WRINKLE_MM, APART_MM, LONG_MM] = [0.13, 0.75, 5] as const;

/** What is sewn on: a yoke over the cloth at the neck, a hem turned up below, each with a line of stitches. */
function sewnOf({ lengthMm, yokeMm, borderMm }: Values) {
  return (heightMm: number, aboveHem: number): number => {
    let height = 0;
    if (yokeMm > 0) {
      const inside = heightMm - (lengthMm - yokeMm);
      height +=
        YOKE_UP_MM * smoothstep(-0.05, 0.09, inside) - GROOVE_MM * Math.exp(-(((inside - 0.3) / 0.07) ** 2));
    }
    if (borderMm === 0) return height;
    const turnedUp = smoothstep(borderMm + 0.07, borderMm - 0.07, aboveHem);
    return (
      height + BORDER_UP_MM * turnedUp - GROOVE_MM * Math.exp(-(((aboveHem - borderMm + 0.16) / 0.06) ** 2))
    );
  };
}

/** Heights of folds, swells, wrinkles and seams, mm. */
function reliefOf(
  values: Values,
  seed: number,
  lengthAt: (heightMm: number) => number,
  rent: (turnDeg: number) => number,
) {
  const { hemMm, lengthMm, seams, wrinkles, yokeMm, torn } = values;
  const swell = softNoise(seed, 4.5, hash01);
  const lines = softNoise(seed + 5, 1, hash01);
  const list = foldsOf(values, seed);
  const sewn = sewnOf(values);
  const wrinkled = (WRINKLE_MM * wrinkles) / 100;
  return ({ turnDeg, heightMm }: Place): number => {
    const down = 1 - heightMm / lengthMm;
    const across = turnDeg / 360;
    // Below a yoke the cloth hangs free; under it nothing folds.
    const free = yokeMm > 0 ? smoothstep(lengthMm - yokeMm + 0.2, lengthMm - yokeMm - 1.2, heightMm) : 1;
    let height = 0;
    for (const fold of list) {
      const off = (across - fold.at - fold.drift * (1 - down)) / fold.wide;
      if (off * off > 9) continue;
      const grown = smoothstep(fold.from - 0.05, 0.9, down);
      // A ridge rises slowly on one side and falls fast on the other.
      height += fold.deep * grown * Math.exp(-off * off * (off > 0 ? 1.7 : 0.9));
    }
    if (wrinkled > 0) {
      const line = lines((across * hemMm) / APART_MM + 0.35 * heightMm, heightMm / LONG_MM);
      height += wrinkled * (0.35 - line * line) * smoothstep(1, 0.35, down);
    }
    const seam = seamRelief(seamOff(across, seams) * lengthAt(heightMm));
    const hem = torn > 0 ? heightMm - Math.max(0, rent(turnDeg)) : heightMm;
    return free * height + 0.1 * swell(across * hemMm, heightMm) + seam + sewn(heightMm, hem);
  };
}

/** How far the hem is torn up at a turn, mm. */
function rentOf({ hemMm, torn }: Values, seed: number): (turnDeg: number) => number {
  const fray = softNoise(seed + 2, 2.2, hash01);
  const fine = softNoise(seed + 3, 0.6, hash01);
  return (turnDeg) => {
    const x = (turnDeg / 360) * hemMm;
    return torn * Math.max(0, 0.55 * fray(x, 0) + 0.45 * fine(x, 0) + 0.15);
  };
}

function boundsOf(flatten: (place: Place) => FlatPoint, lengthMm: number): SurfaceForm["bounds"] {
  const corners = Array.from({ length: 361 }, (_, at) => at).flatMap((turnDeg) => [
    flatten({ turnDeg, heightMm: 0 }),
    flatten({ turnDeg, heightMm: lengthMm }),
  ]);
  const [xs, ys] = [corners.map(([x]) => x), corners.map(([, y]) => y)];
  return { minX: Math.min(...xs), maxX: Math.max(...xs), minY: Math.min(...ys), maxY: Math.max(...ys) };
}

function build(values: Values, seed: number): SurfaceForm {
  const { lengthMm, torn, seams } = values;
  const { fan, hemRadius, flatten, place, lengthAt } = fanOf(values);
  const rent = rentOf(values, seed);
  const relief = reliefOf(values, seed, lengthAt, rent);
  const wrap = Math.max(WRAP, fan * 1.05);
  return {
    id: "cloak",
    closed: false,
    turnDeg: 360,
    slantMm: lengthMm,
    areaMm2: areaOf(lengthAt, lengthMm, rent),
    seamsDeg: Array.from({ length: seams }, (_, at) => (at * 360) / seams),
    bounds: boundsOf(flatten, lengthMm),
    lengthAt,
    apexMm: hemRadius,
    flatPerTurn: (fan * 180) / Math.PI / 360,
    rim: ({ turnDeg, heightMm }) => {
      const side = (Math.min(turnDeg, 360 - turnDeg) / 360) * lengthAt(heightMm);
      const hem = heightMm - (torn > 0 ? rent(turnDeg) : 0);
      return Math.min(side, hem, lengthMm - heightMm);
    },
    flatten,
    place,
    edgeMm: CLOTH_EDGE_MM,
    ...inSpaceOf(values, { fan, wrap, lengthAt, flatten }, relief),
    relief,
  };
}

interface Hung {
  /** Of the flat cut, and how far it hangs round, radians. */
  readonly fan: number;
  readonly wrap: number;
  readonly lengthAt: (heightMm: number) => number;
  readonly flatten: (place: Place) => FlatPoint;
}

/** Shoulders are broadest this far below the neck, as a share of the way round it, and the fall from them takes back so much of that. */
const [SHOULDER_AT, FALL_BACK] = [0.5, 0.45] as const;

/** How the cloth lies in space: over shoulders, or as a cone. */
function inSpaceOf(
  { lengthMm, neckMm, deepPct }: Values,
  { fan, wrap, lengthAt, flatten }: Hung,
  relief: (place: Place) => number,
): Pick<SurfaceForm, "inSpace" | "facing" | "distortion"> {
  if (deepPct === 100) return hungAsCone(lengthAt, wrap, fan / wrap, relief);
  const flat = 1 - deepPct / 100;
  const shoulder = Math.min(0.4 * lengthMm, Math.max(2, SHOULDER_AT * neckMm));
  const deepAt = (heightMm: number) => {
    const down = lengthMm - heightMm;
    return (
      1 - flat * smoothstep(0, shoulder, down) * (1 - FALL_BACK * smoothstep(0.8 * shoulder, lengthMm, down))
    );
  };
  const plain = drapedOn({ lengthMm, wrap, lengthAt, deepAt });
  const facing = normalsFrom(plain, lengthMm);
  return {
    inSpace: (at) => raised(plain(at), facing(at), relief(at)),
    facing,
    distortion: mostStretched({ plain, flatten, turnDeg: 360, lengthMm }),
  };
}

function hungAsCone(
  lengthAt: (heightMm: number) => number,
  wrap: number,
  lean: number,
  relief: (place: Place) => number,
): Pick<SurfaceForm, "inSpace" | "facing"> {
  const level = Math.sqrt(1 - lean * lean);
  return {
    inSpace: (at) => {
      const angle = (at.turnDeg / 360 - 0.5) * wrap;
      const radius = lengthAt(at.heightMm) / wrap + relief(at);
      return [radius * Math.sin(angle), at.heightMm * level, radius * Math.cos(angle)];
    },
    facing: ({ turnDeg }) => {
      const angle = (turnDeg / 360 - 0.5) * wrap;
      return [level * Math.sin(angle), lean, level * Math.cos(angle)];
    },
  };
}

/** Area between neck and hem, less the rents, mm². */
function areaOf(lengthAt: (mm: number) => number, lengthMm: number, rent: (deg: number) => number): number {
  let area = 0;
  for (let deg = 0; deg < 360; deg++) {
    const from = Math.max(0, rent(deg + 0.5));
    area += ((lengthAt(from) + lengthAt(lengthMm)) / 2 / 360) * (lengthMm - from);
  }
  return area;
}

/** Folds that take more cloth or length than there is. */
function foldProblems({ hemMm, lengthMm, folds, foldMm }: Values): Problem[] {
  const found: Problem[] = [];
  const pitch = hemMm / Math.max(1, folds);
  if (folds > 0 && foldMm * 2 > pitch)
    found.push({
      field: "foldMm",
      message: `${folds} folds on ${hemMm} mm lie ${pitch.toFixed(1)} mm apart; they can be ${(pitch / 2).toFixed(1)} mm deep at most.`,
    });
  found.push(
    ...roomProblem(
      "foldMm",
      folds > 0 ? foldMm : 0,
      0.3 * lengthMm,
      `A cloak ${lengthMm} mm long falls in folds of three tenths of that; one`,
    ),
  );
  return found;
}

function problems(values: Values): Problem[] {
  const found = sizeProblems(params, values);
  if (found.length > 0) return found;
  const { hemMm, neckMm, lengthMm, torn } = values;
  if (neckMm > hemMm)
    found.push({
      field: "neckMm",
      message: `The neck cannot be longer than the hem of ${hemMm} mm; a piece that widens upwards is a skirt.`,
    });
  if ((hemMm - neckMm) / lengthMm > MOST_FAN)
    found.push({
      field: "hemMm",
      message: `A cloak ${lengthMm} mm long with a neck of ${neckMm} mm has a hem of ${(neckMm + MOST_FAN * lengthMm).toFixed(0)} mm at most, or its cut would overlap itself.`,
    });
  found.push(...foldProblems(values));
  found.push(
    ...roomProblem("yokeMm", values.yokeMm, 0.6 * lengthMm, `On ${lengthMm} mm from neck to hem a yoke`),
    ...roomProblem(
      "borderMm",
      values.borderMm,
      0.25 * lengthMm,
      `On ${lengthMm} mm from neck to hem a sewn hem`,
    ),
  );
  if (torn > lengthMm * 0.6)
    found.push({
      field: "torn",
      message: `Rents can run up ${(lengthMm * 0.6).toFixed(1)} mm of a cloak ${lengthMm} mm long at most.`,
    });
  return found;
}

/** A draped cloak or cape, cut as part of a ring: gathered at the neck, folds that deepen and widen towards the hem. */
export const cloak = defineForm({
  id: "cloak",
  version: 3,
  label: "Cloak or cape",
  about: "A draped sheet with folds that fan out from the neck; its hem whole or torn.",
  worn: { seats: ["shoulders", "back"], by: "top", how: "round" },
  params,
  added: { 2: { tight: 0, wrinkles: 0, borderMm: 0, yokeMm: 0 }, 3: { deepPct: 100 } },
  problems,
  build(values, seed) {
    const wrong = problems(values);
    if (wrong.length > 0) throw new InputError(wrong);
    return build(values, seed);
  },
});
