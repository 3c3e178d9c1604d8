import { fields, id, listOf, name, whole, type Shape } from "../shape";
import { mixSchema } from "./mix";
import { coatList, patternSlot, type WithPattern } from "./surface";

/** The version own schemes are kept in. */
export const OWN_SCHEME_VERSION = 1;

/** Coats of a surface, its pattern and its mixes, kept so that a piece of any job can be painted alike. */
export const ownSchemeSchema = fields({
  id: id(),
  version: whole(OWN_SCHEME_VERSION, OWN_SCHEME_VERSION),
  name: name(),
  pattern: patternSlot,
  coats: coatList(),
  mixes: listOf(mixSchema, "mixes", 200),
});
export type OwnScheme = WithPattern<Shape<typeof ownSchemeSchema>>;
