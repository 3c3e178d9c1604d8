import { inZones } from "../../job";
import {
  clearTone,
  defineScheme,
  flickMm,
  markMm,
  perMm2,
  tone,
  WEAR_OF,
  type Look,
  type SchemeCoat,
  type SchemeRoom,
  type SchemeTone,
} from "../scheme";

type Step = `step-${number}`;
type Tone = Step | "edge" | "shade" | "lining";

/** How many lights are laid, and how far they reach in L* from the ground to the last. */
const LIGHTS_OF: Readonly<Record<Look, number>> = { quiet: 3, plain: 5, striking: 7 };
const SPAN_OF: Readonly<Record<Look, number>> = { quiet: 28, plain: 42, striking: 52 };
/** So many of the last lights are laid twice, though never the first. */
const LAST_LIGHTS = 3;
/** The ground lies this share of the span below the shell's own colour: it is mostly dark. */
const BELOW = 0.42;

const lightsOf = ({ answers, standard }: SchemeRoom): number =>
  LIGHTS_OF[answers.look] - (standard === "tabletop" && answers.look !== "quiet" ? 1 : 0);

/** Smooth shells: simple shapes lit one by one in many thin coats, each drawn together by a thinner one over it. */
export const shellLayered = defineScheme<Tone>({
  id: "shell-layered",
  version: 4,
  label: "Smooth shell",
  about:
    "Light is built up in many thin coats of strokes round the form, each drawn together by a thinner one; shade is glazed in, edges are lined last.",
  material: "shell",
  startColour: "#8c2a1e",
  tones(room) {
    const [lights, span] = [lightsOf(room), SPAN_OF[room.answers.look]];
    const steps = Array.from({ length: lights + 1 }, (_, at): [Step, SchemeTone] => {
      const to = at / lights;
      const name = at === 0 ? "shell" : `shell, light ${at}`;
      return [`step-${at}`, tone(name, span * (to - BELOW), 1, 5 * to)];
    });
    return {
      ...Object.fromEntries(steps),
      edge: tone("shell, edge", span * (1.08 - BELOW), 0.75, 9),
      shade: clearTone("shell shade", -18, 0.9, -10),
      lining: clearTone("shell lining", -26, 0.4, -20),
    };
  },
  coats(room) {
    const lights = Array.from({ length: lightsOf(room) }, (_, at) => drawnTogether(room, at + 1)).flat();
    const steps = [ground, ...lights, shade, lining];
    const { look, age } = room.answers;
    if (look === "quiet") return [...steps, edge(room), ...(age === "old" ? [scratches(room)] : [])];
    return [...steps, edge(room), brightEdge(room), ...(age === "new" ? [] : [scratches(room)])];
  },
});

const ground: SchemeCoat<Tone> = {
  key: "ground",
  name: "Ground, thinly and twice",
  technique: "base-coat",
  tone: "step-0",
  water: 2,
  passes: 3,
  place: { kind: "everywhere" },
  params: { unevenness: 8 },
};

/** One light: strokes round the form, then a thinner coat of the same over its area. */
function drawnTogether(room: SchemeRoom, at: number): SchemeCoat<Tone>[] {
  const lights = lightsOf(room);
  const from = Math.round((100 * at) / (lights + 1)) / 100;
  const fade = Math.round(100 / lights) / 100;
  const place = inZones([], 0, { values: { from, to: 1, fade } });
  const to = (at - 1) / Math.max(1, lights - 1);
  const between = (first: number, last: number) => first + (last - first) * to;
  return [
    {
      key: `strokes-${at}`,
      name: `Light ${at}, strokes`,
      technique: "touch",
      tone: `step-${at}`,
      water: 3,
      place,
      params: {
        density: perMm2(room, between(10, 18)),
        width: markMm(room, between(0.26, 0.1)),
        long: Math.round(between(60, 30)) * 10,
        spread: 30,
        hides: Math.round(between(11, 8)) * 5,
        angle: 90,
        angleSpread: 20,
      },
    },
    {
      key: `over-${at}`,
      name: `Light ${at}, thinly over it`,
      technique: "layer",
      tone: `step-${at}`,
      water: 5,
      // The last lights lie on little ground and have to reach what they are mixed for.
      passes: at > 1 && at > lights - LAST_LIGHTS ? 2 : 1,
      place,
      params: { feather: 100, waver: 15, unevenness: 6 },
    },
  ];
}

/** Glazed in under rims and on the far side. */
const shade: SchemeCoat<Tone> = {
  key: "shade",
  name: "Shade glazed in",
  technique: "glaze",
  tone: "shade",
  water: 6,
  passes: 3,
  place: inZones([], 0, { values: { from: 0, to: 0.3, fade: 0.4 } }),
  params: { pull: 35, unevenness: 8 },
};

const lining: SchemeCoat<Tone> = {
  key: "lining",
  name: "Dark in gaps and vents",
  technique: "pin-wash",
  tone: "lining",
  water: 4,
  place: { kind: "everywhere" },
};

/** Coats soften an edge: it is painted again, wide and dull, then narrow where the light falls. */
const edge = (room: SchemeRoom): SchemeCoat<Tone> => ({
  key: "edge",
  name: "Edges",
  technique: "edge-line",
  tone: `step-${Math.max(1, lightsOf(room) - 1)}`,
  water: 1,
  place: inZones([], 0, { values: { from: 0.25, to: 1, fade: 0.4 } }),
  params: { width: markMm(room, 0.1), broken: 20 },
});

const brightEdge = (room: SchemeRoom): SchemeCoat<Tone> => ({
  key: "bright-edge",
  name: "Edges in the light",
  technique: "edge-line",
  tone: "edge",
  water: 1,
  place: inZones([], 0, { values: { from: 0.65, to: 1, fade: 0.4 } }),
  params: { width: flickMm(room, 0.06), broken: 45 },
});

const scratches = (room: SchemeRoom): SchemeCoat<Tone> => ({
  key: "scratches",
  event: "scratched",
  name: "The odd scratch",
  technique: "scratch",
  tone: "edge",
  water: 1,
  place: inZones(["worn"], 0.05),
  params: {
    density: perMm2(room, 0.35 * WEAR_OF[room.answers.age]),
    length: 0.6 * room.scale,
    lengthSpread: 80,
    width: flickMm(room, 0.045),
    angle: 60,
    angleSpread: 80,
  },
});
