import { opticsOfMix, primerSpectrum } from "../colour/appearance";
import { layFilm } from "../colour/film";
import type { Spectrum } from "../colour/spectrum";
import { mixById, type Coat } from "../job";
import { coatPassUm } from "../simulate/layCoat";
import type { CheckContext } from "./check";

/** One class of places with the same coats below: a box tone of the cloth, or the whole surface. */
export interface Tone {
  /** Code of the column and of the row; both empty on a surface without a pattern. */
  readonly column: string;
  readonly row: string;
  readonly spectrum: Spectrum;
}

/** What each painted coat finds below it and leaves above, tone by tone, with even films. */
export interface CoatTones {
  readonly coat: Coat;
  readonly filmUm: number;
  readonly steps: readonly { readonly tone: Tone; readonly after: Spectrum }[];
}

/** Whether a coat goes on places of this tone at all (lines and dots cross all of them). */
export function coatMeets(coat: Coat, column: string, row: string): boolean {
  const { target } = coat;
  switch (target.kind) {
    case "boxes":
      return (
        (target.column === column && target.row === row) || (target.column === row && target.row === column)
      );
    case "bands":
      return (target.along === "columns" ? column : row) === target.code;
    default:
      return true;
  }
}

/** Coats that cover a whole tone; lines, dots and guides cover only strips of it. */
export const coversTone = (coat: Coat): boolean =>
  coat.target.kind === "everywhere" || coat.target.kind === "boxes" || coat.target.kind === "bands";

/** Walks through the painted coats with even films; one tone for each pair of broad stripes. */
export function coatTones({ job, paints, coats, layout }: CheckContext): CoatTones[] {
  const codes = (axis: "columns" | "rows") =>
    layout ? [...new Set(layout[axis].boxes.map((box) => box.code))] : [""];
  let tones: Tone[] = codes("columns").flatMap((column) =>
    codes("rows").map((row) => ({ column, row, spectrum: primerSpectrum(job.figure.primer) })),
  );
  return coats.map((coat) => {
    const optics = opticsOfMix(mixById(job, coat.mixId), paints);
    const filmUm = coatPassUm(coat) * coat.passes;
    const steps = tones
      .filter((tone) => coatMeets(coat, tone.column, tone.row))
      .map((tone) => ({ tone, after: layFilm(optics, filmUm, tone.spectrum) }));
    if (coversTone(coat)) {
      tones = tones.map((tone) => {
        const step = steps.find((one) => one.tone === tone);
        return step ? { ...tone, spectrum: step.after } : tone;
      });
    }
    return { coat, filmUm, steps };
  });
}
