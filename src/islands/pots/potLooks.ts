import { paintOptics } from "../../core/colour/appearance";
import { layFilm, masstone } from "../../core/colour/film";
import { CHART_BLACK, CHART_WHITE, STANDARD_FILM_UM } from "../../core/colour/paint";
import { startStrength } from "../../core/colour/startStrength";
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

/** A pot with other colours or of another kind; its strength follows where it stands at its start value. */
export function withLook(paint: Paint, change: Partial<Paint>): Paint {
  const next = { ...paint, ...change, fit: null };
  const untouched = Math.abs(paint.strength - startStrength(paint)) < 0.026;
  return untouched ? { ...next, strength: startStrength(next) } : next;
}

/** A pot of another kind; readings stay, its strength follows as for another look. */
export const withKind = (paint: Paint, kind: Paint["kind"]): Paint => ({
  ...withLook(paint, { kind }),
  fit: paint.fit,
});

const startPot = (): Paint => ({
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

/** A pot to be filled in. */
export function blankPot(): Paint {
  const pot = startPot();
  return { ...pot, strength: startStrength(pot) };
}
