import { layFilm, type Optics } from "../colour/film";
import { groundUnder } from "../colour/layering";
import { ciede2000 } from "../colour/difference";
import { spectrumToLab } from "../colour/spaces";
import type { Spectrum } from "../colour/spectrum";

/** One film that comes to lie over what is planned: what it is made of, and how thick it lies there, µm dry. */
export interface FilmAbove {
  readonly optics: Optics;
  readonly filmUm: number;
}

/** What a texture has to be painted in, so that it shows a goal once everything is over it. */
export interface Backwards {
  /** Colour to paint, before the films. */
  readonly paint: Spectrum;
  /** What is seen of that colour after the films. */
  readonly seen: Spectrum;
  /** CIEDE2000 between what is seen and the goal. */
  readonly difference: number;
  /** Within what any paint can show. */
  readonly reached: boolean;
}

/** A difference nobody sees. */
const UNSEEN = 1;

/** What is seen of a colour once films lie over it, first the lowest. */
export const throughFilms = (colour: Spectrum, above: readonly FilmAbove[]): Spectrum =>
  above.reduce<Spectrum>((seen, { optics, filmUm }) => layFilm(optics, filmUm, seen), colour);

/**
 * The colour that must lie below some films for a goal to be seen through them: each film is undone from the top,
 * and what no paint can show is cut off.
 * @param above films over it, first the lowest
 */
export function planBackwards(goal: Spectrum, above: readonly FilmAbove[]): Backwards {
  const paint = above.reduceRight<Spectrum>(
    (seen, { optics, filmUm }) => groundUnder(optics, filmUm, seen).ground,
    goal,
  );
  const seen = throughFilms(paint, above);
  const difference = ciede2000(spectrumToLab(seen), spectrumToLab(goal));
  return { paint, seen, difference, reached: difference < UNSEEN };
}
