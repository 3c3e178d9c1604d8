import type { Coat } from "../job";
import { completeParams } from "../params";
import { glanceAt } from "../simulate/glance";
import { techniques } from "../techniques";
import { blockColours } from "../techniques/single-blocks/single-blocks";
import { joins, joinsByChance } from "../techniques/single-blocks/colouring";
import { formatNumber } from "../units";
import type { Check, CheckContext } from "./check";
import type { CheckResult } from "./finding";

/** Neighbours alike as often as chance would have them, less so many deviations, look dealt out blindly. */
const DEVIATIONS = 2;
/** Fewer pairs of neighbours than this tell nothing. */
const LEAST_PAIRS = 12;

const isSingle = ({ technique }: Coat): boolean => technique.id === "single-blocks";
const paramsOf = ({ technique: { params } }: Coat) =>
  completeParams(techniques["single-blocks"].params, params) as Readonly<
    Record<"colours" | "bare" | "alike" | "number", number>
  >;

/** One set of coats that shares the blocks out: its first coat tells for all. */
function judged({ job, surface }: CheckContext, coat: Coat): CheckResult[] {
  const { hide } = glanceAt(job, surface).grid;
  if (!hide?.neighbours) return [];
  const colours = blockColours(hide.neighbours, paramsOf(coat), coat.seed);
  const { pairs, alike } = joins(hide.neighbours, colours);
  const { mean, deviation } = joinsByChance(hide.neighbours, colours);
  if (pairs < LEAST_PAIRS || alike < mean - DEVIATIONS * deviation) return [];
  const set = surface.coats.filter((one) => isSingle(one) && one.seed === coat.seed);
  return [
    {
      ...{ key: coat.id, gravity: "look", coatId: coat.id, where: surface.name },
      sentence: `${alike} of ${pairs} pairs of blocks side by side are tinted alike; chance alone would give ${formatNumber(mean, 0)}.`,
      reason:
        "Blocks of one colour run together into larger ones. Let fewer neighbours be alike, or tint fewer.",
      remedies: [
        {
          label: "Let no neighbours be alike",
          changes: set.map((one) => ({
            path: ["surfaces", surface.id, "coats", one.id, "technique", "params", "alike"],
            value: 0,
          })),
        },
      ],
    },
  ];
}

/** Are single blocks tinted so that neighbours differ? */
export const blocksApart: Check = {
  id: "blocks-apart",
  label: "Blocks side by side are tinted unlike",
  concerns: (_form, { hide, coats }) => hide !== null && coats.some(isSingle),
  run(context) {
    const single = context.coats.filter(isSingle);
    const first = single.filter((coat, at) => single.findIndex(({ seed }) => seed === coat.seed) === at);
    return context.surface.hide ? first.flatMap((coat) => judged(context, coat)) : [];
  },
};
