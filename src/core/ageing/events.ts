/** Times in the life of a surface, oldest first. */
export const TIMES = ["made", "used", "left"] as const;
export type Time = (typeof TIMES)[number];

/** What can have happened to a surface, or can be seen on it for longer or shorter: what a coat may stand for. */
export const EVENT_IDS = [
  "painted",
  "marked",
  "dented",
  "scratched",
  "rubbed",
  "chipped",
  "bared",
  "mended",
  "rusted",
  "run",
  "worn-again",
  "dirtied",
  "grown",
  "dusted",
  "metal-shade",
  "glowing",
  "shown",
  "mirrored",
] as const;
export type EventId = (typeof EVENT_IDS)[number];

/** One of them, in plain words. */
export interface EventDefinition {
  readonly label: string;
  readonly about: string;
  /** When it happened; null for what is no matter of time. */
  readonly time: Time | null;
}

export const EVENTS: Readonly<Record<EventId, EventDefinition>> = {
  painted: {
    label: "Paint it was made with",
    about: "The colour it left its maker in, with its light and shade.",
    time: "made",
  },
  marked: { label: "Markings", about: "Letters, numbers, stripes and signs on that paint.", time: "made" },
  dented: { label: "Dents and gouges", about: "Knocks that have bent or cut what is below.", time: "used" },
  scratched: { label: "Scratches", about: "What sharp things drew over it.", time: "used" },
  rubbed: {
    label: "Rubbed places",
    about: "Where hands, straps and feet have polished or paled it.",
    time: "used",
  },
  chipped: { label: "Chips", about: "Where the paint has come off down to its primer.", time: "used" },
  bared: {
    label: "Worn through",
    about: "Metal, wood or leather that lies bare, inside of chips and on edges.",
    time: "used",
  },
  mended: { label: "Painted over again", about: "A repair in a colour that never quite fits.", time: "used" },
  rusted: { label: "Rust", about: "What grows where the metal lies bare and wet.", time: "left" },
  run: { label: "Runs and streaks", about: "Rust and dirt that water has carried down.", time: "left" },
  "worn-again": {
    label: "Worn bright again",
    about: "Where it is still used rust is rubbed off, and metal shows on what stands out.",
    time: "left",
  },
  dirtied: {
    label: "Dirt in recesses",
    about: "Grease and soot that has gathered in lines and hollows.",
    time: "left",
  },
  grown: { label: "Moss and algae", about: "What lives on the weather side and low down.", time: "left" },
  dusted: {
    label: "Dust and mud of the ground",
    about: "What lay down last, from where it stands.",
    time: "left",
  },
  "metal-shade": {
    label: "Shade on bare metal",
    about: "Darker places of bare metal that the dirt has not made.",
    time: null,
  },
  glowing: {
    label: "A glow that lasts",
    about: "Light of a lamp, a screen or a rune on what is near.",
    time: null,
  },
  shown: { label: "What is shown for now", about: "What a screen or a dial displays.", time: null },
  mirrored: { label: "Gone in a moment", about: "A reflection on glass or polish.", time: null },
};

/** Times in words: how a surface looked then. */
export const TIME_NAMES: Readonly<Record<Time, string>> = {
  made: "as it was made",
  used: "as it was used",
  left: "as it stands",
};
