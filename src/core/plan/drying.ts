import { SOLIDS_SHARE } from "../colour/mix";

/**
 * Minutes until a film is touch dry in a room, from its wet thickness: a thin acrylic film sets in a few minutes, and
 * the time grows with the water that has to leave. A starting value that the painter's own log replaces.
 * @param passUm dry film of one pass, µm
 * @param water parts of water to one of paint
 */
export function touchDryMinutes(passUm: number, water: number): number {
  const wetUm = (passUm / SOLIDS_SHARE) * (1 + water);
  return 3 + 0.09 * wetUm;
}
