import type { Paint } from "../job";
import { paintOptics, type SeenPaint } from "./appearance";
import { ciede2000 } from "./difference";
import { layFilm, masstone } from "./film";
import { CHART_BLACK, CHART_WHITE, STANDARD_FILM_UM } from "./paint";
import { hexToLab, spectrumToLab } from "./spaces";
import { uniformSpectrum, type Spectrum } from "./spectrum";

/** One colour of a pot that no film can have together with the others, and by how much what is shown differs. */
export interface Misfit {
  readonly field: "thick" | "overWhite" | "overBlack";
  readonly difference: number;
  readonly message: string;
}

/** From this difference (CIEDE2000) on it is said. */
const SAID_FROM = 1;

const LABELS: Readonly<Record<Misfit["field"], string>> = {
  thick: "its thick colour",
  overWhite: "its coat over white",
  overBlack: "its coat over black",
};

/**
 * Colours of a pot that cannot go together: over white a coat is never darker than the paint is thick, over black never
 * lighter. What is shown then differs from what was given, and this says by how much.
 */
export function misfitsOf(paint: SeenPaint & Pick<Paint, "kind">): Misfit[] {
  if (paint.fit || paint.kind === "medium" || paint.kind === "varnish") return [];
  const optics = paintOptics(paint);
  const over = (ground: number) => layFilm(optics, STANDARD_FILM_UM, uniformSpectrum(ground));
  const off = (field: Misfit["field"], hex: string | null, shown: () => Spectrum): Misfit[] => {
    if (hex === null) return [];
    const difference = ciede2000(hexToLab(hex), spectrumToLab(shown()));
    if (difference < SAID_FROM) return [];
    const message = `No film has all of these colours: ${LABELS[field]} comes out off by ${difference.toFixed(1)}. Over white a coat is never darker than the paint is thick, over black never lighter.`;
    return [{ field, difference, message }];
  };
  // A transparent pot with one colour is read as one coat over white: its thick colour is not that.
  const single = paint.hiding === "transparent" && paint.overWhite === null && paint.overBlack === null;
  return [
    ...(single ? [] : off("thick", paint.thick, () => masstone(optics))),
    ...off("overWhite", paint.overWhite, () => over(CHART_WHITE)),
    ...off("overBlack", paint.overBlack, () => over(CHART_BLACK)),
  ];
}
