import { createRandom } from "../../random";
import type { FlatPoint } from "../../surface/forms/form";
import type { Stroke } from "../../techniques/technique";
import type { CamouflageLayout } from "./layout";

/** The stitched line of a hem lies this far from its edge, mm. */
const HEM_MM = 0.55;
const STEP_MM = 0.3;
/** Pulls and the gaps that are left between them, mm: seams are drawn again sparingly. */
const PULL_MM = [1.6, 4.2] as const;
const GAP_MM = [0.25, 1.1] as const;

/** A path broken into pulls with gaps between them. */
function broken(path: readonly FlatPoint[], widthMm: number, seed: number): Stroke[] {
  const random = createRandom(seed);
  const strokes: Stroke[] = [];
  for (let at = 0; at < path.length - 1;) {
    const count = Math.max(2, Math.round(random.range(...PULL_MM) / STEP_MM));
    const part = path.slice(at, at + count + 1);
    if (part.length >= 2) {
      const width = widthMm * random.range(0.85, 1.15);
      strokes.push({ path: Float64Array.from(part.flat()), startWidthMm: width, endWidthMm: width * 0.85 });
    }
    at += count + Math.max(1, Math.round(random.range(...GAP_MM) / STEP_MM));
  }
  return strokes;
}

/** Seams and hem drawn again: pulls of the finest line along every seam and above the hem. */
export function seamStrokes({ form, hand, params }: CamouflageLayout): Stroke[] {
  const width = hand.finestLineMm;
  const up = Math.max(2, Math.ceil(form.slantMm / STEP_MM));
  // Where the piece is open its first seam is an end, and the end of one laid out round a middle is no line.
  const seams = form.seamsDeg.filter((turn) => !form.round && (turn > 0 || form.closed));
  const lines = seams.map((turnDeg) =>
    Array.from({ length: up + 1 }, (_, step) =>
      form.flatten({ turnDeg, heightMm: (form.slantMm * step) / up }),
    ),
  );
  const hemMm = Math.min(HEM_MM, form.slantMm / 3);
  const round = Math.max(4, Math.ceil(form.lengthAt(hemMm) / STEP_MM));
  const hem = Array.from({ length: round + 1 }, (_, step) =>
    form.flatten({ turnDeg: (form.turnDeg * step) / round, heightMm: hemMm }),
  );
  return [hem, ...lines].flatMap((path, at) => broken(path, width, params.seed * 31 + at + 7));
}
