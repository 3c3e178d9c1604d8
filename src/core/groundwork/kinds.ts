/** What a base can be built of, in the order they are offered. */
export const PIECE_KINDS = ["slab", "boulder", "pebbles", "cork", "bark", "planks"] as const;
export type PieceKind = (typeof PIECE_KINDS)[number];

/** How a piece is set: it lies as it comes to rest, or is held by a bed of paste below it, level or leaning as told. */
export const BEDDINGS = ["rests", "bedded"] as const;
export type Bedding = (typeof BEDDINGS)[number];

/** Pieces on one base, and places that are kept free for feet and pegs. */
export const [MOST_PIECES, MOST_FEET] = [40, 12] as const;
