import { inZones } from "../../job";
import {
  clearTone,
  CONTRAST,
  defineScheme,
  markMm,
  tone,
  WEAR_OF,
  type SchemeCoat,
  type SchemeRoom,
  type SchemeTone,
} from "../scheme";

type Tone = "ground" | "dab-1" | "dab-2" | "dab-3" | "dab-4" | "edge" | "shade" | "line";

/** Each tone that is dabbed on: its steps of L* above the colour, its share of the place, its pores, and from where in the light. */
const DABS = [
  { tone: "dab-1", name: "First tone, sponged", lighter: -8, coverage: 60, pore: 0.33, from: 0 },
  { tone: "dab-2", name: "Second tone, sponged", lighter: 1, coverage: 40, pore: 0.28, from: 0.1 },
  { tone: "dab-3", name: "Third tone, sponged", lighter: 10, coverage: 24, pore: 0.22, from: 0.3 },
  { tone: "dab-4", name: "Last tone, sponged", lighter: 19, coverage: 11, pore: 0.17, from: 0.5 },
] as const;

const isQuiet = ({ answers }: SchemeRoom): boolean => answers.look === "quiet";
const dabsOf = (room: SchemeRoom) => (isQuiet(room) ? DABS.slice(0, 3) : DABS);

/** Painted metal, sponged on in rising tones on less and less area, then shaded, lined and edged. */
export const metalSponged = defineScheme<Tone>({
  id: "metal-sponged",
  version: 1,
  label: "Sponged in rising tones",
  about:
    "A dark ground, then lighter and lighter tones dabbed on with a torn sponge on less and less of it, most in the light; shade glazed in, lines washed dark, edges lined.",
  material: "painted metal",
  startColour: "#54686a",
  tones(room): Readonly<Record<Tone, SchemeTone>> {
    const span = CONTRAST[room.answers.look];
    return {
      ground: tone("metal, ground", -17 * span, 0.9, 4),
      ...Object.fromEntries(
        dabsOf(room).map(({ tone: key, lighter }, at) => [
          key,
          tone(`metal, tone ${at + 1}`, lighter * span, 1 - 0.05 * at),
        ]),
      ),
      edge: tone("metal, edges", (isQuiet(room) ? 17 : 27) * span, 0.8),
      shade: clearTone("metal, shade", -16, 0.8, 12),
      line: clearTone("metal, lines", -26, 0.5, 20),
    } as Record<Tone, SchemeTone>;
  },
  coats: (room) => [
    ground,
    ...dabsOf(room).map((dab) => sponged(room, dab)),
    shade,
    line,
    edges(room),
    ...(room.answers.age === "new" ? [] : [scratches(room)]),
  ],
});

const ground: SchemeCoat<Tone> = {
  ...{ key: "ground", name: "Dark ground", technique: "base-coat", tone: "ground", water: 1, passes: 2 },
  ...{ place: { kind: "everywhere" }, event: "painted" },
};

const sponged = (room: SchemeRoom, { tone: key, name, coverage, pore, from }: (typeof DABS)[number]) =>
  ({
    ...{ key, name, technique: "sponge", tone: key, water: 0.5, event: "painted" },
    place: inZones([], 0.12, { values: { from, to: 1, fade: 0.5 } }),
    params: { coverage, pore: markMm(room, pore), clusters: 45, edges: 20 },
  }) satisfies SchemeCoat<Tone>;

const shade: SchemeCoat<Tone> = {
  ...{ key: "shade", name: "Shade glazed in", technique: "glaze", tone: "shade", water: 5, passes: 2 },
  ...{ place: inZones([], 0, { values: { from: 0, to: 0.35, fade: 0.5 } }), event: "painted" },
  params: { pull: 25, unevenness: 20 },
};

const line: SchemeCoat<Tone> = {
  ...{ key: "line", name: "Dark in lines and round rivets", technique: "pin-wash", tone: "line", water: 4 },
  place: { kind: "everywhere" },
};

const edges = (room: SchemeRoom): SchemeCoat<Tone> => ({
  ...{ key: "edges", name: "Edges", technique: "edge-line", tone: "edge", water: 1, event: "painted" },
  place: inZones([], 0.1, { values: { from: 0.25, to: 1, fade: 0.5 } }),
  params: { width: markMm(room, 0.08), broken: 30 },
});

const scratches = (room: SchemeRoom): SchemeCoat<Tone> => ({
  ...{ key: "scratches", name: "Scratches", technique: "scratch", tone: "edge", water: 0.5 },
  event: "scratched",
  place: inZones(["worn"], 0.1),
  params: {
    density: Math.round(20 * 0.15 * WEAR_OF[room.answers.age]) / 20,
    length: Math.round(90 * room.scale) / 100,
    width: markMm(room, 0.05),
    lengthSpread: 70,
    angleSpread: 60,
  },
});
