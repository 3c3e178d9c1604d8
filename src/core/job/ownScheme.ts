import { boolean, tuple } from "yup";
import { fields, id, listOf, name, one, size, text, utcTime, whole, manyOf, type Shape } from "../shape";
import { lampSchema, PRIMERS, STANDARDS } from "./figure";
import { groundworkSchema } from "./groundwork";
import { growthSchema } from "./growth";
import { additionSchema } from "./history";
import { mixSchema } from "./mix";
import { coatList, patternSlot, use, volumesSchema, wearSchema, type WithPattern } from "./surface";

/** The version own schemes are kept in. */
export const OWN_SCHEME_VERSION = 2;

/** The job and the piece a scheme was kept from. */
const origin = fields({ jobId: id(), job: name(), surface: name() });

/** The piece a scheme was painted on, so that it can be shown and begun without one. */
const piece = fields({
  form: use,
  hide: use.nullable().defined(),
  groundwork: groundworkSchema.nullable().defined(),
  growth: growthSchema.nullable().defined(),
  wear: wearSchema,
  volumes: volumesSchema,
  eyeHeightMm: size(5, 400),
  standard: one(STANDARDS),
  primer: one(PRIMERS),
  viewingDistanceMm: size(50, 5000),
  lamp: lampSchema,
});
export type SchemePiece = Shape<typeof piece>;

const labTriple = () => tuple([size(0, 100), size(-128, 128), size(-128, 128)]).strict();

/** One well as it was really mixed, and what it painted. */
export const batchSchema = fields({
  /** Name of the mix it was to be. */
  mix: text(80),
  /** Coats it painted, in their order. */
  coats: manyOf(text(80), 64, 1),
  added: manyOf(additionSchema, 500, 1),
  /** Parts of water to one of paint that was noted; left out where it was not. */
  water: size(0, 20).optional(),
  /** L*a*b* that was read from it, dry; left out where it was not. */
  read: labTriple().optional(),
  /** When it was painted with last. */
  at: utcTime(),
});
export type Batch = Shape<typeof batchSchema>;

/** Most wells a scheme tells of. */
export const MOST_BATCHES = 200;

/** Coats of a surface, its pattern and its mixes, kept so that a piece of any job can be painted alike. */
export const ownSchemeSchema = fields({
  id: id(),
  version: whole(OWN_SCHEME_VERSION, OWN_SCHEME_VERSION),
  name: name(),
  /** Null where it was kept before this was. */
  keptAt: utcTime().nullable().defined(),
  from: origin.nullable().defined(),
  piece: piece.nullable().defined(),
  /** Whether it follows what was really painted, rather than the plan. */
  asPainted: boolean().strict().required(),
  /** What was noted while it was painted. */
  notes: text(20000),
  batches: manyOf(batchSchema, MOST_BATCHES),
  pattern: patternSlot,
  coats: coatList(),
  mixes: listOf(mixSchema, "mixes", 200),
});
export type OwnScheme = WithPattern<Shape<typeof ownSchemeSchema>>;
