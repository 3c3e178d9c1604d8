import { string, type InferType } from "yup";
import { colour, fields, id, listOf, manyOf, one, size, text, whole } from "../../shape";

/** Where on a body a colour gathers. */
export const SITS = ["anywhere", "back", "belly", "hem", "top", "ends"] as const;
export type Sits = (typeof SITS)[number];

/** Fewest and most colours of one coat. */
export const COLOURS = { least: 2, most: 5 } as const;
/** Fewest and most tones of hair that a colour is painted in, its dark one among them. */
export const TONES = { least: 2, most: 5 } as const;
export const MOST_SPOTS = 60;

const colourId = () =>
  string()
    .strict()
    .required()
    .matches(/^[a-z][a-z0-9]{0,11}$/, "${path} must be up to 12 small letters and digits");

const coatColour = fields({
  id: colourId(),
  name: string().strict().trim().required().max(40),
  /** The colour as its ground is to read. */
  colour: colour(),
  /** Share of the surface, %; the first colour takes what the others leave. */
  share: size(0, 100),
  sits: one(SITS),
  /** How far it keeps to where it sits, %: 0 anywhere, 100 nowhere else. */
  keeps: size(0, 100),
  /** Mixes of its ground, of its dark hairs and of its lights, first to last; those that are missing are made. */
  mixIds: manyOf(text(120), TONES.most + 1),
});

const spot = fields({
  id: id(),
  /** Colour it sets there. */
  colourId: colourId(),
  /** Where: shares of the form's length (from the first seam) and height (from the hem). */
  x: size(0, 1),
  y: size(0, 1),
  widthMm: size(0.3, 30),
});

export const patchedSchema = fields({
  colours: listOf(coatColour, "colours", COLOURS.most, COLOURS.least),
  /** Tones of hair in every colour, its dark one among them. */
  tones: whole(TONES.least, TONES.most),
  /** How wide the large blocks are, and the small ones within and between them, mm. */
  largeMm: size(1, 30),
  smallMm: size(0.3, 8),
  /** How far the small ones break the large, %. */
  broken: size(0, 100),
  /** How far blocks are drawn out across the lie into stripes, %. */
  stripes: size(0, 100),
  /** How far strokes of one colour reach into the next, mm. */
  reachMm: size(0, 2),
  /** Single hairs of another colour within a block, %. */
  strays: size(0, 10),
  /** Length of a hair of the middle tone, mm. */
  hairMm: size(0.2, 4),
  /** Mix of the shade below the hairs and of the sheen over them; "" until they are made, null for none. */
  shadeMixId: text(120).nullable(),
  sheenMixId: text(120).nullable(),
  /** Places that were set by hand. */
  spots: listOf(spot, "spots", MOST_SPOTS),
  /** Another number, another try of the same character. */
  seed: whole(0, 99999),
});

export type PatchedParams = InferType<typeof patchedSchema>;
export type CoatColour = PatchedParams["colours"][number];
export type CoatSpot = PatchedParams["spots"][number];

/** A colour with everything that is not said as it usually is. */
export const usualColour = (
  given: Partial<CoatColour> & Pick<CoatColour, "id" | "name" | "colour" | "share">,
): CoatColour => ({ sits: "anywhere", keeps: 50, mixIds: [], ...given });

/** Shares asked for, 0…1, in the order of the colours: the first takes what the others leave. */
export function sharesAsked({ colours }: Pick<PatchedParams, "colours">): number[] {
  const others = colours.slice(1).map(({ share }) => share / 100);
  const sum = others.reduce((all, share) => all + share, 0);
  // More than there is is shared out as it was asked for.
  const scale = sum > 1 ? 1 / sum : 1;
  return [Math.max(0, 1 - sum * scale), ...others.map((share) => share * scale)];
}
