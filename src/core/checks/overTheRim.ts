import { groundPieces } from "../groundwork/pieces";
import { groundKey } from "../groundwork/key";
import { canBuildOn } from "../groundwork/onGrid";
import { groundTold } from "../groundwork/told";
import { withUnit } from "../units";
import type { Check } from "./check";

/** So little over the rim is rubbed off, mm. */
const RUBBED_MM = 0.3;

/** Does what is built on a base stay on it? */
export const overTheRim: Check = {
  id: "over-the-rim",
  label: "What is built on a base stays on it",
  concerns: (form, { groundwork }) => canBuildOn(form) && (groundwork?.pieces.length ?? 0) > 0,
  run({ surface, form }) {
    const work = surface.groundwork;
    if (!work || !canBuildOn(form)) return [];
    const { pieces } = groundTold(form, groundKey(surface), work);
    return pieces.flatMap(({ id, overRimMm }, at) => {
      const piece = work.pieces[at]!;
      if (overRimMm <= RUBBED_MM) return [];
      const from = Math.hypot(piece.xMm, piece.yMm);
      const share = from > 0 ? Math.max(0, 1 - (overRimMm + 0.1) / from) : 1;
      const path = ["surfaces", surface.id, "groundwork", "pieces", id];
      const round = (mm: number) => Math.round(100 * mm) / 100;
      return [
        {
          ...{ key: id, gravity: "look" as const, coatId: null, where: surface.name },
          sentence: `${groundPieces[piece.kind].label} ${at + 1} stands ${withUnit(overRimMm, 1, "mm")} over the rim.`,
          reason:
            "What hangs over is knocked off, and bases no longer stand side by side. The picture ends at the rim.",
          remedies:
            from > 0
              ? [
                  {
                    label: "Move it in",
                    changes: [
                      { path: [...path, "xMm"], value: round(piece.xMm * share) },
                      { path: [...path, "yMm"], value: round(piece.yMm * share) },
                    ],
                  },
                ]
              : [],
        },
      ];
    });
  },
};
