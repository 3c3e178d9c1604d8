import { inZones, type Span } from "../../job";
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

type Zone = `zone-${number}`;
type Border = `border-${number}`;
type Tone = Zone | Border | "wash" | "tip-wash" | "light";

/** Zones from root to tip, and how far the tip is darker than the root, L*. */
const ZONES_OF: Readonly<Record<Look, number>> = { quiet: 3, plain: 5, striking: 7 };
const SPAN_OF: Readonly<Record<Look, number>> = { quiet: 28, plain: 44, striking: 56 };
/** The root is lighter than the horn's own colour by this share of the span. */
const ABOVE = 0.42;
/** Where the first border lies and where the last, shares of the length. */
const [FIRST, LAST] = [0.16, 0.78] as const;

/** Where the two washes meet, a share of the length from the root. */
const WASHES_MEET = 0.55;

const zonesOf = ({ answers }: SchemeRoom): number => ZONES_OF[answers.look];
/** Where the border before a zone lies, a share of the length from the root. */
const borderOf = (room: SchemeRoom, zone: number): number =>
  Math.round(100 * (FIRST + ((LAST - FIRST) * (zone - 1)) / Math.max(1, zonesOf(room) - 2))) / 100;

/** A stretch of the length. */
const stretch = (from: number, to: number, softMm: number): { readonly span: Span } => ({
  span: { along: "height", from: Math.max(0, from), to: Math.min(1, to), softMm },
});

/** Horn, bone and claws: zones from pale to dark along the form, blended at their borders, the rings lined lighter. */
export const hornZones = defineScheme<Tone>({
  id: "horn-zones",
  version: 3,
  label: "Horn in zones",
  about:
    "Zones from a pale root to a dark tip, the same all round; mixes half-way and strokes pulled both ways blend their borders, two washes, warm from the root and dark from the tip, settle between rings and meet softly, and each ring is lined lighter than its zone. Unless it is to be quiet, fine fibres run from root to tip.",
  material: "horn",
  startColour: "#8f7648",
  tones(room) {
    const [zones, span] = [zonesOf(room), SPAN_OF[room.answers.look]];
    /** So far on from the first zone to the last, 0…1. */
    const along = (name: string, to: number) => tone(name, span * (ABOVE - to), 1 - 0.35 * to, -18 * to);
    const all = Array.from({ length: zones }, (_, at): [Zone, SchemeTone] => {
      const name = at === 0 ? "horn, root" : at === zones - 1 ? "horn, tip" : `horn, zone ${at + 1}`;
      return [`zone-${at}`, along(name, at / (zones - 1))];
    });
    // Half-way to the eye between the zones it lies on.
    const borders = Array.from({ length: zones - 1 }, (_, at): [Border, SchemeTone] => [
      `border-${at + 1}`,
      {
        ...along(`horn, border ${at + 1}`, (at + 0.5) / (zones - 1)),
        between: [`zone-${at}`, `zone-${at + 1}`],
      },
    ]);
    return {
      ...Object.fromEntries<SchemeTone>([...all, ...borders]),
      wash: clearTone("horn wash", -14, 1, -10),
      "tip-wash": clearTone("horn wash, tip", -span * (1 - ABOVE) - 8, 0.6, -24),
      light: tone("horn, last light", span * ABOVE + 10, 0.7, 4),
    };
  },
  coats(room) {
    const zones = Array.from({ length: zonesOf(room) - 1 }, (_, at) => blended(room, at + 1)).flat();
    const rings = Array.from({ length: zonesOf(room) - 1 }, (_, at) => ringLines(room, at));
    const { look, age } = room.answers;
    const steps = [root, ...zones, ...washes(room), shade, ...rings];
    if (look === "quiet") return age === "old" ? [...steps, rubbed(room)] : steps;
    return [...steps, fibres(room), light(room), ...(age === "new" ? [] : [rubbed(room)])];
  },
});

const root: SchemeCoat<Tone> = {
  key: "root",
  name: "Root's tone over all",
  technique: "base-coat",
  tone: "zone-0",
  water: 1,
  passes: 2,
  place: { kind: "everywhere" },
};

/** Strokes over the border before a zone: of the zone itself, pulled back, or of the one before it, pulled forward. */
const pulled = (room: SchemeRoom, zone: number, way: "back" | "forward"): SchemeCoat<Tone> => ({
  key: `${way}-${zone}`,
  name: `Strokes ${way} over border ${zone}`,
  technique: "touch",
  tone: `zone-${way === "back" ? zone : zone - 1}`,
  water: 1.5,
  place: inZones([], 0, stretch(borderOf(room, zone) - 0.08, borderOf(room, zone) + 0.08, 1.2 * room.scale)),
  params: {
    density: perMm2(room, 9),
    width: markMm(room, 0.09),
    long: 600,
    spread: 45,
    hides: 50,
    angle: 0,
    angleSpread: 8,
  },
});

/**
 * A zone from its border on, a band of the mix half-way over the border, then strokes of the zone pulled back over it,
 * and of the one before pulled forward.
 */
function blended(room: SchemeRoom, zone: number): SchemeCoat<Tone>[] {
  const at = borderOf(room, zone);
  const zoneCoat: SchemeCoat<Tone> = {
    key: `zone-${zone}`,
    name: zone === zonesOf(room) - 1 ? "Tip" : `Zone ${zone + 1}`,
    technique: "layer",
    tone: `zone-${zone}`,
    water: 1.5,
    passes: 2,
    place: inZones([], 0, stretch(at, 1, 1.4 * room.scale)),
    params: { feather: 90, waver: 40, unevenness: 12 },
  };
  const border: SchemeCoat<Tone> = {
    key: `border-${zone}`,
    name: `Border ${zone}, in a mix half-way`,
    technique: "layer",
    tone: `border-${zone}`,
    water: 2,
    place: inZones([], 0, stretch(at - 0.05, at + 0.05, 1.2 * room.scale)),
    params: { feather: 100, waver: 40, unevenness: 12 },
  };
  const back = pulled(room, zone, "back");
  if (room.answers.look !== "striking") return [zoneCoat, border, back];
  return [zoneCoat, border, back, pulled(room, zone, "forward")];
}

/** Two washes that run out into each other: where one grows thin the other begins. */
const washes = (room: SchemeRoom): SchemeCoat<Tone>[] => {
  const softMm = 4 * room.scale;
  const laid = { technique: "wash", water: 6, params: { wet: 30, cling: 10, rim: 0 } } as const;
  return [
    {
      ...{ key: "wash", name: "Warm wash from the root, to nothing", tone: "wash", ...laid },
      place: inZones([], 0, stretch(0, WASHES_MEET, softMm)),
    },
    {
      ...{ key: "tip-wash", name: "Dark wash from the tip, to nothing", tone: "tip-wash", ...laid },
      passes: 2,
      place: inZones([], 0, stretch(WASHES_MEET, 1, softMm)),
    },
  ];
};

const shade: SchemeCoat<Tone> = {
  key: "shade",
  name: "Shade glazed in",
  technique: "glaze",
  tone: "wash",
  water: 5,
  passes: 2,
  place: inZones([], 0, { values: { from: 0, to: 0.3, fade: 0.4 } }),
  params: { pull: 20 },
};

/** The ridges of a zone, lined in the tone of the zone before it. */
const ringLines = (room: SchemeRoom, zone: number): SchemeCoat<Tone> => {
  const from = zone === 0 ? 0 : borderOf(room, zone);
  const to = borderOf(room, zone + 1);
  return {
    key: `rings-${zone}`,
    name: `Ridges of zone ${zone + 1}`,
    technique: "edge-line",
    tone: zone === 0 ? "light" : `zone-${zone - 1}`,
    water: 0.5,
    place: inZones([], 0, {
      ...stretch(from, to, 0.8 * room.scale),
      values: { from: 0.2, to: 1, fade: 0.4 },
    }),
    params: { width: markMm(room, 0.08), broken: 40 },
  };
};

/** Fine dark strokes along the horn, in which its fibres show. */
const fibres = (room: SchemeRoom): SchemeCoat<Tone> => ({
  key: "fibres",
  name: "Fibres",
  technique: "scratch",
  tone: "wash",
  water: 1,
  place: inZones([], 0, stretch(0.02, 0.9, 2 * room.scale)),
  params: {
    density: perMm2(room, 6),
    length: 1.3 * room.scale,
    lengthSpread: 70,
    width: flickMm(room, 0.05),
    angle: 90,
    angleSpread: 8,
  },
});

/** Last lights where the lamp falls: fine strokes along the fibres. */
const light = (room: SchemeRoom): SchemeCoat<Tone> => ({
  key: "light",
  name: "Last lights",
  technique: "touch",
  tone: "light",
  water: 1,
  place: inZones([], 0, {
    ...stretch(0, 0.7, 3 * room.scale),
    values: { from: 0.72, to: 1, fade: 0.3 },
  }),
  params: {
    density: perMm2(room, 8),
    width: flickMm(room, 0.07),
    long: 600,
    spread: 40,
    hides: 45,
    angle: 0,
    angleSpread: 8,
  },
});

/** Scratches where it is rubbed, most on ridges, across the fibres. */
const rubbed = (room: SchemeRoom): SchemeCoat<Tone> => ({
  key: "rubbed",
  name: "Scratches where it is rubbed",
  technique: "scratch",
  tone: "light",
  water: 0.5,
  place: inZones(["worn"], 0.05),
  params: {
    density: perMm2(room, 0.5 * WEAR_OF[room.answers.age]),
    length: 0.5 * room.scale,
    lengthSpread: 70,
    width: flickMm(room, 0.045),
    angle: 0,
    angleSpread: 50,
  },
});
