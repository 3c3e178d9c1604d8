import { AGED, SOAKED } from "../ageing/told";
import { inZones } from "../job";
import { clamp } from "../units";
import {
  coat,
  halves,
  percent,
  type HistoryCoat,
  type HistoryRoom,
  type HistoryToneId,
} from "./historyTones";
import { markMm } from "./scheme";

/** Iron lighter or darker than this is chosen by what is around it, L*: it is to stand out. */
const IRON_STANDS_OUT = 40;
/** Up to this share of a piece its iron is heads of nails and rivets, each of which can have its own run; above it is hoops and bands. */
const HEADS = 0.05;
/** Runs to a square millimetre of heads, and of hoops. */
const [RUNS_OF_HEADS, RUNS_OF_HOOPS] = [7, 0.5] as const;

const onFittings = inZones(["fittings"], 0);
const hasFittings = ({ told: { stuff }, fittings }: HistoryRoom): boolean =>
  fittings > 0 && (stuff === "wood" || stuff === "stone");

/** Iron on wood and stone has a colour of its own, dark or bright against what is around it, and is bright where it is handled. */
export function fitted(room: HistoryRoom): HistoryCoat[] {
  if (!hasFittings(room)) return [];
  const dark = room.ownL >= IRON_STANDS_OUT;
  const iron = coat("fittings", {
    ...{ name: dark ? "Iron fittings, dark" : "Iron fittings, bright", technique: "layer", passes: 2 },
    ...{ tone: dark ? "dark-fitting" : "pale-fitting", water: 1, place: onFittings, event: "painted" },
  });
  const bright = coat("fittings-bright", {
    ...{ name: "Fittings bright where they are handled", technique: "edge-line", tone: "bright" },
    ...{ water: 0.5, place: inZones(["fittings", "worn"], 0.25), event: "bared" },
    params: { width: markMm(room, 0.08), broken: 40 },
  });
  return room.told.handled === "hardly" ? [iron] : [iron, bright];
}

/** How many runs begin on a square millimetre of iron. */
const runsOf = ({ fittings }: HistoryRoom, much: number): number =>
  Math.round(50 * clamp((fittings <= HEADS ? RUNS_OF_HEADS : RUNS_OF_HOOPS) * much, 0.1, 12)) / 50;

/** What water has carried down from nails, rivets and hoops: rust on metal, and what iron does to wood. */
export function runFromIron(room: HistoryRoom): HistoryCoat[] {
  const { stuff, made, weather } = room.told;
  const much = AGED[made] * SOAKED[weather];
  if (room.fittings === 0 || much === 0 || stuff === "cloth" || stuff === "armour") return [];
  const runs = coat("iron-runs", {
    ...{
      name: "Runs from under the iron",
      technique: "streak",
      tone: stuff === "wood" ? "iron-stain" : "rust",
    },
    ...{ water: 4, place: onFittings, event: "run" },
    params: {
      density: runsOf(room, 0.6 * much),
      length: Math.round(5 * clamp(2.2 * room.scale, 0.4, 12)) / 5,
      width: clamp(markMm(room, 0.18), 0.06, 1),
      ridges: 2,
    },
  });
  const rust = coat("fittings-rust", {
    ...{ name: "Rust on the fittings", technique: "stain", tone: "rust", water: 2 },
    ...{ place: onFittings, event: "rusted" },
    params: {
      coverage: halves(34 * much, 0.5, 75),
      size: markMm(room, 0.5),
      ...{ hollows: 30, soft: 45, rim: 20, grains: 45 },
    },
  });
  return hasFittings(room) ? [rust, runs] : [runs];
}

/** Dents of metal that is knocked about: a dark mark, and a light one a little lower on the same place, which catches the light. */
export function dented(room: HistoryRoom): HistoryCoat[] {
  const { stuff, made, handled } = room.told;
  if ((stuff !== "metal" && stuff !== "armour") || handled !== "everywhere" || made === "lately") return [];
  const size = markMm(room, 0.7);
  const dent = (key: string, name: string, tone: HistoryToneId, more: Readonly<Record<string, number>>) =>
    coat(key, {
      ...{ name, technique: "chip", tone, water: 1.5, event: "dented" },
      place: { kind: "everywhere" },
      ...(key !== "dents" && { marksOf: "dents" }),
      params: {
        coverage: percent(1.4 * AGED[made], 0.2, 6),
        size,
        spread: 55,
        edges: 0,
        clusters: 40,
        ...more,
      },
    });
  return [
    dent("dents", "Dents, their dark upper side", "dent-dark", {}),
    dent("dents-light", "Dents, their light lower rim", "dent-light", {
      lower: Math.round(20 * 0.32 * size) / 20,
    }),
  ];
}
