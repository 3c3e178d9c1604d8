import { AGED, KNOCKED, SOAKED } from "../ageing/told";
import { inZones } from "../job";
import { clamp } from "../units";
import { dented, fitted, runFromIron } from "./historyIron";
import {
  about,
  coat,
  halves,
  low,
  percent,
  TOLD,
  type HistoryCoat,
  type HistoryRoom,
  type HistoryToneId,
} from "./historyTones";
import { markMm } from "./scheme";

/** Chips of a share of the surface, nested by one set of chances. */
function chipped(
  room: HistoryRoom,
  [key, name, tone]: readonly [key: string, name: string, tone: HistoryToneId],
  share: number,
  event: "chipped" | "bared",
): HistoryCoat {
  const { made, handled, chippedBy } = room.told;
  const much = share * 6.5 * AGED[made] * KNOCKED[handled];
  const edges = handled === "everywhere" ? 40 : 75;
  const common = {
    ...{ name, tone, water: 0.5, place: { kind: "everywhere" as const }, event },
    ...(key !== "rims" && { marksOf: "rims" }),
  };
  // Pores of one sponge, dabbed at the same places: less of it lies within what more of it left.
  if (chippedBy === "sponge")
    return coat(key, {
      ...common,
      technique: "sponge",
      params: { coverage: halves(much, 0.5, 30), pore: markMm(room, 0.24), clusters: 65, edges },
    });
  return coat(key, {
    ...{ ...common, technique: "chip" },
    params: { coverage: percent(much, 0.2, 30), size: markMm(room, 0.34), spread: 70, edges, clusters: 40 },
  });
}

const scratched = (room: HistoryRoom): HistoryCoat =>
  coat("scratches", {
    ...{ name: "Scratches", technique: "scratch", tone: "scratch", water: 0.5, event: "scratched" },
    place: inZones(["worn"], 0.15),
    params: {
      density: percent(0.25 * AGED[room.told.made] * KNOCKED[room.told.handled], 0.1, 2),
      length: Math.round(110 * room.scale) / 100,
      width: markMm(room, 0.05),
      lengthSpread: 70,
      angleSpread: 60,
    },
  });

/** Where cloth and leather are rubbed they pale, most on edges and where hands reach. */
const rubbed = (room: HistoryRoom): HistoryCoat =>
  coat("rubbed", {
    ...{ name: "Rubbed pale", technique: "dry-brush", tone: "rim", water: 0, event: "rubbed" },
    passes: room.told.handled === "everywhere" && room.told.made !== "lately" ? 2 : 1,
    place: inZones(room.told.handled === "everywhere" ? ["worn"] : ["worn", "edges"], 0.1),
  });

/** What use did: scratches, then chips with their rims, and what lies bare in them. */
function used(room: HistoryRoom): HistoryCoat[] {
  const { stuff, handled } = room.told;
  if (stuff === "cloth") return [scratched(room), rubbed(room)];
  if (stuff === "armour") return [scratched(room)];
  if (stuff === "stone") return [chipped(room, ["rims", "Knocked corners", "rim"], 0.7, "chipped")];
  const rims = chipped(room, ["rims", "Chips, their pale rims", "rim"], 1, "chipped");
  const inside = (name: string, tone: HistoryToneId) => chipped(room, ["inside", name, tone], 0.7, "bared");
  if (stuff === "wood") return [scratched(room), rims, inside("Bare wood in the chips", "wood")];
  const bright = chipped(room, ["bright", "Bright metal where it is worn", "metal"], 0.12, "bared");
  return [
    scratched(room),
    rims,
    inside("Dark iron in the chips", "iron"),
    ...(handled === "hardly" ? [] : [bright]),
  ];
}

/** Rust from dark and wide to bright and small, one within the other, about the chips and in hollows. */
function rusted(room: HistoryRoom): HistoryCoat[] {
  const { stuff, made, weather } = room.told;
  const much = AGED[made] * SOAKED[weather];
  if ((stuff !== "metal" && stuff !== "armour") || much === 0) return [];
  // Where paint has come off, and from there on; bare metal rusts wherever water stands.
  const place =
    stuff === "metal" ? about("inside", 1.4 * room.scale, 0.35) : inZones(["hollow", "unworn"], 0.4);
  const stage = (key: string, name: string, tone: HistoryToneId, share: number, grains: number) =>
    coat(key, {
      ...{ name, technique: "stain", tone, water: 2, place, event: "rusted" },
      ...(key !== "rust-1" && { marksOf: "rust-1" }),
      params: {
        coverage: halves(share * (stuff === "metal" ? 13 : 20) * much, 0.5, 60),
        size: markMm(room, 0.8),
        ...{ hollows: 55, soft: 55, rim: 35, grains },
      },
    });
  return [
    stage("rust-1", "Rust, dark and wide", "dark-rust", 1, 30),
    stage("rust-2", "Rust on less of it", "rust", 0.48, 45),
    stage("rust-3", "Rust, bright and small", "bright-rust", 0.13, 60),
    coat("runs", {
      ...{ name: "Rust running down", technique: "streak", tone: "rust", water: 3, event: "run" },
      place: inZones([], 0, { near: { coatId: `${TOLD}rust-2`, side: "inside", reachMm: 0.2 } }),
      params: {
        density: Math.round(50 * clamp(1.1 * much, 0.1, 3)) / 50,
        length: Math.round(5 * clamp(3 * room.scale, 0.4, 12)) / 5,
        width: clamp(markMm(room, 0.16), 0.06, 1),
        ridges: 3,
      },
    }),
  ];
}

/** Bare metal that is used again: brushed over with metal, so that rust stays in its hollows, and bright at its edges. */
function brushedAgain(room: HistoryRoom): HistoryCoat[] {
  const { stuff, handled } = room.told;
  if (stuff !== "armour" || handled === "hardly") return [];
  return [
    coat("brushed", {
      ...{ name: "Metal brushed over the rust", technique: "dry-brush", tone: "metal", water: 0 },
      event: "worn-again",
      place: inZones(["worn"], 0.25),
      params: { radius: 1.2, reach: 45, load: 35 },
    }),
    coat("bright-edges", {
      ...{ name: "Bright edges", technique: "edge-line", tone: "bright", water: 0.5 },
      event: "worn-again",
      place: inZones(["worn"], 0.2),
      params: { width: markMm(room, 0.09), broken: 35 },
    }),
  ];
}

const isDamp = ({ told: { ground } }: HistoryRoom): boolean => ground === "wet" || ground === "mud";

/** What weather and time left on any stuff: dirt in recesses, and what runs down or soaks in. */
function weathered(room: HistoryRoom): HistoryCoat[] {
  const { stuff, made, weather } = room.told;
  const much = AGED[made] * SOAKED[weather];
  const dirt = coat("dirt", {
    ...{ name: "Dirt in the recesses", technique: "pin-wash", tone: "dirt", water: 4, event: "dirtied" },
    place: { kind: "everywhere" },
  });
  const streaks = coat("streaks", {
    ...{ name: "Rain streaks", technique: "streak", tone: "dirt", water: 6, event: "run" },
    place: inZones(["edges"], 0.08),
    params: {
      density: Math.round(50 * clamp(0.16 * much, 0.04, 1)) / 50,
      length: Math.round(5 * clamp(3.6 * room.scale, 0.4, 12)) / 5,
      width: clamp(markMm(room, 0.22), 0.06, 1),
      ridges: 2,
    },
  });
  const damp = coat("damp", {
    ...{ name: "Damp stains", technique: "stain", tone: "dirt", water: 6, event: "dirtied" },
    place: { kind: "everywhere" },
    params: {
      coverage: halves(7 * much, 0.5, 40),
      size: markMm(room, 1.6),
      ...{ hollows: 30, soft: 10, rim: 80, grains: 10 },
    },
  });
  return [
    ...(made === "lately" && !isDamp(room) ? [] : [dirt]),
    ...(much > 0 && stuff === "cloth" ? [damp] : []),
    ...(much > 0 && (stuff === "wood" || stuff === "stone") ? [streaks] : []),
  ];
}

/** Moss low down, where it is damp and has had its time; on metal only after long. */
function grown(room: HistoryRoom): HistoryCoat[] {
  const { stuff, made, weather } = room.told;
  const much = AGED[made] * SOAKED[weather];
  if (!isDamp(room) || much === 0 || made === "lately" || stuff === "cloth") return [];
  if ((stuff === "metal" || stuff === "armour") && made !== "long") return [];
  const moss = (key: string, name: string, tone: HistoryToneId, share: number) =>
    coat(key, {
      ...{ name, technique: "stain", tone, water: 1.5, place: low(0.3, 5, room), event: "grown" },
      ...(key !== "moss-1" && { marksOf: "moss-1" }),
      params: {
        coverage: halves(share * 22 * much, 0.5, 70),
        size: markMm(room, 0.6),
        ...{ hollows: 60, soft: 35, rim: 0, grains: 70 },
      },
    });
  const weatherSide = coat("moss-side", {
    ...{ name: "Moss on the weather side", technique: "stain", tone: "moss", water: 1.5, event: "grown" },
    // Where the sun does not dry it.
    place: inZones(["shaded", "level"], 0.04),
    params: {
      coverage: halves(9 * much, 0.5, 40),
      size: markMm(room, 0.7),
      ...{ hollows: 70, soft: 45, rim: 0, grains: 75 },
    },
  });
  return [
    moss("moss-1", "Moss, low down", "moss", 1),
    ...(stuff === "stone" || stuff === "wood" ? [weatherSide] : []),
    moss("moss-2", "Moss, paler on it", "pale-moss", 0.3),
  ];
}

/** What lay down last: mud low down, and dust of the ground. */
function dusted(room: HistoryRoom): HistoryCoat[] {
  const { ground } = room.told;
  if (ground === "clean") return [];
  const mud = coat("mud", {
    ...{ name: "Mud, low down", technique: "stain", tone: "mud", water: 1, passes: 2, event: "dusted" },
    place: low(0.14, 4, room),
    params: { coverage: 62, size: markMm(room, 1.4), hollows: 30, soft: 40, rim: 10, grains: 35 },
  });
  const dust = room.hasPowder
    ? coat("dust", {
        ...{
          name: "Dust of the ground, as powder",
          technique: "powder",
          tone: "dust",
          water: 0,
          event: "dusted",
        },
        place: low(ground === "dry" ? 0.3 : 0.2, 9, room),
        params: { amount: ground === "dry" ? 11 : 7, worked: 45, tapped: 75 },
      })
    : coat("dust", {
        ...{ name: "Dust of the ground", technique: "stain", tone: "dust", water: 4, event: "dusted" },
        place: low(ground === "dry" ? 0.3 : 0.2, 9, room),
        params: { coverage: 55, size: markMm(room, 1.2), hollows: 60, soft: 100, rim: 0, grains: 60 },
      });
  return ground === "mud" ? [mud, dust] : [dust];
}

/** The coats of a history in the order in which it happened: used, left, and what lay down last. */
export const historyCoats = (room: HistoryRoom): HistoryCoat[] => [
  ...fitted(room).filter(({ event }) => event === "painted"),
  ...dented(room),
  ...used(room),
  ...fitted(room).filter(({ event }) => event !== "painted"),
  ...rusted(room),
  ...runFromIron(room),
  ...brushedAgain(room),
  ...weathered(room),
  ...grown(room),
  ...dusted(room),
];
