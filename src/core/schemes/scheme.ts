import type { EventId } from "../ageing/events";
import type { Figure, Place, Volumes } from "../job";
import type { MaterialId } from "../surface/volumes/materials";
import type { HideId } from "../hides";
import type { TechniqueId } from "../techniques";

/** What a surface is made of: the first question. */
export const MATERIALS = [
  "leather",
  "wool",
  "worn cloth",
  "velvet",
  "plain cloth",
  "shell",
  "painted metal",
  "stone",
  "slate",
  "rock and soil",
  "horn",
  "short hair",
  "sculpted fur",
  "scaled hide",
  "skin",
  "dead skin",
] as const;
export type Material = (typeof MATERIALS)[number];
/** How old it is: the second. */
export const AGES = ["new", "used", "old"] as const;
export type Age = (typeof AGES)[number];
/** Which look it should have: the third. */
export const LOOKS = ["quiet", "plain", "striking"] as const;
export type Look = (typeof LOOKS)[number];

/** What the painter answered before a surface is started. */
export interface SchemeAnswers {
  readonly age: Age;
  readonly look: Look;
  /** The material's own colour as it should read in the end, "#rrggbb". */
  readonly colour: string;
}

/** What a scheme's marks are measured by. */
export interface SchemeRoom {
  readonly answers: SchemeAnswers;
  /** How far the figure is to be taken: by it a piece has more or fewer steps of light, and finer touches. */
  readonly standard: Figure["standard"];
  /** From how far it is looked at, mm. */
  readonly distanceMm: number;
  /** Finest line of the hand, mm: no mark is made finer. */
  readonly finestMm: number;
  /** Size of the figure against one of 32 mm to the eyes, held between 0.7 and 1.8: marks grow with it. */
  readonly scale: number;
  /** A long narrow piece: marks run across it, from one edge more than from the other. */
  readonly narrow: boolean;
  /** It is sculpted in blocks, each of which can be painted by itself. */
  readonly blocks?: boolean;
}

/** One colour of a scheme, told against the material's own. */
export interface SchemeTone {
  readonly name: string;
  /** Steps of L* above the material's colour, as it is to be seen once all is dry. */
  readonly lighter: number;
  /** Its chroma against that of the material's colour. */
  readonly chroma: number;
  /** Turned from the material's hue, degrees; above 0 towards yellow for reds and browns. */
  readonly hueDeg: number;
  /** The colour its steps are told against where that is not the material's: "#rrggbb". */
  readonly own?: string;
  /** A clear one is mixed from transparent pots and tints what is below; all others cover. */
  readonly clear: boolean;
  /** It is no colour but a shine: the glossiest varnish that is owned, as it is, or the most matt one. */
  readonly shine?: true | "matt";
  /** It is mixed of powders. */
  readonly powder?: true;
  /** Keys of two tones before it: it is mixed half-way to the eye between their mixes as these came out. */
  readonly between?: readonly [string, string];
}

/** One coat of a scheme. `key` is its name among the scheme's coats. */
export interface SchemeCoat<Tone extends string = string> {
  readonly key: string;
  readonly name: string;
  readonly technique: TechniqueId;
  readonly tone: Tone;
  readonly water: number;
  readonly passes?: number;
  readonly place: Place;
  readonly params?: Readonly<Record<string, number>>;
  /** What it stands for in the life of the surface; nothing where left out. */
  readonly event?: EventId;
  /** Its marks fall where those of this earlier coat do. */
  readonly marksOf?: string;
  /** A coat the surface has already that it is laid right after, and whether only within its marks. */
  readonly follows?: { readonly coatId: string; readonly inside: boolean };
}

/** A reusable list of coats, told by tones and places, so that it can be laid in any colour on any form. */
export interface SchemeDefinition<Tone extends string = string> {
  readonly id: string;
  readonly version: number;
  readonly label: string;
  /** How the school works, in one sentence. */
  readonly about: string;
  readonly material: Material;
  /** Colour offered first. */
  readonly startColour: string;
  /** What a smooth piece is given so that it can be painted so: a hide, and which of its usual kinds. */
  readonly hide?: readonly [id: HideId, kind: string];
  tones(room: SchemeRoom): Readonly<Record<Tone, SchemeTone>>;
  /** First to last. A place that names an earlier coat by `near` names its key. */
  coats(room: SchemeRoom): readonly SchemeCoat<Tone>[];
}

/** The tones that some coat is painted in. */
export function usedTones<Tone extends string>(
  tones: Readonly<Record<Tone, SchemeTone>>,
  coats: readonly SchemeCoat<Tone>[],
): Readonly<Record<Tone, SchemeTone>> {
  const used = new Set<string>(coats.map(({ tone }) => tone));
  return Object.fromEntries(Object.entries(tones).filter(([key]) => used.has(key))) as typeof tones;
}

/** Declares a scheme, so that its tones are known to its coats. */
export const defineScheme = <Tone extends string>(
  definition: SchemeDefinition<Tone>,
): SchemeDefinition<Tone> => definition;

/** How light spreads over each material. */
export const LIGHT_AS: Readonly<Record<Material, MaterialId>> = {
  leather: "leather",
  wool: "wool",
  "worn cloth": "dull-cloth",
  velvet: "pile-cloth",
  "plain cloth": "dull-cloth",
  shell: "shell",
  "painted metal": "metal",
  stone: "stone",
  slate: "stone",
  "rock and soil": "stone",
  horn: "shell",
  "short hair": "fur",
  "sculpted fur": "fur",
  "scaled hide": "scales",
  skin: "skin",
  "dead skin": "skin",
};
/** How much a surface of a look is to be looked at. */
export const IMPORTANCE_OF: Readonly<Record<Look, Volumes["importance"]>> = {
  quiet: "quiet",
  plain: "usual",
  striking: "looked-at",
};

/** How far the steps of lightness reach, against a plain surface. */
export const CONTRAST: Readonly<Record<Look, number>> = { quiet: 0.55, plain: 1, striking: 1.3 };
/** How much wear there is, against a used piece. */
export const WEAR_OF: Readonly<Record<Age, number>> = { new: 0.45, used: 1, old: 1.7 };

/** A tone that covers. */
export const tone = (name: string, lighter: number, chroma = 1, hueDeg = 0): SchemeTone => ({
  name,
  lighter,
  chroma,
  hueDeg,
  clear: false,
});
/** A tone that tints. */
export const clearTone = (name: string, lighter: number, chroma = 1, hueDeg = 0): SchemeTone => ({
  ...tone(name, lighter, chroma, hueDeg),
  clear: true,
});

/** A mark's size for this figure, mm; never finer than the hand. */
export const markMm = (room: Pick<SchemeRoom, "finestMm" | "scale">, mm: number): number =>
  Math.round(Math.max(room.finestMm, mm * room.scale) * 100) / 100;
/** A number of marks for this figure, per mm²; larger figures have larger and fewer. */
export const perMm2 = (room: SchemeRoom, count: number): number =>
  Math.round((count / room.scale ** 1.5) * 10) / 10;
/** Width of a flicked stroke: a tip that barely touches draws finer than a line that has to hold, mm. */
export const flickMm = (room: SchemeRoom, mm: number): number =>
  Math.round(Math.max(room.finestMm * 0.55, mm * room.scale) * 100) / 100;

/** The first coat of every scheme: the material's own tone, everywhere, twice. */
export const baseLayer = <Tone extends string>(name: string, tone: Tone): SchemeCoat<Tone> => ({
  key: "base",
  name,
  technique: "base-coat",
  tone,
  water: 1,
  passes: 2,
  place: { kind: "everywhere" },
});
