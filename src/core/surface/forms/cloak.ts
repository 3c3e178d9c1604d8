import { InputError } from "../../errors";
import { hash01 } from "../../random";
import { smoothstep } from "../../units";
import { defineForm, type FlatPoint, type Place, type SurfaceForm } from "./form";
import { seamOff, seamRelief } from "./seams";
import { softNoise } from "./sheet";
import { roomProblem, sizeProblems } from "./sizes";

const params = {
  hemMm: {
    label: "Along the hem",
    unit: "mm",
    range: [6, 200],
    step: 0.5,
    default: 32,
    about: "Lay a paper strip along the lower edge, into every fold, mark and unroll.",
  },
  neckMm: {
    label: "Along the neck",
    unit: "mm",
    range: [1, 150],
    step: 0.5,
    default: 11,
    about: "The same along the upper edge, where the cloth is gathered.",
  },
  lengthMm: {
    label: "Neck to hem",
    unit: "mm",
    range: [4, 120],
    step: 0.5,
    default: 24,
    about: "Down the middle of the back, the strip lying on the cloth.",
  },
  folds: {
    label: "Folds",
    unit: "",
    range: [0, 24],
    step: 1,
    default: 7,
    about: "Ridges counted along the hem; they fan out from the neck.",
  },
  foldMm: {
    label: "Depth of a fold",
    unit: "mm",
    range: [0, 6],
    step: 0.1,
    default: 1.1,
    about: "From ridge to valley at the hem, with a pin.",
  },
  torn: {
    label: "Torn hem",
    unit: "mm",
    range: [0, 8],
    step: 0.2,
    default: 0,
    about: "How deep rents and worn notches run up from the hem; 0 is whole.",
  },
  seams: {
    label: "Pieces of cloth",
    unit: "",
    range: [1, 8],
    step: 1,
    default: 1,
    about: "Panels it was sewn of, counted along the hem; patterns can end at the seams between them.",
  },
} as const;

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
function foldsOf(count: number, foldMm: number, seed: number): Fold[] {
  return Array.from({ length: count }, (_, index) => {
    const chance = (k: number) => hash01(seed, index, k);
    return {
      at: (index + 0.5 + 0.62 * (chance(1) - 0.5)) / count,
      drift: (0.5 * (chance(2) - 0.5)) / count,
      wide: (0.2 + 0.16 * chance(3)) / count,
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

/** Heights of folds, swells and seams, mm. */
function reliefOf(values: Values, seed: number, lengthAt: (heightMm: number) => number) {
  const { hemMm, lengthMm, folds, foldMm, seams } = values;
  const swell = softNoise(seed, 4.5, hash01);
  const list = foldsOf(folds, foldMm, seed);
  return ({ turnDeg, heightMm }: Place): number => {
    const down = 1 - heightMm / lengthMm;
    const across = turnDeg / 360;
    let height = 0;
    for (const fold of list) {
      const off = (across - fold.at - fold.drift * (1 - down)) / fold.wide;
      if (off * off > 9) continue;
      const grown = smoothstep(fold.from - 0.05, 0.9, down);
      // A ridge rises slowly on one side and falls fast on the other.
      height += fold.deep * grown * Math.exp(-off * off * (off > 0 ? 1.7 : 0.9));
    }
    const seam = seamRelief(seamOff(across, seams) * lengthAt(heightMm));
    return height + 0.1 * swell(across * hemMm, heightMm) + seam;
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
  const relief = reliefOf(values, seed, lengthAt);
  const rent = rentOf(values, seed);
  const wrap = Math.max(WRAP, fan * 1.05);
  const lean = fan / wrap;
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
    inSpace: (at) => {
      const angle = (at.turnDeg / 360 - 0.5) * wrap;
      const radius = lengthAt(at.heightMm) / wrap + relief(at);
      const up = at.heightMm * Math.sqrt(1 - lean * lean);
      return [radius * Math.sin(angle), up, radius * Math.cos(angle)];
    },
    facing: ({ turnDeg }) => {
      const [angle, out] = [(turnDeg / 360 - 0.5) * wrap, Math.sqrt(1 - lean * lean)];
      return [out * Math.sin(angle), lean, out * Math.cos(angle)];
    },
    relief,
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

/** A draped cloak or cape, cut as part of a ring: gathered at the neck, folds that deepen and widen towards the hem. */
export const cloak = defineForm({
  id: "cloak",
  version: 1,
  label: "Cloak or cape",
  about: "A draped sheet with folds that fan out from the neck; its hem whole or torn.",
  params,
  problems(values) {
    const found = sizeProblems(params, values);
    if (found.length > 0) return found;
    const { hemMm, neckMm, lengthMm, folds, foldMm, torn } = values;
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
    if (torn > lengthMm * 0.6)
      found.push({
        field: "torn",
        message: `Rents can run up ${(lengthMm * 0.6).toFixed(1)} mm of a cloak ${lengthMm} mm long at most.`,
      });
    return found;
  },
  build(values, seed) {
    const wrong = cloak.problems(values);
    if (wrong.length > 0) throw new InputError(wrong);
    return build(values, seed);
  },
});
