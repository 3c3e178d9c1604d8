import { inZones } from "../../job";
import {
  baseLayer,
  clearTone,
  CONTRAST,
  defineScheme,
  tone,
  WEAR_OF,
  type SchemeCoat,
  type SchemeRoom,
} from "../scheme";

type Tone = "dark" | "deep" | "middle" | "light" | "pale" | "shade" | "last";

const isTable = ({ standard }: SchemeRoom): boolean => standard === "tabletop";

/**
 * Sculpted fur from dark to light, brushed across the locks: each tone reaches less far down between them than the one
 * before, and lies on less of the piece, towards the light.
 */
export const furDrybrushed = defineScheme<Tone>({
  id: "fur-drybrushed",
  version: 1,
  label: "Fur, dark to light",
  about:
    "A dark base, then ever lighter tones brushed across the locks with an ever drier brush: each reaches less far between them and lies on less of the piece; a wash ties them, and the highest tips are brushed once more.",
  material: "sculpted fur",
  startColour: "#5e5348",
  tones(room) {
    const span = CONTRAST[room.answers.look];
    return {
      dark: tone("fur, between the locks", -24 * span, 0.6, -8),
      deep: tone("fur, deep", -10 * span, 0.9, -3),
      middle: tone("fur", 3 * span, 1, 0),
      light: tone("fur, light", 17 * span, 1, 3),
      pale: tone("fur, pale", 32 * span, 0.8, 6),
      shade: clearTone("fur wash", -16, 0.8, -8),
      last: tone("fur, last tips", 45 * span, 0.5, 8),
    };
  },
  coats: (room) => [
    baseLayer<Tone>("Dark, into every gap", "dark"),
    ...steps.slice(0, room.answers.look === "quiet" ? 3 : 4).map((step) => brushed(room, step)),
    ...tied(room),
  ],
});

interface Step {
  readonly tone: Tone;
  readonly name: string;
  readonly technique: "overbrush" | "dry-brush";
  readonly radius: number;
  readonly reach: number;
  readonly load: number;
  readonly passes: number;
  /** Where in the value plan it begins. */
  readonly from: number;
}

/** From the first to the last: a stiffer brush, less paint, less pressure, further into the light. */
const steps: readonly Step[] = [
  {
    ...{ tone: "deep", name: "Brushed over, down to the roots", technique: "overbrush" },
    ...{ radius: 2.2, reach: 300, load: 70, passes: 1, from: 0 },
  },
  {
    ...{ tone: "middle", name: "Brushed over, the locks", technique: "overbrush" },
    ...{ radius: 1.6, reach: 170, load: 55, passes: 1, from: 0.12 },
  },
  {
    ...{ tone: "light", name: "Dry brushed, upper sides", technique: "dry-brush" },
    ...{ radius: 1.2, reach: 100, load: 50, passes: 2, from: 0.3 },
  },
  {
    ...{ tone: "pale", name: "Dry brushed, tips", technique: "dry-brush" },
    ...{ radius: 0.9, reach: 55, load: 35, passes: 2, from: 0.5 },
  },
];

/** Aslant over the locks: straight across, the brush would draw lines over them. */
const ACROSS = 65;

function brushed(room: SchemeRoom, step: Step): SchemeCoat<Tone> {
  const { tone, name, technique, radius, reach, load, passes, from } = step;
  const worn = technique === "dry-brush" ? Math.sqrt(WEAR_OF[room.answers.age]) : 1;
  return {
    ...{ key: tone, name, technique, tone, water: technique === "overbrush" ? 0.5 : 0, passes },
    place: from === 0 ? { kind: "everywhere" } : inZones([], 0.12, { values: { from, to: 1, fade: 0.4 } }),
    params: {
      radius: Math.max(0.2, Math.round(10 * radius * room.scale) / 10),
      reach,
      load: Math.min(100, Math.round((load * worn) / 5) * 5),
      across: ACROSS,
    },
  };
}

/** A wash between the locks; unless it is for the table or quiet, the highest tips once more. */
function tied(room: SchemeRoom): SchemeCoat<Tone>[] {
  const wash: SchemeCoat<Tone> = {
    ...{ key: "wash", name: "Wash between the locks", technique: "wash", tone: "shade", water: 5 },
    place: { kind: "everywhere" },
    params: { wet: 30, cling: 4, unevenness: 20, rim: 0 },
  };
  if (isTable(room) && room.answers.look === "quiet") return [wash];
  const last: Step = {
    ...{ tone: "last", name: "Last tips", technique: "dry-brush" },
    ...{ radius: 0.6, reach: 30, load: 40, passes: 1, from: 0.68 },
  };
  return room.answers.look === "quiet" ? [wash] : [wash, brushed(room, last)];
}
