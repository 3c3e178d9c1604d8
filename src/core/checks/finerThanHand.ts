import type { Coat } from "../job";
import { completeParams } from "../params";
import { isTechniqueId, techniques } from "../techniques";
import type { TechniqueDefinition } from "../techniques/technique";
import { counted, formatNumber } from "../units";
import type { Check } from "./check";

/** A dot of the tip and a flick that tapers come out this much finer than the finest line, and no more. */
const TIP_SHARE = 0.4;

interface FineMark {
  readonly coat: Coat;
  readonly param: string;
  readonly widthMm: number;
  /** What its setting can be that the hand can do, mm. */
  readonly possibleMm: number;
}

/** The marks of a coat, where they are finer than can be made. */
function fineMark(coat: Coat, leastMm: number): FineMark[] {
  const { id, params } = coat.technique;
  const technique: TechniqueDefinition | null = isTechniqueId(id) ? techniques[id] : null;
  const param = technique?.markWidth;
  const spec = param === undefined ? undefined : technique?.params[param];
  if (!technique || param === undefined || !spec) return [];
  const widthMm = completeParams(technique.params, params)[param]!;
  if (widthMm >= TIP_SHARE * leastMm - 1e-9) return [];
  const steps = Math.ceil((TIP_SHARE * leastMm) / spec.step - 1e-9);
  return [
    { coat, param, widthMm, possibleMm: Number(Math.min(spec.range[1], steps * spec.step).toFixed(4)) },
  ];
}

/** Can the marks of every coat be painted with this brush and hand? */
export const finerThanHand: Check = {
  id: "finer-than-hand",
  label: "Marks are not finer than the hand",
  run({ job, surface, coats }) {
    const line = job.hand.finestLineMm;
    const fine = coats.flatMap((coat) => fineMark(coat, line));
    const [first] = fine;
    if (!first) return [];
    const finest = Math.min(...fine.map(({ widthMm }) => widthMm));
    const possible = Math.max(...fine.map(({ possibleMm }) => possibleMm));
    const names = fine.map(({ coat }) => coat.name);
    return [
      {
        key: "marks",
        gravity: "look" as const,
        coatId: first.coat.id,
        where: `${surface.name}, ${names.length > 1 ? counted(names.length, "coat") : first.coat.name}`,
        sentence: `Marks ${formatNumber(finest, 2)} mm wide (${names.join(", ")}) are far finer than your finest line of ${formatNumber(line, 2)} mm.`,
        reason: "They come out as wide as brush and hand make them, and cover more than is shown.",
        remedies: [
          {
            label: `Make them ${formatNumber(possible, 2)} mm`,
            changes: fine.map(({ coat, param, possibleMm }) => ({
              path: ["surfaces", surface.id, "coats", coat.id, "technique", "params", param],
              value: possibleMm,
            })),
          },
        ],
      },
    ];
  },
};
