import { inZones, type Place } from "../../job";
import {
  baseLayer,
  clearTone,
  CONTRAST,
  defineScheme,
  markMm,
  tone,
  WEAR_OF,
  type SchemeCoat,
  type SchemeRoom,
  type SchemeTone,
  usedTones,
} from "../scheme";

type Tone =
  | "base"
  | "belly"
  | "saddle"
  | "gaps"
  | "under"
  | "deep"
  | "line"
  | "edge"
  | "light"
  | "pale"
  | "speck"
  | "belly-light"
  | "scar"
  | "tie";

const isTable = ({ standard }: SchemeRoom): boolean => standard === "tabletop";
const isQuiet = ({ answers }: SchemeRoom): boolean => answers.look === "quiet";

/**
 * Scaled hide, scale by scale: back and belly each in a tone, a wash between scales, brown and a cold dark drawn into what
 * lies below, a dark line along the side of each that looks away from the light; then the side of every scale that looks to the light, and more of it the more it faces the light.
 */
export const scalesPlated = defineScheme<Tone>({
  id: "scales-plated",
  version: 4,
  label: "Scale by scale",
  about:
    "A tone for the back and one for the belly, a wash between scales, brown and a cold dark drawn below, a dark line along each scale; then the lit edge of every scale, more of it the more it faces the light, and specks on the highest corners. For the table, edges and specks alone.",
  material: "scaled hide",
  startColour: "#4f5b42",
  hide: ["scales", "painted"],
  tones: (room) => usedTones(tonesOf(room), coatsOf(room)),
  coats: coatsOf,
});

function tonesOf({ answers }: SchemeRoom): Readonly<Record<Tone, SchemeTone>> {
  const span = CONTRAST[answers.look];
  return {
    base: tone("scales, base", -10 * span, 1, 0),
    belly: tone("belly, base", 22 * span, 1.2, -22),
    saddle: clearTone("scales, saddle", -18, 0.8, -20),
    gaps: clearTone("scales, wash", -20, 0.7, -14),
    under: clearTone("scales, brown below", -14, 1.2, -32),
    deep: clearTone("scales, cold dark", -24, 0.7, 110),
    line: tone("scales, lines", -32 * span, 0.75, 30),
    edge: tone("scales, edges", 20 * span, 1.05, 3),
    light: tone("scales, light", 35 * span, 0.95, 6),
    pale: tone("scales, rims", 46 * span, 0.75, 8),
    speck: tone("scales, specks", 57 * span, 0.45, 10),
    "belly-light": tone("belly, light", 42 * span, 0.9, -18),
    scar: tone("scales, scars", 34 * span, 0.5, -10),
    tie: clearTone("scales glaze", -6, 1.2, 2),
  };
}

function coatsOf(room: SchemeRoom): SchemeCoat<Tone>[] {
  return [
    baseLayer<Tone>("Base, back and flanks", "base"),
    belly,
    ...(isQuiet(room) || isTable(room) ? [] : [saddle]),
    ...shades(room),
    ...(isQuiet(room) && isTable(room) ? [] : [outlines(room)]),
    ...lights(room),
    ...(room.answers.age === "new" ? [] : [scars(room)]),
    ...(isTable(room) ? [] : [tie]),
  ];
}

const belly: SchemeCoat<Tone> = {
  ...{ key: "belly", name: "Belly", technique: "layer", tone: "belly", water: 1.5, passes: 3 },
  place: inZones(["belly"], 0),
  params: { feather: 15, waver: 20 },
};

/** Darker towards the back: one thin coat over all that lies up there. */
const saddle: SchemeCoat<Tone> = {
  ...{ key: "saddle", name: "Darker back", technique: "glaze", tone: "saddle", water: 4, passes: 2 },
  place: inZones(["back"], 0),
  params: { pull: 20, unevenness: 40 },
};

const glaze = (key: string, name: string, tone: Tone, place: Place, passes: number): SchemeCoat<Tone> => ({
  ...{ key, name, technique: "glaze", tone, water: 4, passes, place },
  params: { pull: 30, unevenness: 20 },
});

const shades = (room: SchemeRoom): SchemeCoat<Tone>[] => [
  {
    ...{ key: "gaps", name: "Wash between scales", technique: "wash", tone: "gaps", water: 4 },
    place: { kind: "everywhere" },
    params: { wet: 40, cling: 5, unevenness: 20, rim: 0 },
  },
  {
    ...{ key: "lines", name: "Dark into the gaps", technique: "pin-wash", tone: "deep", water: 4, passes: 2 },
    place: inZones(["off-belly"], 0.3),
  },
  glaze("under", "Brown below", "under", inZones([], 0, { values: { from: 0, to: 0.45, fade: 0.5 } }), 2),
  ...(isTable(room) || isQuiet(room)
    ? []
    : [
        glaze(
          "deep",
          "Cold dark below",
          "deep",
          inZones([], 0, { values: { from: 0, to: 0.2, fade: 0.4 } }),
          2,
        ),
      ]),
];

/** What parts one scale from the next where nothing is sculpted, and sets off its lit edge where it is. */
const outlines = (room: SchemeRoom): SchemeCoat<Tone> => ({
  ...{
    key: "outlines",
    name: "Dark edge of every scale",
    technique: "plate-lines",
    tone: "line",
    water: 1.5,
  },
  place: inZones(["off-belly"], 0),
  params: { width: markMm(room, 0.1), around: isTable(room) ? 0 : 25, soft: isTable(room) ? 0 : 40 },
});

interface Plates {
  readonly edge: number;
  readonly fill: number;
  readonly from: number;
  readonly corner?: number;
  readonly broken?: number;
}

/** Scale by scale, wherever there are scales of that kind. */
function scaleByScale(
  room: SchemeRoom,
  [key, name, tone]: readonly [key: string, name: string, tone: Tone],
  place: Place,
  { edge, fill, from, corner = 0, broken = 20 }: Plates,
): SchemeCoat<Tone> {
  return {
    ...{ key, name, technique: "plates", tone, water: 0.5, place },
    params: {
      edge: edge === 0 ? 0 : markMm(room, edge),
      ...{ fill, from, corner, hides: 85 },
      broken: Math.min(90, Math.round((broken * Math.sqrt(WEAR_OF[room.answers.age])) / 5) * 5),
    },
  };
}

/** The lit side of every scale, then more and more on fewer and fewer. */
function lights(room: SchemeRoom): SchemeCoat<Tone>[] {
  const back = inZones(["off-belly"], 0);
  const edges = scaleByScale(room, ["edges", "Lit edge of every scale", "edge"], back, {
    edge: 0.13,
    fill: 0,
    from: 0,
    broken: 10,
  });
  const plates = scaleByScale(
    room,
    ["belly-plates", "Belly, plate by plate", "belly-light"],
    inZones(["belly"], 0),
    {
      ...{ edge: 0.12, fill: 55, from: 6 },
    },
  );
  const specks = scaleByScale(room, ["specks", "Specks on the highest corners", "speck"], back, {
    ...{ edge: 0.11, fill: 0, from: 58, corner: 75, broken: 30 },
  });
  if (isTable(room)) return isQuiet(room) ? [edges, plates] : [edges, plates, specks];
  const filled = scaleByScale(room, ["filled", "More of what faces the light", "edge"], back, {
    edge: 0,
    fill: 90,
    from: 12,
  });
  const light = scaleByScale(room, ["light", "Second tone", "light"], back, {
    edge: 0.1,
    fill: 50,
    from: 38,
  });
  if (isQuiet(room)) return [edges, filled, plates, light];
  const rims = scaleByScale(room, ["rims", "Rims in the light", "pale"], back, {
    edge: 0.09,
    fill: 0,
    from: 55,
    corner: 35,
  });
  return [edges, filled, plates, light, rims, specks];
}

/** A few scales are scarred; more on an old beast. */
const scars = (room: SchemeRoom): SchemeCoat<Tone> => ({
  ...{
    key: "scars",
    event: "scratched",
    name: "A few scars",
    technique: "scratch",
    tone: "scar",
    water: 0.5,
  },
  place: inZones(["worn", "off-belly"], 0.05),
  params: {
    density: Math.round(20 * 0.12 * WEAR_OF[room.answers.age]) / 20,
    length: Math.round(90 * room.scale) / 100,
    width: markMm(room, 0.06),
    lengthSpread: 60,
    angleSpread: 60,
  },
});

const tie: SchemeCoat<Tone> = {
  ...{ key: "tie", name: "Glaze over all", technique: "glaze", tone: "tie", water: 5 },
  place: { kind: "everywhere" },
  params: { pull: 30 },
};
