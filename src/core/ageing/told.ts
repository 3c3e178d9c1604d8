/** What a surface is made of, below its paint. */
export const STUFFS = ["metal", "armour", "wood", "stone", "cloth"] as const;
export type Stuff = (typeof STUFFS)[number];
/** How long ago it was made. */
export const MADE = ["lately", "years", "long"] as const;
export type Made = (typeof MADE)[number];
/** How it was handled, and where. */
export const HANDLED = ["hardly", "edges", "everywhere"] as const;
export type Handled = (typeof HANDLED)[number];
/** In which weather it was left. */
export const WEATHERS = ["indoors", "rain", "sea"] as const;
export type Weather = (typeof WEATHERS)[number];
/** Where it stands. */
export const GROUNDS = ["clean", "dry", "wet", "mud"] as const;
export type Ground = (typeof GROUNDS)[number];

/** With what its chips are painted. */
export const CHIPPED_BY = ["brush", "sponge"] as const;
export type ChippedBy = (typeof CHIPPED_BY)[number];

/** The history of a surface as it is told. */
export interface Told {
  readonly stuff: Stuff;
  readonly made: Made;
  readonly handled: Handled;
  readonly weather: Weather;
  readonly ground: Ground;
  readonly chippedBy: ChippedBy;
  /** Colour of the ground's dust, "#rrggbb". */
  readonly dust: string;
}

export const USUAL_TOLD: Told = {
  ...{ stuff: "metal", made: "years", handled: "edges", weather: "rain", ground: "dry" },
  chippedBy: "brush",
  dust: "#9a8a70",
};

/** Answers in words. */
export const TOLD_NAMES = {
  stuff: {
    metal: "painted metal",
    armour: "bare metal",
    wood: "wood",
    stone: "stone",
    cloth: "cloth or leather",
  },
  made: { lately: "lately", years: "some years ago", long: "long ago" },
  handled: { hardly: "hardly", edges: "at its edges", everywhere: "everywhere" },
  weather: { indoors: "indoors", rain: "in rain and sun", sea: "by the sea" },
  ground: { clean: "on clean floors", dry: "on dry ground", wet: "on wet ground", mud: "in mud" },
  chippedBy: { brush: "a fine brush", sponge: "a torn sponge" },
} as const satisfies {
  readonly stuff: Readonly<Record<Stuff, string>>;
  readonly made: Readonly<Record<Made, string>>;
  readonly handled: Readonly<Record<Handled, string>>;
  readonly weather: Readonly<Record<Weather, string>>;
  readonly ground: Readonly<Record<Ground, string>>;
  readonly chippedBy: Readonly<Record<ChippedBy, string>>;
};

/** Whether it is painted over: what is not has no paint to chip. */
export const isChipped = (stuff: Stuff): boolean => stuff !== "cloth" && stuff !== "armour";

/** How much of everything there is after so long, against some years. */
export const AGED: Readonly<Record<Made, number>> = { lately: 0.35, years: 1, long: 1.6 };
/** How much is chipped and scratched, against edges that are knocked now and then. */
export const KNOCKED: Readonly<Record<Handled, number>> = { hardly: 0.2, edges: 1, everywhere: 1.7 };
/** How much rusts, grows and runs, against rain and sun. */
export const SOAKED: Readonly<Record<Weather, number>> = { indoors: 0, rain: 1, sea: 1.6 };
