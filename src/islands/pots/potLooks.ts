import { paintOptics } from "../../core/colour/appearance";
import { layFilm, masstone } from "../../core/colour/film";
import { CHART_BLACK, CHART_WHITE, STANDARD_FILM_UM } from "../../core/colour/paint";
import { spectrumToHex } from "../../core/colour/spaces";
import { uniformSpectrum } from "../../core/colour/spectrum";
import type { Paint } from "../../core/job";

export interface PotLook {
  readonly thick: string;
  readonly overBlack: string;
  readonly overWhite: string;
}

const known = new WeakMap<Paint, PotLook>();

/** A pot's colours as the film model shows them: thick, and one full coat over black and over white. */
export function potLook(paint: Paint): PotLook {
  const remembered = known.get(paint);
  if (remembered) return remembered;
  const optics = paintOptics(paint);
  const over = (ground: number) => spectrumToHex(layFilm(optics, STANDARD_FILM_UM, uniformSpectrum(ground)));
  const look = {
    // A medium has no thick colour of its own: what it looks like in the pot says most.
    thick:
      paint.kind === "medium" || paint.kind === "varnish" ? paint.thick : spectrumToHex(masstone(optics)),
    overBlack: over(CHART_BLACK),
    overWhite: over(CHART_WHITE),
  };
  known.set(paint, look);
  return look;
}

/** A pot to be filled in. */
export const blankPot = (): Paint => ({
  id: `paint-own-${crypto.randomUUID().slice(0, 12)}`,
  name: "",
  range: "",
  kind: "paint",
  state: "have",
  thick: "#808080",
  overWhite: null,
  overBlack: null,
  hiding: "semi",
  finish: "matt",
  strength: 1,
  dropUl: 40,
  fit: null,
});
