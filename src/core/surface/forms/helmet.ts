import { InputError, type Problem } from "../../errors";
import { formatNumber, smoothstep } from "../../units";
import { buildCap, type CapOptions } from "./cap";
import { PLATE_EDGE_MM, defineForm, type Place } from "./form";
import { countProblem, roomProblem, sizeProblems } from "./sizes";
import { roundNoise } from "./turned";

const params = {
  roundMm: {
    label: "Round the brow",
    unit: "mm",
    range: [4, 200],
    step: 0.5,
    default: 24,
    about: "A paper strip once round the shell where the dome begins.",
  },
  domeMm: {
    label: "Brow to crown",
    unit: "mm",
    range: [1, 80],
    step: 0.1,
    default: 5.5,
    about: "The strip laid over the dome from the brow up to the highest point.",
  },
  skirtMm: {
    label: "Below the brow",
    unit: "mm",
    range: [0, 40],
    step: 0.1,
    default: 3,
    about: "Length of the part that hangs below it: visor, cheeks and neck. 0 for an open cap.",
  },
  flareDeg: {
    label: "Slope of the lower part",
    unit: "°",
    range: [-30, 60],
    step: 1,
    default: 13,
    about: "How far it leans out from straight down, held beside a set square; below 0 it leans in.",
  },
  crestMm: {
    label: "Height of the crest",
    unit: "mm",
    range: [0, 1.5],
    step: 0.05,
    default: 0.35,
    about: "Of the ridge that runs from front to back over the crown; 0 for none.",
  },
  bandMm: {
    label: "Band at the brow stands out",
    unit: "mm",
    range: [0, 0.6],
    step: 0.02,
    default: 0.16,
    about: "How far the collar round the brow stands off the shell, with a pin.",
  },
  rivets: {
    label: "Rivets",
    unit: "",
    range: [0, 48],
    step: 1,
    default: 14,
    about: "On the band, counted once round.",
  },
  slits: {
    label: "Slits or vents",
    unit: "",
    range: [0, 24],
    step: 1,
    default: 7,
    about: "Openings in the part below the brow, side by side in front.",
  },
  slitMm: {
    label: "Width of a slit",
    unit: "mm",
    range: [0.1, 4],
    step: 0.05,
    default: 0.55,
    about: "With the end of a wire of known thickness.",
  },
  slitDeepMm: {
    label: "Depth of a slit",
    unit: "mm",
    range: [0.1, 2],
    step: 0.1,
    default: 0.8,
    about: "With a pin; the shell is 0.6 mm thick, what is deeper is cut through it.",
  },
} as const;

type Values = { readonly [K in keyof typeof params]: number };

/** The lower part narrows to this share of the brow at most. */
const LEAST_RADIUS = 0.4;
const TO_RAD = Math.PI / 180;
/** Width of the band, how wide and deep the gap below it is, radius and height of a rivet, height of the rim's lip, mm. */
const [BAND_MM, GAP_MM, GAP_DEEP_MM] = [0.9, 0.1, 0.22] as const;
const [RIVET_MM, RIVET_UP_MM, LIP_MM] = [0.21, 0.14, 0.1] as const;
/** Rivets lie no closer than this, mm; many of them are smaller. */
const LEAST_RIVET_MM = 0.25;
/** Half the width of the crest, bevel of a slit, mm. */
const [CREST_HALF_MM, BEVEL_MM] = [0.42, 0.08] as const;
/** A slit deeper than this is cut through the shell, mm; its edge is rounded by so much. */
const [SHELL_MM, ROUNDED_MM] = [0.6, 0.06] as const;
/** Slits leave as much metal between them as they take, and stand in this part of the turn, degrees. */
const SLITTED_DEG = 150;

/** A dome that bulges over its brow goes on no farther round its ball than this, radians. */
const MOST_ANGLE = 0.8 * Math.PI;

/** Polar angle of the brow of a cap of a sphere with this girth and way over the crown; sin θ / θ = r / s. */
function browAngle(roundMm: number, domeMm: number): number {
  const ratio = roundMm / (2 * Math.PI) / domeMm;
  let [low, high] = [1e-3, MOST_ANGLE];
  for (let turn = 0; turn < 50; turn++) {
    const middle = (low + high) / 2;
    if (Math.sin(middle) / middle > ratio) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** Radius at a way from the crown: a cap of a sphere, then a cone. */
function outlineOf({ roundMm, domeMm, flareDeg }: Values) {
  const angle = browAngle(roundMm, domeMm);
  const sphere = domeMm / angle;
  const brow = sphere * Math.sin(angle);
  const flare = Math.sin(flareDeg * TO_RAD);
  return (wayMm: number): number =>
    wayMm <= domeMm
      ? sphere * Math.sin(wayMm / sphere)
      : Math.max(LEAST_RADIUS * brow, brow + flare * (wayMm - domeMm));
}

/** Inside of a box with rounded corners: below 0 inside, mm. */
function boxAway(x: number, y: number, halfX: number, halfY: number): number {
  const round = 0.4 * Math.min(halfX, halfY);
  const [dx, dy] = [Math.abs(x) - halfX + round, Math.abs(y) - halfY + round];
  return Math.hypot(Math.max(0, dx), Math.max(0, dy)) + Math.min(0, Math.max(dx, dy)) - round;
}

/** Half the width and half the height of a slit, mm. */
const slitHalves = ({ slitMm, skirtMm }: Values) => [slitMm / 2, 0.3 * skirtMm] as const;

/**
 * How far the ground lies below the shell at some distance from the edge of a slit, mm. One that is cut through has a
 * rounded edge, and its wall beyond it, where the shell's own thickness shows; one that is not sinks from its edge on.
 */
function slitSection({ slitDeepMm }: Values): (awayMm: number) => number {
  if (slitDeepMm <= SHELL_MM) return (away) => slitDeepMm * smoothstep(BEVEL_MM, -BEVEL_MM / 2, away);
  const wall = SHELL_MM - ROUNDED_MM;
  return (away) =>
    ROUNDED_MM * smoothstep(BEVEL_MM, -BEVEL_MM / 2, away) +
    wall * smoothstep(-BEVEL_MM / 2, -2 * BEVEL_MM, away);
}

/** Distance from the edge of the nearest slit, mm; below 0 in it. @param below mm from the brow, x mm from the front along the ring */
function slitsOf(values: Values) {
  const { slits, skirtMm, roundMm } = values;
  const arc = (roundMm * SLITTED_DEG) / 360;
  const apart = arc / Math.max(1, slits);
  const [halfX, halfY] = slitHalves(values);
  return (below: number, x: number): number => {
    const at = Math.round(x / apart - (slits % 2 === 0 ? 0.5 : 0)) + (slits % 2 === 0 ? 0.5 : 0);
    if (slits === 0 || Math.abs(at) > (slits - 1) / 2 + 0.01) return Infinity;
    return boxAway(x - at * apart, below - 0.54 * skirtMm, halfX, halfY);
  };
}

/** Slits that go through the shell: the distance to their edges, and what they take away. */
function openingOf(values: Values): CapOptions["opening"] {
  const { slits, slitDeepMm, domeMm, skirtMm, roundMm } = values;
  if (slits === 0 || skirtMm === 0 || slitDeepMm <= SHELL_MM) return undefined;
  const slit = slitsOf(values);
  const [halfX, halfY] = slitHalves(values);
  const corner = 0.4 * Math.min(halfX, halfY);
  const browMm = roundMm / (2 * Math.PI);
  // The flat is a little wider than the brow where the lower part leans out: the ring's own length counts.
  const stretch = outlineOf(values)(domeMm + 0.54 * skirtMm) / browMm;
  return {
    away: ({ turnDeg, heightMm }) =>
      slit(skirtMm - heightMm, browMm * ((((turnDeg % 360) + 360) % 360) - 180) * TO_RAD),
    areaMm2: slits * stretch * (4 * halfX * halfY - (4 - Math.PI) * corner * corner),
  };
}

function reliefOf(values: Values, seed: number): (place: Place) => number {
  const { domeMm, skirtMm, roundMm, crestMm, bandMm, rivets } = values;
  const over = domeMm + skirtMm;
  const radius = outlineOf(values);
  const hammered = roundNoise(seed, Math.max(4, Math.round(roundMm / 2.6)), 2.2);
  const slits = slitsOf(values);
  const browMm = roundMm / (2 * Math.PI);
  const sunk = slitSection(values);
  const rivetMm = Math.min(RIVET_MM, (0.42 * roundMm) / Math.max(1, rivets));
  return (place) => {
    const way = over - place.heightMm;
    const below = way - domeMm;
    const out = radius(Math.min(over, Math.max(0, way)));
    const turn = (place.turnDeg - 180) * TO_RAD;
    let height = 0.02 * hammered(place) * smoothstep(0, 0.3 * domeMm, way);
    // The crest: its own width over the whole crown, ending on the band.
    const aside = Math.abs(out * Math.sin(turn)) / CREST_HALF_MM;
    if (crestMm > 0 && aside < 1.2)
      height += crestMm * smoothstep(1.1, 0.7, aside) * smoothstep(0.35, -0.15, below);
    if (bandMm > 0) {
      const fromMiddle = Math.abs(below + 0.1) - BAND_MM / 2;
      height += bandMm * smoothstep(0.07, -0.07, fromMiddle);
    }
    if (rivets > 0) {
      const at = ((((place.turnDeg * rivets) / 360) % 1) + 1) % 1;
      const away = Math.hypot(((at - 0.5) / rivets) * 2 * Math.PI * browMm, below + 0.1) / rivetMm;
      if (away < 1) height += (RIVET_UP_MM * rivetMm * Math.sqrt(1 - away * away)) / RIVET_MM;
    }
    if (skirtMm === 0) return height;
    const gap = (below - BAND_MM / 2 - 0.02) / GAP_MM;
    height -= GAP_DEEP_MM * Math.exp(-gap * gap) * (bandMm > 0 ? 1 : 0);
    height += LIP_MM * smoothstep(0.42, 0.3, place.heightMm) * smoothstep(0, 0.06, skirtMm - 1);
    return height - sunk(slits(below, browMm * turn));
  };
}

function problems(values: Values): Problem[] {
  const found = sizeProblems(params, values);
  if (found.length > 0) return found;
  const { roundMm, domeMm, skirtMm, flareDeg, crestMm, bandMm, rivets, slits, slitMm } = values;
  const radius = roundMm / (2 * Math.PI);
  const [least, most] = [1.02 * radius, (MOST_ANGLE / Math.sin(MOST_ANGLE)) * 0.98 * radius];
  if (domeMm < least || domeMm > most)
    found.push({
      field: "domeMm",
      message: `Over a brow of ${roundMm} mm the way to the crown is ${formatNumber(least, 1)} to ${formatNumber(most, 1)} mm, got ${domeMm}.`,
    });
  const narrowest = radius + Math.min(0, Math.sin(flareDeg * TO_RAD)) * skirtMm;
  if (narrowest < LEAST_RADIUS * radius)
    found.push({
      field: "flareDeg",
      message: `Leaning in by ${-flareDeg}° over ${skirtMm} mm the rim would be ${formatNumber(Math.max(0, narrowest * 2 * Math.PI), 1)} mm round; it must be ${formatNumber(LEAST_RADIUS * roundMm, 1)} mm at least.`,
    });
  const arc = (roundMm * SLITTED_DEG) / 360;
  const ball = `On a radius of ${formatNumber(radius, 1)} mm`;
  return [
    ...found,
    ...roomProblem("crestMm", crestMm, 0.5 * radius, `${ball} a crest`),
    ...roomProblem("bandMm", bandMm, 0.25 * radius, `${ball} a band`),
    ...countProblem("rivets", rivets, roundMm, LEAST_RIVET_MM, "rivets"),
    ...roomProblem(
      "slitMm",
      slits > 0 && skirtMm > 0 ? slitMm : 0,
      (0.75 * arc) / Math.max(1, slits),
      `${slits} slits on ${formatNumber(arc, 1)} mm in front: one`,
    ),
  ];
}

/** A helmet: a dome over a band with rivets, a visor with slits below it, a crest from front to back. */
export const helmet = defineForm({
  id: "helmet",
  version: 2,
  added: { 2: { slitDeepMm: 0.4 } },
  label: "Helmet with band and visor",
  about: "A dome, a riveted band, a flared part with slits or vents; laid flat as a disc of the same area.",
  worn: { seats: ["head"], by: "top", how: "round" },
  material: "shell",
  params,
  problems,
  build(values, seed) {
    const wrong = problems(values);
    if (wrong.length > 0) throw new InputError(wrong);
    const shell = buildCap({
      id: "helmet",
      overMm: values.domeMm + values.skirtMm,
      radiusAt: outlineOf(values),
      relief: reliefOf(values, seed),
      opening: openingOf(values),
    });
    const { slits, slitMm, skirtMm } = values;
    const gaps = slits > 0 && skirtMm > 0 ? { name: "slit", count: slits, widthMm: slitMm } : undefined;
    return { ...shell, edgeMm: PLATE_EDGE_MM, gaps };
  },
});
