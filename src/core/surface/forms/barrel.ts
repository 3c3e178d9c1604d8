import { InputError, type Problem } from "../../errors";
import { hash01 } from "../../random";
import { modulo, smoothstep } from "../../units";
import type { ParamValues } from "../../params";
import { defineForm, PLATE_EDGE_MM, type Place } from "./form";
import { grainOf } from "./grain";
import { countProblem, mmSize, roomProblem, sizeProblems, turnedProblems } from "./sizes";
import { buildTurned, girths, roundNoise } from "./turned";

const params = {
  lengthMm: mmSize("Height", [3, 200], 0.5, 13, "Along a stave, the strip lying on its curve."),
  endMm: mmSize("Round the ends", [4, 400], 0.5, 26, "A paper strip round it at the rim."),
  middleMm: mmSize("Round the middle", [4, 400], 0.5, 32, "The same where it bulges most."),
  staves: {
    ...{ label: "Staves", unit: "", range: [0, 60] as const, step: 1, default: 18 },
    about: "Boards it is made of, counted once round; 0 for a drum of sheet metal.",
  },
  gapMm: mmSize("Gap between staves", [0.02, 1], 0.02, 0.12, "By eye against a brush's finest line."),
  grainMm: mmSize("Grain", [0, 0.4], 0.01, 0.04, "How far it stands out; on a drum, how far it is dented."),
  hoops: {
    ...{ label: "Hoops", unit: "", range: [0, 10] as const, step: 1, default: 4 },
    about: "Bands of iron round it, or the ribs of a drum, counted.",
  },
  hoopMm: mmSize("Width of a hoop", [0.2, 12], 0.05, 0.9, "Along a stave, by eye against a ruler."),
  proudMm: mmSize("Hoops stand out", [0.03, 2], 0.01, 0.16, "How far over the staves, with a pin."),
  rivetMm: mmSize("Rivets", [0, 1.5], 0.02, 0.3, "Across a head, two where a hoop's ends lap; 0 for none."),
} as const;

type Sizes = ParamValues<typeof params>;

/** A stave is no narrower than this, mm; its gap is so deep against its width. */
const [LEAST_STAVE_MM, DEEP] = [0.5, 0.5] as const;
/** Hoops lie in the outer part of either half, from here on, and in the middle if their number is odd. */
const OUTER = 0.36;
/** What stands out takes no more of the radius than this. */
const MOST_PROUD = 0.3;

/** Middles of the hoops, mm from the lower end. */
function hoopsOf({ hoops, hoopMm, lengthMm }: Sizes): number[] {
  const pairs = Math.floor(hoops / 2);
  const middles = hoops % 2 === 1 ? [lengthMm / 2] : [];
  for (let at = 0; at < pairs; at++) {
    const from = hoopMm / 2 + (pairs === 1 ? 0.12 : at / (pairs - 1)) * (OUTER * lengthMm - hoopMm);
    middles.push(from, lengthMm - from);
  }
  return middles;
}

/** A hoop at a height: how far in from its rims, mm, below 0 beside it; and which one. */
function hoopAt(heightMm: number, middles: readonly number[], { hoopMm }: Sizes) {
  let [inMm, number] = [-Infinity, -1];
  middles.forEach((middle, at) => {
    const here = hoopMm / 2 - Math.abs(heightMm - middle);
    if (here > inMm) [inMm, number] = [here, at];
  });
  return { inMm, number };
}

/** Rivets where the ends of a hoop lap: from the middle of the nearest, in radii of its head. */
function offRivet({ turnDeg, heightMm }: Place, middleMm: number, lapDeg: number, sizes: Sizes): number {
  const { rivetMm, middleMm: round } = sizes;
  if (rivetMm === 0) return Infinity;
  const aside = ((modulo(turnDeg - lapDeg + 180, 360) - 180) / 360) * round;
  return Math.hypot(Math.abs(aside) - rivetMm, heightMm - middleMm) / (rivetMm / 2);
}

function shapeOf(sizes: Sizes, seed: number) {
  const { middleMm, staves, gapMm, grainMm, hoopMm, proudMm, rivetMm } = sizes;
  const middles = hoopsOf(sizes);
  const lapOf = (number: number) => 360 * hash01(seed, number, 71);
  const grain = grainOf(seed);
  const dents = roundNoise(seed + 3, Math.max(4, Math.round(middleMm / 3)), 3);
  const fine = roundNoise(seed + 4, Math.max(8, Math.round(middleMm / 0.7)), 0.7);
  const wide = staves > 0 ? middleMm / staves : 0;
  const stave = (place: Place) => {
    const turns = (modulo(place.turnDeg, 360) / 360) * staves;
    const at = Math.min(staves - 1, Math.floor(turns));
    const aside = (turns - at - 0.5) * wide;
    const toRim = wide / 2 - Math.abs(aside) - gapMm / 2;
    const own = 0.5 * hash01(seed, at, 30) * gapMm;
    return (
      smoothstep(-0.5 * gapMm, 0.6 * gapMm, toRim) * (DEEP * gapMm + own) +
      grainMm * grain(place.heightMm, aside, at)
    );
  };
  const sheet = (place: Place) => grainMm * (dents(place) + 0.2 * fine(place));
  return {
    relief(place: Place): number {
      const up = staves > 0 ? stave(place) : sheet(place);
      const { inMm, number } = hoopAt(place.heightMm, middles, sizes);
      const on = number < 0 ? 0 : smoothstep(-0.05, 0.05, inMm);
      if (on === 0) return up;
      const off = offRivet(place, middles[number]!, lapOf(number), sizes);
      const head = off < 1 ? 0.4 * rivetMm * Math.sqrt(1 - 0.9 * off * off) : 0;
      // A drum's ribs are rolled round; a hoop is a flat band that lies on the staves.
      const round = staves > 0 ? 1 : Math.sqrt(Math.max(0, (2 * inMm) / hoopMm));
      const top = (staves > 0 ? gapMm : 0) + proudMm * round + 0.08 * proudMm * fine(place) + head;
      return up + on * (top - up);
    },
    fitting: (place: Place): number =>
      staves > 0 && hoopAt(place.heightMm, middles, sizes).inMm > 0 ? 1 : 0,
  };
}

const girthsOf = ({ lengthMm, endMm, middleMm }: Sizes) =>
  [
    [0, endMm],
    [lengthMm / 2, middleMm],
    [lengthMm, endMm],
  ] as const;

function problems(values: Sizes): Problem[] {
  const found = sizeProblems(params, values);
  if (found.length > 0) return found;
  const { lengthMm, endMm, middleMm, staves, gapMm, grainMm, hoops, hoopMm, proudMm, rivetMm } = values;
  const thin = Math.min(endMm, middleMm);
  const [stave, radius] = [thin / Math.max(1, staves), thin / (2 * Math.PI)];
  return [
    ...turnedProblems(girthsOf(values), 0, { girth: "middleMm", what: "a barrel" }),
    ...countProblem("staves", staves, thin, LEAST_STAVE_MM, "staves"),
    ...(staves === 0
      ? []
      : roomProblem(
          "gapMm",
          gapMm,
          0.3 * stave,
          `Staves are ${stave.toFixed(2)} mm wide: a gap between them`,
        )),
    ...roomProblem("grainMm", grainMm, 0.1 * radius, `On a radius of ${radius.toFixed(2)} mm the grain`),
    ...countProblem("hoops", hoops, 2 * OUTER * lengthMm, 1.3 * hoopMm, "hoops"),
    ...(hoops === 0
      ? []
      : [
          ...roomProblem("hoopMm", hoopMm, OUTER * lengthMm, `On ${lengthMm} mm of height a hoop`),
          ...roomProblem(
            "proudMm",
            proudMm,
            MOST_PROUD * radius,
            `On a radius of ${radius.toFixed(2)} mm a hoop`,
          ),
          ...roomProblem("rivetMm", rivetMm, 0.8 * hoopMm, `On a hoop ${hoopMm} mm wide a rivet`),
        ]),
  ];
}

/** A barrel of staves with iron hoops, or a drum of sheet metal with rolled ribs. */
export const barrel = defineForm({
  id: "barrel",
  version: 1,
  label: "Barrel or drum",
  about: "Staves with grain and iron hoops, or a drum of sheet metal with ribs. Its head is a base, round.",
  worn: { seats: ["base", "hull", "roof"], by: "foot", how: "on" },
  material: "wood",
  params,
  problems,
  build(values, seed) {
    const wrong = problems(values);
    if (wrong.length > 0) throw new InputError(wrong);
    const turned = buildTurned({
      ...{ id: "barrel", lengthMm: values.lengthMm, roundAt: girths(girthsOf(values)) },
      ...shapeOf(values, seed),
    });
    return { ...turned, edgeMm: PLATE_EDGE_MM };
  },
});
