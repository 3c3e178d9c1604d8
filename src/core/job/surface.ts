import { boolean, mixed, string, type MixedSchema } from "yup";
import {
  contentId,
  fields,
  id,
  listOf,
  manyIfAny,
  name,
  one,
  record,
  size,
  text,
  whole,
  type Shape,
} from "../shape";
import { EVENT_IDS } from "../ageing/events";
import { MATERIAL_IDS } from "../surface/volumes/materials";
import { effortSchema } from "./effort";
import { groundworkSchema } from "./groundwork";
import { growthSchema } from "./growth";
import { MISHAP_IDS } from "./mishap";
import { placeSchema } from "./place";
import { seatSchema } from "./seat";

const numbers = () => record(size(-1e6, 1e6), /^[A-Za-z0-9]{1,40}$/);
/** A technique or form in use, with its settings. */
export const use = fields({ id: id(), version: whole(1, 1000), params: numbers() });
export type TechniqueUse = Shape<typeof use>;
/** `mirrored`: of the second piece of a pair, as it stands on the figure; never kept. */
export type FormUse = Shape<typeof use> & { readonly mirrored?: true };
/** What covers a form, sculpted: which kind, and its sizes. */
export type HideUse = Shape<typeof use>;

/** One step: a technique, a mix, where, how many passes. */
export const coatSchema = fields({
  id: id(),
  name: name(),
  technique: use,
  mixId: text(120),
  /** Parts of water to one of paint in this coat. */
  water: size(0, 20),
  passes: whole(1, 12),
  /** Held back: kept in the list, not painted. */
  held: boolean().strict().required(),
  place: placeSchema,
  /** What it stands for in the life of the surface; null for a coat that is no matter of time. */
  event: one(EVENT_IDS).nullable().defined(),
  /** What the pattern made this coat for; null for a coat the painter added. */
  role: string().strict().defined().nullable().max(120),
  /** Single marks may run over seams that part the panel. */
  overSeams: boolean().strict().required(),
  seed: whole(0, 2 ** 31),
  /** What went wrong: this coat lies there already, nobody is to paint it. Left out for coats that are painted. */
  mishap: one(MISHAP_IDS).optional(),
  /** What it mends: a coat that was not planned. Left out for all others. */
  mends: one(MISHAP_IDS).optional(),
  /** Figures of the unit that have it, from 1: what went wrong on some of them, and what mends it. Left out for all. */
  figures: manyIfAny(whole(1, 500), 500),
});
export type Coat = Shape<typeof coatSchema>;

/** A pattern on a surface: which family, and its settings, which the family's own schema checks. */
const patternUse = fields({
  id: id(),
  version: whole(1, 1000),
  params: mixed() as unknown as MixedSchema<object>,
});
/** The pattern of a surface; null for none. */
export const patternSlot = patternUse.nullable().defined();
/** A pattern on a surface: which family, and its settings as that family reads them. */
export interface PatternUse {
  readonly id: string;
  readonly version: number;
  /** Checked by the family's own schema wherever a job comes in. */
  readonly params: unknown;
}

/** Coats that a surface may have. */
export const MOST_COATS = 64;
/** Coats of a surface, first to last. */
export const coatList = () => listOf(coatSchema, "coats", MOST_COATS);

/** Another set of coats for the same surface, kept beside the one that is painted. */
const variant = fields({
  id: id(),
  name: name(),
  pattern: patternSlot,
  coats: coatList(),
});
export type Variant = WithPattern<Shape<typeof variant>>;

/** A shape with a pattern whose settings only its family knows. */
export type WithPattern<T> = Omit<T, "pattern"> & { readonly pattern: PatternUse | null };

const relief = fields({
  pictureId: contentId(),
  name: name(),
  /** Width the picture has on the surface; it repeats beyond, mm. */
  widthMm: size(0.5, 400),
  /** From black to white, mm. */
  depthMm: size(0, 10),
});
/** Relief taken from a stored 16-bit greyscale picture: white stands out. */
export type ReliefUse = Shape<typeof relief>;

const percent = () => size(0, 100);
export const wearSchema = fields({
  edges: percent(),
  hems: percent(),
  folds: percent(),
  seams: percent(),
  heights: percent(),
  /** How patchy all of it is. */
  patches: percent(),
});
/** How much each cause wears a surface, %. */
export type WearSettings = Shape<typeof wearSchema>;

/** How much a surface is to be looked at. */
export const IMPORTANCES = ["looked-at", "usual", "quiet"] as const;

export const volumesSchema = fields({
  material: one(MATERIAL_IDS),
  importance: one(IMPORTANCES),
});
/** What the lights and shadows of a surface follow, besides the light itself. */
export type Volumes = Shape<typeof volumesSchema>;

/** One panel of a figure. */
export const surfaceSchema = fields({
  id: id(),
  name: name(),
  /** The figure it is a part of. */
  figureId: id(),
  form: use,
  /** Where it sits on its figure's body; null where it lies aside. */
  seat: seatSchema.nullable().defined(),
  pattern: patternSlot,
  coats: coatList(),
  /** Coats the pattern no longer asks for; one comes back as the painter had set it when it is asked for again. */
  parked: coatList(),
  variants: listOf(variant, "variants", 8),
  /** Relief on top of the form's own; null for none. */
  relief: relief.nullable().defined(),
  /** What is sculpted all over the form: locks, scales; null for a smooth one. */
  hide: use.nullable().defined(),
  /** What stands on it, where it is a base; null for nothing but its ground. */
  groundwork: groundworkSchema.nullable().defined(),
  /** Where it wears: what the zone "worn" follows. */
  wear: wearSchema,
  /** What it is made of and how much it is looked at: what its value plan follows. */
  volumes: volumesSchema,
  /** Which way hair, fur or scales lie on it; null where nobody has said: then down the piece. */
  growth: growthSchema.nullable().defined(),
  /** How many marks are set one by one on it, and where; null for as many as its coats ask for. */
  effort: effortSchema.nullable().defined(),
  seed: whole(0, 2 ** 31),
});

type SurfaceShape = WithPattern<Shape<typeof surfaceSchema>>;
export type Surface = Omit<SurfaceShape, "variants" | "form"> & {
  readonly variants: readonly Variant[];
  readonly form: FormUse;
};

/** Coats that will be painted: all but those held back. */
export const activeCoats = (surface: { readonly coats: readonly Coat[] }): Coat[] =>
  surface.coats.filter((coat) => !coat.held);

/** Whether a coat is there because something went wrong: it lies there, and has no card. */
export const isMishap = ({ mishap }: Pick<Coat, "mishap">): boolean => mishap !== undefined;

/** Painted lights whose light is laid on a surface, by their ids. */
export const lightsLaidOn = (surface: { readonly coats: readonly Coat[] }): string[] => [
  ...new Set(
    activeCoats(surface).flatMap(({ place }) =>
      place.kind === "zones" && place.shed ? [place.shed.lightId] : [],
    ),
  ),
];

/**
 * Coats of light and shade that were laid over a pattern are told by this, behind the surface's own id: laid again they
 * take the place of themselves. Behind it a light has the id of the coat it is of.
 */
export const OVER = "over-";

/** Whether a coat of a surface is of the light and shade that was laid over it. */
export const isOver = (surfaceId: string, coatId: string): boolean =>
  coatId.startsWith(`${surfaceId}-${OVER}`);

/** Whether a coat is the light over another one of its surface. */
export const isLightOf = (surfaceId: string, coatId: string, ofCoatId: string): boolean =>
  coatId === `${surfaceId}-${OVER}${ofCoatId}`;
