/** How large a piece of ground is: the longest way, across that, and from its flat underside to its top, mm. */
export interface PieceSizes {
  readonly acrossMm: number;
  readonly deepMm: number;
  readonly tallMm: number;
}

/** One side of a piece: which way it looks, and how much broken relief it shows there. */
export interface Face {
  /** Degrees anticlockwise from the piece's long way, seen from above. */
  readonly wayDeg: number;
  /** How far its ledges step in, all together, mm: the more the better it looks at. */
  readonly showsMm: number;
}

/** A piece by itself: its underside is flat and lies at 0. */
export interface PieceShape {
  /** Nothing of it lies farther from its middle, mm. */
  readonly reachMm: number;
  /** Its top above its underside at a place along it and across it, mm; below 0 beside it. */
  top(alongMm: number, acrossMm: number): number;
  /** Its sides; none where it looks the same from everywhere. */
  readonly faces: readonly Face[];
}

/** One kind of thing that a base is built of. */
export interface PieceDefinition {
  readonly id: string;
  readonly label: string;
  readonly about: string;
  /** What a new one measures, mm. */
  readonly start: PieceSizes;
  /** Loose: it lies on what is below as a cloth does, and does not rest on three points. */
  readonly loose?: true;
  /** How it is made ready and glued on, and what can hurt there. */
  readonly bench: string;
  readonly caution: string;
  /** The same shape for a seed, whatever it is drawn on. */
  shape(sizes: PieceSizes, seed: number): PieceShape;
}

/** Declares a kind of piece. */
export const definePiece = (definition: PieceDefinition): PieceDefinition => definition;

/** Beside a piece: below any of its tops, mm. */
export const BESIDE = -1;

/** How far a point lies out of an ellipse, as a share of the way to its border: 1 on it. */
export const ellipseShare = (alongMm: number, acrossMm: number, { acrossMm: long, deepMm }: PieceSizes) =>
  Math.hypot((2 * alongMm) / long, (2 * acrossMm) / deepMm);

/** A length that does not take more than so much of a piece, mm. */
export const atMost = (mm: number, share: number, ofMm: number): number => Math.min(mm, share * ofMm);
