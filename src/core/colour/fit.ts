import type { PaintFit, PaintReading } from "../job";
import { BANDS } from "./bands";
import { ciede2000 } from "./difference";
import { layFilm, masstone, type Optics } from "./film";
import { solveLinear } from "./linear";
import { mixOptics } from "./mix";
import { CHART_BLACK, CHART_WHITE } from "./paint";
import { spectrumToLab, type Triple } from "./spaces";
import { uniformSpectrum } from "./spectrum";

/** The white that tints are mixed with. */
export interface TintWhite {
  readonly optics: Optics;
  readonly strength: number;
}

/** A pot's optics as fitted to its readings, and the tinting strength found with them. */
export interface FittedPaint {
  readonly fit: PaintFit;
  readonly optics: Optics;
  /** Tinting strength the tints tell; null without tints. */
  readonly strength: number | null;
  /** CIEDE2000 of each reading against the model. */
  readonly differences: readonly number[];
}

const BLACK = uniformSpectrum(CHART_BLACK);
const WHITE = uniformSpectrum(CHART_WHITE);

/** The colour a reading would have. @throws RangeError for a tint without a white, or a film without thickness */
export function readingLab(
  reading: PaintReading,
  optics: Optics,
  strength: number,
  white: TintWhite | null,
): Triple {
  if (reading.laid === "thick") return spectrumToLab(masstone(optics));
  if (reading.laid === "tint") {
    if (!white || reading.whiteParts === null)
      throw new RangeError("a tint needs its white and the parts of it");
    const mixed = mixOptics([
      { optics, parts: 1, strength },
      { optics: white.optics, parts: reading.whiteParts, strength: white.strength },
    ]);
    return spectrumToLab(masstone(mixed));
  }
  if (reading.filmUm === null) throw new RangeError("a film over black or white needs its thickness in µm");
  return spectrumToLab(layFilm(optics, reading.filmUm, reading.laid === "black" ? BLACK : WHITE));
}

/** How strongly neighbouring bands are held alike, and the whole to where it started, against one unit of colour. */
const SMOOTH = 0.25;
const STAY = 0.03;
const TURNS = 60;

const toOptics = (p: readonly number[]): Optics => ({
  absorption: Float64Array.from({ length: BANDS }, (_, band) => Math.exp(p[band]!)),
  scattering: Float64Array.from({ length: BANDS }, (_, band) => Math.exp(p[BANDS + band]!)),
});

/** Differences in L*, a*, b* over what the eye forgives there, then the ties. */
function residuals(
  p: readonly number[],
  start: readonly number[],
  readings: readonly PaintReading[],
  white: TintWhite | null,
): number[] {
  const optics = toOptics(p);
  const strength = Math.exp(p[2 * BANDS]!);
  const out: number[] = [];
  for (const reading of readings) {
    const [l, a, b] = readingLab(reading, optics, strength, white);
    const forgives = 1 + 0.03 * Math.hypot(reading.lab[1], reading.lab[2]);
    out.push(l - reading.lab[0], (a - reading.lab[1]) / forgives, (b - reading.lab[2]) / forgives);
  }
  for (const from of [0, BANDS]) {
    for (let band = 1; band < BANDS - 1; band++) {
      const at = from + band;
      const bend = p[at - 1]! - 2 * p[at]! + p[at + 1]!;
      const bentBefore = start[at - 1]! - 2 * start[at]! + start[at + 1]!;
      out.push(SMOOTH * (bend - bentBefore));
    }
  }
  p.forEach((value, at) => out.push(STAY * (value - start[at]!)));
  return out;
}

const squares = (values: readonly number[]) => values.reduce((sum, value) => sum + value * value, 0);

/** The step of one turn: (JᵀJ + λ diag) δ = −Jᵀr. */
function stepOf(jacobian: readonly (readonly number[])[], r: readonly number[], damping: number): number[] {
  const n = jacobian.length;
  const matrix = jacobian.map((column) => {
    const row = jacobian.map((other) => column.reduce((sum, value, at) => sum + value * other[at]!, 0));
    return [...row, -column.reduce((sum, value, at) => sum + value * r[at]!, 0)];
  });
  for (let at = 0; at < n; at++) matrix[at]![at]! *= 1 + damping;
  return solveLinear(matrix);
}

/** Unknowns that meet the readings best, by damped steps from where they start. */
function solve(
  first: readonly number[],
  readings: readonly PaintReading[],
  white: TintWhite | null,
): readonly number[] {
  let p: readonly number[] = first;
  let r = residuals(p, first, readings, white);
  let damping = 0.01;
  for (let turn = 0; turn < TURNS; turn++) {
    const jacobian = p.map((_, at) => {
      const nudged = p.map((value, k) => (k === at ? value + 1e-4 : value));
      return residuals(nudged, first, readings, white).map((value, k) => (value - r[k]!) / 1e-4);
    });
    const step = stepOf(jacobian, r, damping);
    const tried = p.map((value, at) =>
      Math.min(3, Math.max(-16, value + Math.max(-1, Math.min(1, step[at]!)))),
    );
    const there = residuals(tried, first, readings, white);
    const gain = squares(r) - squares(there);
    if (gain > 0) {
      [p, r] = [tried, there];
      damping = Math.max(1e-9, damping / 4);
      if (gain < 1e-7) break;
    } else {
      damping *= 5;
      if (damping > 1e8) break;
    }
  }
  return p;
}

/**
 * K and S of a pot from readings, by damped least squares. Source: Levenberg 1944, Marquardt 1963; unknowns are the
 * logarithms of K and S at twelve bands and of the tinting strength, so that none can turn negative. Where readings
 * leave the spectrum open, it keeps the shape it started with.
 * @param start optics to begin from, as the colour given by eye says
 * @param white the white of the tints; null where there are none
 * @throws RangeError without a reading, or for a tint without its white
 */
export function fitOptics(
  readings: readonly PaintReading[],
  start: Optics,
  strength: number,
  white: TintWhite | null,
): FittedPaint {
  if (readings.length === 0) throw new RangeError("a fit needs at least one reading");
  const log = (values: Float64Array) => Array.from(values, (value) => Math.log(Math.max(1e-6, value)));
  const first = [...log(start.absorption), ...log(start.scattering), Math.log(strength)];
  const p = solve(first, readings, white);
  const optics = toOptics(p);
  const found = Math.exp(p[2 * BANDS]!);
  const differences = readings.map((reading) =>
    ciede2000(readingLab(reading, optics, found, white), reading.lab),
  );
  return {
    optics,
    strength: readings.some((reading) => reading.laid === "tint") ? Math.min(5, Math.max(0.2, found)) : null,
    differences,
    fit: {
      absorption: Array.from(optics.absorption),
      scattering: Array.from(optics.scattering),
      readings,
      meanDifference: differences.reduce((sum, value) => sum + value, 0) / differences.length,
      largestDifference: Math.max(...differences),
    },
  };
}
