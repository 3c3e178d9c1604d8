import { figureOf } from "../../job";
import { counted, formatThinning } from "../../units";
import type { PatternGoals } from "../family";
import { boxCodes, type SettContext } from "./coats";
import { halfToneMatch, solveOverpaint, wovenCrossing } from "./crossing";
import { crossingKey } from "./params";

/** Crossings of the cloth as goals, the light of both threads, and how near paint comes to each. */
export function settGoals({ job, surface, paints, params, layout }: SettContext): PatternGoals {
  const codes = boxCodes(layout.columns);
  const pairs = codes.flatMap((a, at) => codes.slice(at + 1).map((b) => [a, b] as const));
  const colour = (code: string) => params.colours[code];
  const byBoxes = params.method === "boxes";
  return {
    title: "Woven crossings",
    about: `In real cloth each crossing shows half of either thread. ${
      byBoxes
        ? "One mixed half-tone stands for it."
        : "Here the columns, thinned like this, give it over the rows."
    }`,
    goals: pairs.map(([a, b]) => ({
      id: crossingKey(a, b),
      label: `woven crossing ${a} × ${b}`,
      spectrum: wovenCrossing(job, paints, colour(a), colour(b)),
      mixId: params.crossings[crossingKey(a, b)] ?? null,
    })),
    matches: pairs.flatMap(([a, b]) => {
      if (byBoxes) {
        const half = params.crossings[crossingKey(a, b)];
        const match = halfToneMatch(
          { mixes: job.mixes, primer: figureOf(job, surface).primer },
          paints,
          [colour(a), colour(b)],
          half,
        );
        return [{ key: crossingKey(a, b), text: `${a} × ${b}`, ...match }];
      }
      return [[a, b] as const, [b, a] as const].map(([below, above]) => {
        const match = solveOverpaint(job, paints, colour(below), colour(above));
        const text = `${above} over ${below}, ${formatThinning(match.water)}, ${counted(match.passes, "pass", "passes")}`;
        return { key: `${above}/${below}`, text, ...match };
      });
    }),
  };
}
