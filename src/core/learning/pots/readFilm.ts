import { paintOptics } from "../../colour/appearance";
import { ciede2000 } from "../../colour/difference";
import { layFilm } from "../../colour/film";
import { mixOptics } from "../../colour/mix";
import { hexToSpectrum } from "../../colour/spectrum";
import { labToHex, spectrumToLab, type Triple } from "../../colour/spaces";
import type { ColourRead, Paint } from "../../job";

/** What a coat is to look like where it lies, and what it lies on. */
export interface PlannedFilm {
  /** Mean L*a*b* once it is dry, and of the ground before it. */
  readonly lab: Triple;
  readonly under: Triple;
  /** Mean thickness of dry film, µm. */
  readonly um: number;
}

/** How much of each pot is in a mix, by volume. */
export type PotShares = readonly { readonly paintId: string; readonly parts: number }[];

/** A pot as it is supposed to be, against what the shelf says: times its strength, times its hiding. */
export interface Times {
  readonly strength: number;
  readonly hiding: number;
}

const AS_IT_IS: Times = { strength: 1, hiding: 1 };

/**
 * L*a*b* of an even film over a ground.
 * @param timesOf how a pot departs from the shelf; as it is where left out
 * @returns null where no pot of it is on the shelf
 */
export function filmLab(
  shares: PotShares,
  paints: readonly Paint[],
  { um, under }: Pick<PlannedFilm, "um" | "under">,
  timesOf: (paintId: string) => Times = () => AS_IT_IS,
): Triple | null {
  const parts = shares.flatMap(({ paintId, parts: count }) => {
    const paint = paints.find(({ id }) => id === paintId);
    if (!paint || count <= 0) return [];
    const { strength, hiding } = timesOf(paintId);
    const { absorption, scattering } = paintOptics(paint);
    const times = (values: Float64Array) => values.map((value) => value * hiding);
    const optics =
      hiding === 1
        ? { absorption, scattering }
        : { absorption: times(absorption), scattering: times(scattering) };
    return [{ optics, parts: count, strength: paint.strength * strength }];
  });
  if (parts.length === 0) return null;
  return spectrumToLab(layFilm(mixOptics(parts), um, hexToSpectrum(labToHex(under))));
}

/** Coats whose look is further than this from an even film are no measure of their pots, CIEDE2000. */
const EVEN_ENOUGH = 5;
const DIGITS = 2;
const rounded = (value: number): number => Number(value.toFixed(DIGITS));
const roundedTriple = ([l, a, b]: Triple): Triple => [rounded(l), rounded(a), rounded(b)];

/**
 * What a reading keeps of the coat it was read from, so that it can tell of its pots: the film, its ground, and by how
 * much the coat departs from an even film.
 * @param shares the mix as it is planned
 * @returns undefined where it departs too far, or a pot is missing
 */
export function filmRead(
  planned: PlannedFilm,
  shares: PotShares,
  paints: readonly Paint[],
): ColourRead["film"] {
  const even = filmLab(shares, paints, planned);
  if (!even || planned.um <= 0 || ciede2000(even, planned.lab) > EVEN_ENOUGH) return undefined;
  const off = planned.lab.map((value, axis) => value - even[axis]!) as unknown as Triple;
  return { um: rounded(planned.um), under: roundedTriple(planned.under), off: roundedTriple(off) };
}
