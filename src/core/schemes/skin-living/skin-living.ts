import { inZones } from "../../job";
import {
  clearTone,
  CONTRAST,
  defineScheme,
  markMm,
  perMm2,
  tone,
  usedTones,
  WEAR_OF,
  type SchemeCoat,
  type SchemeRoom,
  type SchemeTone,
} from "../scheme";
import { inSteps, LIGHTEST, touchCoats, valueTones, volumeCoats, type ValueTone } from "../volumes";

type Tone = ValueTone | "warm" | "blush" | "cool" | "last" | "spot" | "tie";
/** Shade goes to a deep red, lights to a pale yellow, and both lose colour on the way. */
const SKIN = { material: "skin", name: "skin", chroma: [1.05, 0.7], hueDeg: [-14, 9] } as const;

const isTable = ({ standard }: SchemeRoom): boolean => standard === "tabletop";

/**
 * Living skin: volumes in soft steps, fine touches that marry them, warm shade and a blush where the form turns and on
 * what stands out, a cool tone in the deepest, stippled last lights.
 */
export const skinLiving = defineScheme<Tone>({
  id: "skin-living",
  version: 1,
  label: "Living skin",
  about:
    "Soft steps of light married by fine touches; warm glazes in the shade, a blush where the form turns and on what stands out, something cool in the deepest; last lights in tiny dots.",
  material: "skin",
  startColour: "#b5805f",
  tones: (room) => usedTones(tonesOf(room), coatsOf(room)),
  coats: coatsOf,
});

function tonesOf(room: SchemeRoom): Readonly<Record<Tone, SchemeTone>> {
  const span = CONTRAST[room.answers.look];
  return {
    ...valueTones(room, SKIN),
    warm: clearTone("skin, warm shade", -16, 1.3, -22),
    blush: clearTone("skin, blush", -8, 1.6, -34),
    cool: clearTone("skin, cool shade", -20, 0.7, 190),
    last: tone("skin, last light", 30 * span, 0.6, 10),
    spot: tone("skin, freckles", -12 * span, 1.1, -8),
    tie: clearTone("skin glaze", -5, 1.2, -4),
  };
}

function coatsOf(room: SchemeRoom): SchemeCoat<Tone>[] {
  const quiet = room.answers.look === "quiet";
  return [
    ...volumeCoats(room, SKIN, { feather: 90, waver: 20, passes: 3 }),
    ...touches(room),
    ...glazes(room),
    ...(room.answers.age === "new" || (quiet && room.answers.age !== "old") ? [] : [freckles(room)]),
    ...(quiet ? [] : [last(room)]),
  ];
}

/** Fine touches over the borders of the steps; young skin is smoother. */
function touches(room: SchemeRoom): SchemeCoat<Tone>[] {
  const rough = Math.sqrt(WEAR_OF[room.answers.age]);
  return touchCoats(room, "skin", {
    width: [0.16, 0.09],
    density: [9 * rough, 14 * rough],
    long: 180,
    hides: [60, 60],
    angleSpread: 60,
    reach: 0.8,
  }).map((coat) => ({ ...coat, water: 0.5 }));
}

const glaze = (
  [key, name, tone]: readonly [key: string, name: string, tone: Tone],
  place: SchemeCoat["place"],
  passes = 1,
): SchemeCoat<Tone> => ({
  ...{ key, name, technique: "glaze", tone, water: 5, passes, place },
  params: { pull: 25, unevenness: 30 },
});

function glazes(room: SchemeRoom): SchemeCoat<Tone>[] {
  const warm = glaze(
    ["warm", "Warm shade", "warm"],
    inZones([], 0, { values: { from: 0, to: 0.42, fade: 0.5 } }),
    2,
  );
  const blush = glaze(
    ["blush", "Blush where it turns", "blush"],
    inZones([], 0, { values: { from: 0.28, to: 0.62, fade: 0.3 } }),
    2,
  );
  const tie = glaze(["tie", "Thin glaze over all", "tie"], { kind: "everywhere" });
  if (room.answers.look === "quiet") return [warm, blush];
  const raised = glaze(
    ["blush-raised", "Blush on what stands out", "blush"],
    inZones(["raised"], 0, { fall: 1.6 }),
    2,
  );
  const cool = glaze(
    ["cool", "Cool into the deepest", "cool"],
    inZones([], 0, { values: { from: 0, to: 0.18, fade: 0.3 } }),
    2,
  );
  return isTable(room) ? [warm, blush, raised] : [warm, blush, raised, cool, tie];
}

const freckles = (room: SchemeRoom): SchemeCoat<Tone> => ({
  ...{ key: "freckles", name: "Freckles and marks", technique: "stipple", tone: "spot", water: 3 },
  place: inZones([], 0, { values: { from: 0.35, to: 0.95, fade: 0.3 } }),
  params: {
    density: Math.max(0.2, perMm2(room, 0.5 * WEAR_OF[room.answers.age])),
    size: markMm(room, 0.06),
    spread: 60,
  },
});

/** The last lights are pressed on with the very tip, soft, only where the light is highest. */
const last = (room: SchemeRoom): SchemeCoat<Tone> => ({
  ...{ key: "last", name: "Last lights, stippled", technique: "touch", tone: "last", water: 0.5 },
  place: inZones([], 0, inSteps(room, "skin", room.standard === "display" ? 2.7 : 1.7, LIGHTEST, 0.6)),
  params: {
    density: perMm2(room, 16),
    width: markMm(room, 0.08),
    long: 100,
    spread: 50,
    hides: 60,
    angleSpread: 90,
  },
});
