import { inZones } from "../../job";
import { EARTH, footOf, ROCK, soilTone } from "../ground";
import {
  clearTone,
  CONTRAST,
  defineScheme,
  markMm,
  tone,
  usedTones,
  WEAR_OF,
  type SchemeCoat,
  type SchemeRoom,
  type SchemeTone,
} from "../scheme";

type GroundTone =
  | "deep"
  | "rock-dark"
  | "rock"
  | "rock-light"
  | "edge"
  | "green"
  | "blue"
  | "brown"
  | "shade"
  | "soil-dark"
  | "soil"
  | "soil-pale";

function tonesFor(room: SchemeRoom): Readonly<Record<GroundTone, SchemeTone>> {
  const span = CONTRAST[room.answers.look];
  return {
    deep: tone("rock, deepest", -37, 0.8),
    "rock-dark": tone("rock, dark", -16 * span, 0.9),
    rock: tone("rock", 0),
    "rock-light": tone("rock, light", 11 * span, 0.9),
    edge: tone("rock, edges", 28 * span, 0.8),
    green: { ...clearTone("rock, green in pools", -6, 1.3), own: "#6f7a4c" },
    blue: { ...clearTone("rock, blue spread", -4, 1.6), own: "#66758c" },
    brown: { ...clearTone("rock, brown in places", -6, 1.2), own: "#8a5f3c" },
    shade: { ...clearTone("ground, dark wash", -24), own: "#4a443c" },
    "soil-dark": soilTone("soil, wet", -26, 0.7),
    soil: soilTone("soil", 0),
    "soil-pale": soilTone("soil, dry", 13 * span, 0.85),
  };
}

/** Which way each coat is brushed: strokes one way alone make wood of stone. */
const SIDES: Readonly<Record<string, number>> = { "over-1": 20, "over-2": 80, "over-3": 140 };

/** Overbrushed on less and less of what stands out. */
function overbrushed(
  ...[key, name, of, reach, load, from]: readonly [string, string, GroundTone, number, number, number]
): SchemeCoat<GroundTone> {
  return {
    ...{ key, name, technique: "overbrush", tone: of, water: 0.5 },
    place: inZones(["built"], 0, { values: { from, to: 1, fade: 0.5 } }),
    // Soft and worked from all sides: it gets at every ledge.
    params: { radius: 0.5, reach, load, across: SIDES[key] ?? 90 },
  };
}

/** A thin hue in patches of its own. */
const local = (
  ...[key, name, coverage, size, soft, rim]: readonly [
    "blue" | "brown",
    string,
    number,
    number,
    number,
    number,
  ]
): SchemeCoat<GroundTone> => ({
  ...{ key, name, technique: "stain", tone: key, water: 2, place: ROCK },
  passes: 2,
  params: { coverage, size, soft, rim, hollows: 40 },
});

/** Dark, and the rock brushed over on less of it each time. */
const rockBrushed: readonly SchemeCoat<GroundTone>[] = [
  {
    ...{ key: "deep", name: "Dark over the rock", technique: "base-coat", tone: "deep" },
    ...{ water: 1, passes: 2, place: ROCK },
  },
  {
    ...{ key: "soil-dark", name: "Wet soil between the rocks", technique: "base-coat", tone: "soil-dark" },
    ...{ water: 1, passes: 2, place: EARTH },
  },
  overbrushed("over-1", "Rock, overbrushed nearly all over", "rock-dark", 480, 95, 0),
  overbrushed("over-2", "Rock, overbrushed on half of it", "rock", 240, 75, 0),
];

const green: SchemeCoat<GroundTone> = {
  ...{ key: "green", name: "Green left in pools", technique: "wash", tone: "green", water: 4 },
  ...{ place: ROCK, params: { wet: 60, cling: 10, rim: 25 } },
};
const shade: SchemeCoat<GroundTone> = {
  ...{ key: "shade", name: "Darkening wash", technique: "wash", tone: "shade", water: 4 },
  ...{ place: { kind: "everywhere" }, params: { wet: 50, cling: 7 } },
};

/** Thin hues over it, a darkening wash, and the last lights. */
function rockTinted({ answers: { look, age }, ...room }: SchemeRoom): SchemeCoat<GroundTone>[] {
  const quiet = look === "quiet";
  return [
    green,
    local("blue", "Blue spread over half", quiet ? 35 : 50, 5, 90, 0),
    local("brown", "Brown in a few places", Math.min(45, Math.round(22 * WEAR_OF[age])), 3, 50, 40),
    shade,
    overbrushed("over-3", "Rock, its lightest third", "rock-light", 70, 55, 0.15),
    {
      ...{ key: "edge", name: "Extreme edges", technique: "edge-line", tone: "edge", water: 0.5 },
      place: inZones(["built", "upper-edges"], 0, { values: { from: 0.1, to: 1, fade: 0.6 } }),
      params: { width: markMm(room, 0.09), broken: quiet ? 60 : 35 },
    },
  ];
}

const soilBrushed = (
  key: "soil" | "soil-pale",
  name: string,
  reach: number,
  across: number,
): SchemeCoat<GroundTone> => ({
  ...{ key, name, technique: "dry-brush", tone: key, water: 0, place: EARTH },
  params: { radius: 0.8, reach, load: 45, across },
});

/** The soil brushed dry, damp here and there, and a little of each material's colour on the other. */
const soil = (room: SchemeRoom): SchemeCoat<GroundTone>[] => [
  soilBrushed("soil", "Soil brushed dry", 60, 45),
  soilBrushed("soil-pale", "Dry soil on what stands out", 25, 135),
  {
    ...{ key: "damp", name: "Damp patches in the soil", technique: "stain", tone: "soil-dark", water: 3 },
    ...{ place: EARTH, params: { coverage: 30, size: 5, soft: 90, rim: 10, hollows: 60, grains: 0 } },
  },
  {
    ...{ key: "foot", name: "Soil drawn up the foot of the rocks", technique: "stipple", tone: "soil" },
    ...{ water: 3, params: { size: markMm(room, 0.16), density: 4, spread: 40 } },
    place: footOf("soil-dark"),
  },
  {
    ...{ key: "grit", name: "Rock colour over the soil", technique: "dry-brush", tone: "rock-dark" },
    ...{ water: 0, place: EARTH, params: { radius: 0.6, reach: 15, load: 20, across: 90 } },
  },
];

const coatsFor = (room: SchemeRoom): SchemeCoat<GroundTone>[] => [
  ...rockBrushed,
  ...rockTinted(room),
  ...soil(room),
];

/** Rock and soil of a base: dark, overbrushed on less ground each time, thin hues, a darkening wash, lights. */
export const groundOverbrushed = defineScheme<GroundTone>({
  id: "ground-overbrushed",
  version: 1,
  label: "Overbrushed, thin hues between",
  about:
    "Dark first; the rock overbrushed on less of it each time, thin green pooled, blue spread and brown in places, a darkening wash, then lights and edges; the soil brushed dry in two tones, and a little of each colour on the other.",
  material: "rock and soil",
  startColour: "#86868a",
  tones: (room) => usedTones(tonesFor(room), coatsFor(room)),
  coats: coatsFor,
});
