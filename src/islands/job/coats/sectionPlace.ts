import type { SectionLine } from "../../../core/simulate/section";
import type { Specimen } from "../../../core/simulate/simulator";

/** How far down the panel a first line is tried, as shares of its height: the first that lies on the piece all along. */
const DOWN = [0.8, 0.65, 0.5, 0.35, 0.2, 0.9] as const;
/** How far across it runs. */
const [FROM, TO] = [0.36, 0.64] as const;
const SAMPLES = 24;

/** How much of a line at a share of the height lies on the piece, 0…1. */
function onPiece({ rgba, width, height }: Specimen, down: number): number {
  let on = 0;
  for (let at = 0; at <= SAMPLES; at++) {
    const column = Math.floor((FROM + ((TO - FROM) * at) / SAMPLES) * (width - 1));
    if (rgba[(Math.floor(down * (height - 1)) * width + column) * 4 + 3]! > 0) on++;
  }
  return on / (SAMPLES + 1);
}

/** A first line across the panel, where there is most of it. */
function firstLine(specimen: Specimen): SectionLine {
  const down = DOWN.reduce((best, next) => (onPiece(specimen, next) > onPiece(specimen, best) ? next : best));
  const width = specimen.width * specimen.pitchMm;
  const y = specimen.originY + specimen.height * specimen.pitchMm * down;
  return { ax: specimen.originX + width * FROM, ay: y, bx: specimen.originX + width * TO, by: y };
}

/** The painter's line, or a first one where there is none yet or it lies beside the surface. */
export function lineOn(specimen: Specimen, line: SectionLine | null): SectionLine {
  if (!line) return firstLine(specimen);
  const { originX, originY, pitchMm } = specimen;
  const inside = (x: number, y: number) =>
    x >= originX &&
    y >= originY &&
    x <= originX + specimen.width * pitchMm &&
    y <= originY + specimen.height * pitchMm;
  return inside(line.ax, line.ay) || inside(line.bx, line.by) ? line : firstLine(specimen);
}
