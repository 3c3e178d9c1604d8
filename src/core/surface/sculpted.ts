/** One thing of a hide, a lock or a scale: where its root is, on the flat, mm, and on the form. */
export interface SculptedThing {
  readonly xMm: number;
  readonly yMm: number;
  readonly turnDeg: number;
  readonly heightMm: number;
  /** From root to tip, and across where it is widest, mm on the flat. */
  readonly lengthMm: number;
  readonly widthMm: number;
  /** Unit vector from root to tip on the flat, y downwards. */
  readonly wayX: number;
  readonly wayY: number;
  /** It is one of those that lie across the belly. */
  readonly onBelly?: true;
}

/** A hide as it is sculpted over a form: things one beside and over the other. One entry a cell of the grid. */
export interface Sculpted {
  /** How far it raises the ground, mm. */
  readonly upMm: Float32Array;
  /** The panel's share of a cell as the hide leaves it: at a rim over which locks hang, they are the outline. */
  readonly inside: Float32Array;
  /** Number of the thing that is seen, from 0; −1 where the form itself is. */
  readonly thing: Int32Array;
  /** Where on it the cell lies: from its root, 0, to its tip, 255. */
  readonly along: Uint8Array;
  /** From one side, −127, to the other, 127; to the left as it grows is below 0. */
  readonly across: Int8Array;
  readonly things: readonly SculptedThing[];
  /** Number of the piece of a base that stands on a cell, from 0; −1 for its ground. Left out where nothing is built. */
  readonly built?: Int32Array;
  /** Places on the flat, mm, that are kept free for feet and pegs; left out where there are none. */
  readonly feet?: readonly { readonly xMm: number; readonly yMm: number; readonly radiusMm: number }[];
  /** Of every thing, those it lies beside across a joint; left out where things lie over each other anyhow. */
  readonly neighbours?: readonly (readonly number[])[];
}
