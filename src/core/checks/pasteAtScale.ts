import { figureOf, ratioOf, type Coat } from "../job";
import { completeParams } from "../params";
import { techniques } from "../techniques";
import { formatNumber, withUnit } from "../units";
import type { Check, CheckContext } from "./check";
import { coatChange, type CheckResult } from "./finding";

/** Grit that would be as large as a fist reads as stones and no more as soil, mm in the world. */
const FIST_MM = 25;
/** Paste that lies deeper than this, beside what it was laid on, makes the base look thicker, mm. */
const RIM_MM = 0.5;

const isPaste = ({ technique }: Coat): boolean => technique.id === "texture-paste";
const sizesOf = ({ technique: { params } }: Coat) =>
  completeParams(techniques["texture-paste"].params, params) as Readonly<Record<"grain" | "depth", number>>;

function tooCoarse({ job, surface }: CheckContext, coat: Coat): CheckResult[] {
  const figure = figureOf(job, surface);
  const ratio = ratioOf(figure);
  const { grain } = sizesOf(coat);
  if (grain * ratio <= FIST_MM) return [];
  const [least] = techniques["texture-paste"].params.grain!.range;
  const fine = Math.max(least, Math.floor((50 * FIST_MM) / ratio) / 50);
  return [
    {
      ...{
        key: `${coat.id}/grain`,
        gravity: "look",
        coatId: coat.id,
        where: `${surface.name}, ${coat.name}`,
      },
      sentence: `Grit of ${withUnit(grain, 2, "mm")} is ${withUnit(grain * ratio, 0, "mm")} in the world of a figure at 1 : ${formatNumber(ratio, 0)}.`,
      reason: `Beyond ${FIST_MM} mm it reads as stones, not as soil. Sieve it, or take a finer paste.`,
      remedies:
        fine * ratio <= FIST_MM
          ? [
              {
                label: `Grit of ${formatNumber(fine, 2)} mm`,
                changes: [paramChange(surface.id, coat, "grain", fine)],
              },
            ]
          : [],
    },
  ];
}

const paramChange = (surfaceId: string, coat: Coat, param: string, value: number) => ({
  path: ["surfaces", surfaceId, "coats", coat.id, "technique", "params", param],
  value,
});

function overRim({ surface }: CheckContext, coat: Coat): CheckResult[] {
  const { depth } = sizesOf(coat);
  const lies = depth * coat.passes;
  if (lies <= RIM_MM) return [];
  const thin = Math.floor((50 * RIM_MM) / coat.passes) / 50;
  return [
    {
      ...{ key: `${coat.id}/rim`, gravity: "look", coatId: coat.id, where: `${surface.name}, ${coat.name}` },
      sentence: `Seen from the side paste rises ${withUnit(lies, 2, "mm")} over the rim of the base.`,
      reason: `More than ${RIM_MM} mm makes the base look thicker and its rim ragged. Lay it thinner, or cut it down to the rim while it is soft.`,
      remedies: [
        {
          label: `${formatNumber(thin, 2)} mm a layer`,
          changes: [paramChange(surface.id, coat, "depth", thin)],
        },
        ...(coat.passes > 1
          ? [{ label: "One layer", changes: [coatChange(surface.id, coat.id, "passes", 1)] }]
          : []),
      ].filter((_, at) => at > 0 || thin >= techniques["texture-paste"].params.depth!.range[0]),
    },
  ];
}

/** Is paste on a base fine and thin enough for its figure? */
export const pasteAtScale: Check = {
  id: "paste-at-scale",
  label: "Paste is fine and thin enough for the figure",
  concerns: (form, { coats }) => form.upright !== undefined && coats.some(isPaste),
  run(context) {
    if (context.form.upright === undefined) return [];
    return context.coats
      .filter(isPaste)
      .flatMap((coat) => [...tooCoarse(context, coat), ...overRim(context, coat)]);
  },
};
