import { ciede2000 } from "../colour/difference";
import type { Triple } from "../colour/spaces";
import { InputError } from "../errors";
import type { Job, Paint, Surface } from "../job";
import { sampledSurface } from "../simulate/sampled";
import { formatNumber } from "../units";
import type { Finding } from "./finding";

/** What this verdict is called in the list of what was looked at. */
export const TOUCHING = { id: "touching-alike", label: "Parts that touch are told apart" } as const;

/** Below this lightness a part counts as dark, where outlines are lost first. */
const DARK = 42;
/** Dark parts that touch must differ by this much (CIEDE2000) to be told apart at arm's length. */
const APART = 7;

function meanOf(job: Job, surface: Surface, paints: readonly Paint[]): Triple | null {
  try {
    const { final } = sampledSurface(job, surface, paints);
    const mean = (axis: 0 | 1 | 2) => final.reduce((sum, lab) => sum + lab[axis], 0) / final.length;
    return final.length > 0 && surface.coats.length > 0 ? [mean(0), mean(1), mean(2)] : null;
  } catch (error) {
    // What is wrong with its sizes is a finding of its own.
    if (error instanceof InputError) return null;
    throw error;
  }
}

/** Dark parts that touch and are too much alike. */
export function touchingAlike(job: Job, paints: readonly Paint[]): Finding[] {
  return job.touching.flatMap(([one, other]): Finding[] => {
    const pair = [one, other].map((id) => job.surfaces.find((surface) => surface.id === id));
    const [a, b] = pair;
    if (!a || !b) return [];
    const [here, there] = [meanOf(job, a, paints), meanOf(job, b, paints)];
    if (!here || !there || Math.max(here[0], there[0]) > DARK) return [];
    const apart = ciede2000(here, there);
    if (apart >= APART) return [];
    return [
      {
        id: `${a.id}/${TOUCHING.id}/${b.id}`,
        gravity: "look",
        surfaceId: a.id,
        coatId: null,
        where: `${a.name} and ${b.name}`,
        sentence: `${a.name} and ${b.name} touch, are both dark (L* ${formatNumber(here[0], 0)} and ${formatNumber(there[0], 0)}) and differ by ${formatNumber(apart, 1)} only.`,
        reason: `Below ${APART} (CIEDE2000) dark parts run into one another from a little way off. Lighten one, change its hue, or part them with a light edge.`,
        remedies: [],
      },
    ];
  });
}
