import type { SpacePoint } from "./forms/form";

/** Writes a vector into numbers: `set` takes several times as long for three. */
export function write(into: Float32Array | Float64Array, at: number, vector: SpacePoint): void {
  into[at] = vector[0];
  into[at + 1] = vector[1];
  into[at + 2] = vector[2];
}

/** The first, and a share of the second. */
export const add = (a: SpacePoint, b: SpacePoint, share = 1): SpacePoint => [
  a[0] + share * b[0],
  a[1] + share * b[1],
  a[2] + share * b[2],
];
/** From the second to the first. */
export const minus = (a: SpacePoint, b: SpacePoint): SpacePoint => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
/** Length of a vector. */
export const lengthOf = (a: SpacePoint): number => Math.hypot(a[0], a[1], a[2]);
/** A vector so many times as long. */
export const times = (a: SpacePoint, share: number): SpacePoint => [a[0] * share, a[1] * share, a[2] * share];
/** A vector of length 1 in the same direction; nothing stays nothing. */
export const unit = (a: SpacePoint): SpacePoint => times(a, 1 / (lengthOf(a) || 1));
/** Vector product: at right angles to both. */
export const cross = (a: SpacePoint, b: SpacePoint): SpacePoint => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
/** Scalar product. */
export const dot = (a: SpacePoint, b: SpacePoint): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
