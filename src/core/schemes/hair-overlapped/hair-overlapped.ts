import { hairGlazes, hairVolumes, hairTones, lightsIn, strokesIn, type HairTone } from "../hairs";
import { defineScheme, usedTones, type SchemeCoat, type SchemeRoom } from "../scheme";

const NAMES = ["First hairs", "Second hairs", "Third hairs", "Light hairs", "Lightest hairs"] as const;

/** Short hair on a smooth body: strokes in every tone until the eye stops counting, tied by a glaze, lights restored. */
export const hairOverlapped = defineScheme<HairTone>({
  id: "hair-overlapped",
  version: 1,
  label: "Hair, overlapped",
  about:
    "A rough light map, then strokes along the growth in rising tones, each shorter, finer and on less of it; a glaze ties them, and the last lights are set again.",
  material: "short hair",
  startColour: "#7d5c34",
  tones: (room) => usedTones(hairTones(room), coatsOf(room)),
  coats: coatsOf,
});

function coatsOf(room: SchemeRoom): SchemeCoat<HairTone>[] {
  const count = lightsIn(room);
  const lights = Array.from({ length: count }, (_, at) =>
    strokesIn(room, { key: `hair-${at}`, name: NAMES[at]!, tone: `hair-${at}` }),
  );
  return [
    ...hairVolumes(room),
    strokesIn(room, { key: "dark", name: "Dark between", tone: "dark" }),
    ...lights,
    ...hairGlazes(),
    ...restored(room, count),
  ];
}

/** What the glaze took: the three highest lights again, fewer of them, and some dark between. */
function restored(room: SchemeRoom, count: number): SchemeCoat<HairTone>[] {
  if (room.answers.look === "quiet") return [];
  const again = [count - 3, count - 2, count - 1].filter((at) => at >= 0);
  return [
    ...again.map((at, step) =>
      strokesIn(room, {
        key: `again-${at}`,
        name: `${NAMES[at]} again`,
        tone: `hair-${at}`,
        many: [0.45, 0.6, 0.8][step]!,
        apart: 60,
      }),
    ),
    strokesIn(room, { key: "dark-again", name: "Dark between again", tone: "dark", many: 0.35, apart: 70 }),
  ];
}
