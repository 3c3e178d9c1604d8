import { InputError, type Problem } from "../../errors";
import { hash01 } from "../../random";
import { formatNumber, smoothstep } from "../../units";
import { defineForm, type Place } from "./form";
import { countProblem, roomProblem, sizeProblems } from "./sizes";
import { buildTurned, girths, roundNoise } from "./turned";

const params = {
  lengthMm: {
    label: "Length",
    unit: "mm",
    range: [2, 120],
    step: 0.5,
    default: 13,
    about: "Along its outer curve from root to tip, with a thread laid on it and measured.",
  },
  rootMm: {
    label: "Round the root",
    unit: "mm",
    range: [0.8, 120],
    step: 0.1,
    default: 10,
    about: "A paper strip or thread once round where it leaves the head, paw or hide.",
  },
  tipMm: {
    label: "Round the tip",
    unit: "mm",
    range: [0.2, 60],
    step: 0.1,
    default: 1,
    about: "The same as near the point as the thread will lie.",
  },
  bendDeg: {
    label: "Bend",
    unit: "°",
    range: [0, 300],
    step: 5,
    default: 70,
    about: "How far its direction turns from root to tip: 0 straight, 90 a quarter of a circle.",
  },
  rings: {
    label: "Rings",
    unit: "",
    range: [0, 60],
    step: 1,
    default: 20,
    about: "Ridges round it, counted from the root; they end before the tip. 0 for a smooth claw.",
  },
  ringMm: {
    label: "Height of a ring",
    unit: "mm",
    range: [0, 2],
    step: 0.02,
    default: 0.12,
    about: "How far a ridge stands out near the root, with a pin.",
  },
  twistDeg: {
    label: "Twist of the grain",
    unit: "°",
    range: [-360, 360],
    step: 5,
    default: 30,
    about: "How far the fibres turn round it from root to tip; 0 runs straight.",
  },
} as const;

type Values = { readonly [K in keyof typeof params]: number };

/** Share of the length, from the root, at which the last ring has gone. */
const RINGED = 0.82;
/** Rings lie no closer than this, mm, and take no more of the radius. */
const LEAST_RING_MM = 0.3;
const MOST_RING = 0.4;
/** Grain: this deep, mm, and this wide at the root. */
const [GRAIN_MM, FIBRE_MM] = [0.011, 0.17] as const;
/** A bend takes no more of the inner side than this share. */
const MOST_BENT = 0.85;

/** Where each ring begins, mm from the root: wider apart there, each a little unlike its neighbours. */
function ringsOf({ rings, lengthMm }: Values, seed: number): Float64Array {
  const widths = Array.from(
    { length: rings },
    (_, at) => (1.25 - (0.5 * at) / rings) * (1 + 0.6 * (hash01(seed, at, 3) - 0.5)),
  );
  const all = widths.reduce((sum, width) => sum + width, 0);
  const starts = new Float64Array(rings + 1);
  widths.forEach((width, at) => (starts[at + 1] = starts[at]! + (width / all) * RINGED * lengthMm));
  return starts;
}

/** Height of rings and grain, mm. */
function reliefOf(values: Values, seed: number): (place: Place) => number {
  const { lengthMm, rootMm, rings, ringMm, twistDeg } = values;
  const starts = ringsOf(values, seed);
  const fibres = Math.max(5, Math.round(rootMm / FIBRE_MM));
  const grain = roundNoise(seed + 1, fibres, Math.max(1.2, 0.16 * lengthMm));
  const fine = roundNoise(seed + 2, fibres * 2, Math.max(0.8, 0.1 * lengthMm));
  const waver = roundNoise(seed + 3, 5, 0.12 * lengthMm);
  const widest = rings > 0 ? (RINGED * lengthMm) / rings : 0;
  return (place) => {
    const down = place.heightMm / lengthMm;
    const turned = { turnDeg: place.turnDeg + twistDeg * down, heightMm: place.heightMm };
    // Fibres run together towards the tip, and so do their heights.
    let height = GRAIN_MM * (1 - 0.8 * down) * (0.7 * grain(turned) + 0.3 * fine(turned));
    if (rings === 0 || down > RINGED) return height;
    const at = place.heightMm + 0.16 * widest * waver(place);
    let ring = 0;
    while (ring < rings - 1 && starts[ring + 1]! < at) ring++;
    const within = (at - starts[ring]!) / (starts[ring + 1]! - starts[ring]!);
    if (within < 0 || within > 1) return height;
    // Steep towards the root, falling off slowly towards the tip, and less from ring to ring.
    const shape = smoothstep(0, 0.2, within) * (1 - within) ** 2.6;
    height += 1.85 * ringMm * shape * (1 - smoothstep(0.35, RINGED, down));
    return height;
  };
}

function problems(values: Values): Problem[] {
  const found = sizeProblems(params, values);
  if (found.length > 0) return found;
  const { lengthMm, rootMm, tipMm, bendDeg, rings, ringMm } = values;
  const radius = rootMm / (2 * Math.PI);
  if (tipMm > rootMm)
    found.push({ field: "tipMm", message: `The tip cannot be thicker than the root of ${rootMm} mm round.` });
  const least = (1.6 * (rootMm - tipMm)) / (2 * Math.PI);
  if (lengthMm < least)
    found.push({
      field: "lengthMm",
      message: `From ${rootMm} mm round to ${tipMm} mm a horn is at least ${formatNumber(least, 1)} mm long, got ${lengthMm}.`,
    });
  const most = (MOST_BENT * lengthMm) / radius / (Math.PI / 180);
  if (bendDeg > most)
    found.push({
      field: "bendDeg",
      message: `A horn ${lengthMm} mm long and ${rootMm} mm round can bend by ${formatNumber(most, 0)}° at most, or its inner side would fold.`,
    });
  return [
    ...found,
    ...countProblem("rings", rings, RINGED * lengthMm, LEAST_RING_MM, "rings"),
    ...(rings === 0
      ? []
      : roomProblem("ringMm", ringMm, MOST_RING * radius, `On a radius of ${radius.toFixed(2)} mm a ring`)),
  ];
}

/** A horn, claw, tusk or tooth: tapering, bent, ringed from its root, with grain along it. */
export const horn = defineForm({
  id: "horn",
  version: 1,
  label: "Horn, claw or tusk",
  about: "A tapering, curved piece, ringed or smooth, with fibres along it.",
  worn: { seats: ["head", "tail", "hull"], by: "foot", how: "round" },
  material: "shell",
  params,
  problems,
  build(values, seed) {
    const wrong = problems(values);
    if (wrong.length > 0) throw new InputError(wrong);
    const { lengthMm, rootMm, tipMm, bendDeg } = values;
    // It swells a little below the middle before it runs to the point.
    const middle = tipMm + 0.56 * (rootMm - tipMm);
    return buildTurned({
      id: "horn",
      lengthMm,
      roundAt: girths([
        [0, rootMm],
        [0.5 * lengthMm, middle],
        [lengthMm, tipMm],
      ]),
      relief: reliefOf(values, seed),
      bendDeg,
    });
  },
});
