import { filmLight, layFilm, masstone, overGround, type FilmLight, type Optics } from "./film";
import type { Spectrum } from "./spectrum";

/**
 * How a mix will be seen: as a thick film; as a thin film over a ground; or below a film of another paint.
 * Films in µm dry.
 */
export type SeenAs =
  | { readonly kind: "thick" }
  | { readonly kind: "film"; readonly filmUm: number; readonly ground: Spectrum }
  | { readonly kind: "under"; readonly optics: Optics; readonly filmUm: number };

/** What a film of the paint above does to light, band by band. */
export const glazeLight = (seen: Extract<SeenAs, { kind: "under" }>): FilmLight[] =>
  Array.from(seen.optics.absorption, (k, band) => filmLight(k, seen.optics.scattering[band]!, seen.filmUm));

/** Turns the optics of a mix into what is seen of it. */
export function seer(seen: SeenAs): (optics: Optics) => Spectrum {
  if (seen.kind === "thick") return masstone;
  if (seen.kind === "film") return (optics) => layFilm(optics, seen.filmUm, seen.ground);
  const glaze = glazeLight(seen);
  return (optics) => masstone(optics).map((value, band) => overGround(glaze[band]!, value));
}
