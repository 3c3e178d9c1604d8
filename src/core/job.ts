import type { Hiding } from "./colour/paint";
import type { Zone } from "./surface/zoneNames";

/** Names of things as they are stored, exported and shown; one vocabulary from screen to table. */

export const PAINT_KINDS = [
  "paint",
  "clear",
  "ink",
  "wash",
  "metal",
  "oil",
  "powder",
  "paste",
  "medium",
  "varnish",
] as const;
export type PaintKind = (typeof PAINT_KINDS)[number];
export const PAINT_STATES = ["have", "low", "out", "wanted"] as const;
export type PaintState = (typeof PAINT_STATES)[number];

export const FINISHES = ["matt", "satin", "gloss"] as const;
export type Finish = (typeof FINISHES)[number];

export const READING_PLACES = ["thick", "black", "white", "tint"] as const;

/** One measured colour of a pot. */
export interface PaintReading {
  /** Laid thick, as a film over black or white, or mixed thick with a white pot. */
  readonly place: (typeof READING_PLACES)[number];
  /** Dry film over black or white, µm; null for thick ones. */
  readonly filmUm: number | null;
  /** Parts of white to one of the paint; null where it is no tint. */
  readonly whiteParts: number | null;
  readonly lab: readonly [l: number, a: number, b: number];
}

/** K and S of a pot as fitted to readings, per µm of dry film at the twelve bands, and how well they meet them. */
export interface PaintFit {
  readonly absorption: readonly number[];
  readonly scattering: readonly number[];
  readonly readings: readonly PaintReading[];
  /** CIEDE2000 between model and readings. */
  readonly meanDifference: number;
  readonly largestDifference: number;
}

/** A pot on the shelf. */
export interface Paint {
  readonly id: string;
  readonly name: string;
  readonly range: string;
  readonly kind: PaintKind;
  readonly state: PaintState;
  /** Dry colour of a thick coat, "#rrggbb". */
  readonly thick: string;
  /** Dry colour of one full coat over white; null where not given. */
  readonly overWhite: string | null;
  /** Dry colour of one full coat over black; null where not given. */
  readonly overBlack: string | null;
  readonly hiding: Hiding;
  /** How its dry surface looks. */
  readonly finish: Finish;
  /** Tinting strength against an ordinary paint, 0.2 to 5. */
  readonly strength: number;
  /** Size of one drop out of this pot, µl. */
  readonly dropUl: number;
  /** What readings of this pot gave; null where it was not read. It then stands above the colours given by eye. */
  readonly fit: PaintFit | null;
}

export interface MixPart {
  readonly paintId: string;
  readonly parts: number;
}

/** Paints in whole parts, thinned with water. */
export interface Mix {
  readonly id: string;
  readonly name: string;
  readonly parts: readonly MixPart[];
  /** Parts of water to one part of paint. */
  readonly water: number;
  /** Colour this mix is meant to show, "#rrggbb"; null where none was set. */
  readonly goal: string | null;
}

/** Whole drops that went into a well; water where the pot is null. */
export interface Addition {
  readonly paintId: string | null;
  readonly drops: number;
}

/** A running mix on the palette: what was put in, and what is in it now. */
export interface Well {
  readonly id: string;
  readonly name: string;
  /** The mix it was begun for; null for none. */
  readonly mixId: string | null;
  readonly added: readonly Addition[];
  readonly content: readonly { readonly paintId: string; readonly ul: number }[];
  readonly waterUl: number;
}

/** A colour to be met. */
export interface Target {
  readonly id: string;
  readonly name: string;
  /** "#rrggbb", corrected where the picture was. */
  readonly colour: string;
  /** Share of the picture it was found in, 0…1; null for one that was picked or typed. */
  readonly share: number | null;
  /** Picture it comes from; null for none. */
  readonly referenceId: string | null;
}

/** A picture to take colours from. */
export interface Reference {
  readonly id: string;
  readonly name: string;
  /** Name of the stored picture: SHA-256 of its bytes, hexadecimal. */
  readonly pictureId: string;
  readonly width: number;
  readonly height: number;
  /** Linear factors for red, green and blue that make the painter's grey grey; null for the picture as it is. */
  readonly neutral: readonly [red: number, green: number, blue: number] | null;
}

/** A stretch of the form, in shares 0…1 of its length (from the first seam) or height (from the hem). */
export interface Span {
  readonly along: "length" | "height";
  readonly from: number;
  readonly to: number;
  /** Width over which either border fades, mm. */
  readonly softMm: number;
}

/** A closed line drawn round a place: share of length, share of height, and so on, 0…1; three corners or more. */
export interface Outline {
  readonly points: readonly number[];
  /** Width over which its border fades, mm. */
  readonly softMm: number;
}

export const MARK_SIDES = ["inside", "outside", "border"] as const;
/** A place told by the marks of an earlier coat of the same surface. */
export interface NearMarks {
  readonly coatId: string;
  readonly side: (typeof MARK_SIDES)[number];
  /** How far from the marks' border it fades; for "border" how far it reaches to both sides, mm. */
  readonly reachMm: number;
}

/** Places that belong to all of these at once; with fade 1 the coat reaches everywhere, most in them. */
export interface PlaceTarget {
  readonly kind: "zones";
  readonly zones: readonly Zone[];
  readonly fade: number;
  /** How fast it falls off inside the zones: 1 as they are, more for a quick fall from bright to dark. */
  readonly fall: number;
  readonly span: Span | null;
  readonly outline: Outline | null;
  readonly near: NearMarks | null;
}

/** A place target by zones alone. */
export const inZones = (
  zones: readonly Zone[],
  fade: number,
  more: Partial<PlaceTarget> = {},
): PlaceTarget => ({
  kind: "zones",
  zones,
  fade,
  fall: 1,
  span: null,
  outline: null,
  near: null,
  ...more,
});

/** Where a coat goes. A pattern target names one of the places that the surface's own pattern has. */
export type CoatTarget =
  | { readonly kind: "everywhere" }
  | { readonly kind: "hollows" }
  | PlaceTarget
  | { readonly kind: "pattern"; readonly key: string };

export interface TechniqueUse {
  readonly id: string;
  readonly version: number;
  readonly params: Readonly<Record<string, number>>;
}

/** One step: a technique, a mix, where, how many passes. */
export interface Coat {
  readonly id: string;
  readonly name: string;
  readonly technique: TechniqueUse;
  readonly mixId: string;
  /** Parts of water to one of paint in this coat. */
  readonly water: number;
  readonly passes: number;
  /** Held back: kept in the list, not painted. */
  readonly held: boolean;
  readonly target: CoatTarget;
  /** What the pattern made this coat for; null for a coat the painter added. */
  readonly role: string | null;
  /** Single marks may run over seams that part the panel. */
  readonly overSeams: boolean;
  readonly seed: number;
}

export interface FormUse {
  readonly id: string;
  readonly version: number;
  readonly params: Readonly<Record<string, number>>;
}

/** A pattern on a surface: which family, and its settings as that family reads them. */
export interface PatternUse {
  readonly id: string;
  readonly version: number;
  /** Checked by the family's own schema wherever a job comes in. */
  readonly params: unknown;
}

/** Relief taken from a stored 16-bit greyscale picture: white stands out. */
export interface ReliefUse {
  /** Name of the stored picture: SHA-256 of its bytes, hexadecimal. */
  readonly pictureId: string;
  readonly name: string;
  /** Width the picture has on the surface; it repeats beyond, mm. */
  readonly widthMm: number;
  /** From black to white, mm. */
  readonly depthMm: number;
}

/** How much each cause wears a surface, %. */
export interface WearSettings {
  readonly edges: number;
  readonly hems: number;
  readonly folds: number;
  readonly seams: number;
  readonly heights: number;
  /** How patchy all of it is. */
  readonly patches: number;
}

/** Another set of coats for the same surface, kept beside the one that is painted. */
export interface Variant {
  readonly id: string;
  readonly name: string;
  readonly pattern: PatternUse | null;
  readonly coats: readonly Coat[];
}

/** One panel of the figure. */
export interface Surface {
  readonly id: string;
  readonly name: string;
  readonly form: FormUse;
  readonly pattern: PatternUse | null;
  readonly coats: readonly Coat[];
  /** Coats the pattern no longer asks for; one comes back as the painter had set it when it is asked for again. */
  readonly parked: readonly Coat[];
  readonly variants: readonly Variant[];
  /** Relief on top of the form's own; null for none. */
  readonly relief: ReliefUse | null;
  /** Where it wears: what the zone "worn" follows. */
  readonly wear: WearSettings;
  readonly seed: number;
}

export const PRIMERS = ["black", "grey", "white"] as const;
export type Primer = (typeof PRIMERS)[number];
export const STANDARDS = ["tabletop", "display"] as const;

/**
 * The job's light, as it falls on a piece that faces you upright. `fromDeg` runs anticlockwise from the right (90 is
 * from above), `heightDeg` from the piece's own level (0) to straight from the front (90).
 */
export interface Lamp {
  readonly fromDeg: number;
  readonly heightDeg: number;
}

/** High on the left, where most painters put it. */
export const USUAL_LAMP: Lamp = { fromDeg: 133, heightDeg: 45 };

export interface Figure {
  /** Height from the ground to the eyes, mm. */
  readonly eyeHeightMm: number;
  readonly standard: (typeof STANDARDS)[number];
  readonly primer: Primer;
  readonly viewingDistanceMm: number;
  readonly lamp: Lamp;
  readonly notes: string;
  /** How many figures are painted alike. */
  readonly count: number;
}

/** The hand and brush that will paint this job. */
export interface Hand {
  /** Finest line the painter can make, mm. */
  readonly finestLineMm: number;
  /** 0 shaky … 1 very steady. */
  readonly steadiness01: number;
}

/** What was really done at the bench. */
export interface LogEntry {
  readonly id: string;
  readonly cardId: string;
  readonly cardTitle: string;
  /** ISO 8601, UTC. */
  readonly doneAt: string;
  readonly minutes: number | null;
  readonly note: string;
  /** The drops as they were really mixed; null where no well was kept. */
  readonly recipe: readonly Addition[] | null;
}

export interface Job {
  readonly format: "crenna-job";
  readonly version: 3;
  readonly id: string;
  readonly name: string;
  readonly figure: Figure;
  readonly hand: Hand;
  readonly mixes: readonly Mix[];
  readonly wells: readonly Well[];
  readonly references: readonly Reference[];
  readonly targets: readonly Target[];
  readonly surfaces: readonly Surface[];
  /** Pairs of surfaces that lie side by side on the figure, by id. */
  readonly touching: readonly (readonly [string, string])[];
  readonly log: readonly LogEntry[];
}

/** Eyes of a standing adult, mm above the ground, the base of every scale here. */
export const REAL_EYE_HEIGHT_MM = 1630;
/** Scale as 1 : ratio. */
export const ratioOf = (figure: Pick<Figure, "eyeHeightMm">): number =>
  REAL_EYE_HEIGHT_MM / figure.eyeHeightMm;

export const mixById = (job: Pick<Job, "mixes">, id: string): Mix | undefined =>
  job.mixes.find((mix) => mix.id === id);

export const activeCoats = (surface: Surface): Coat[] => surface.coats.filter((coat) => !coat.held);
