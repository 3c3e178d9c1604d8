import { ciede2000 } from "../colour/difference";
import type { Triple } from "../colour/spaces";
import { InputError } from "../errors";
import { isOneHide } from "../growth/oneHide";
import type { Job, Paint, Surface } from "../job";
import { sampledSurface } from "../simulate/sampled";
import { formatNumber } from "../units";
import { partingRemedies } from "../figure/judge/remedies";
import { deriveCoats } from "../patterns/derive";
import { applyRemedy } from "./applyRemedy";
import type { Finding, Remedy } from "./finding";

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

/** Two leathers that run together read as one piece of gear; two dark cloths may be meant so. */
const LEATHER = "leather";
const bothOf = (material: string, ...pair: readonly Surface[]): boolean =>
  pair.every(({ volumes }) => volumes.material === material);

/** Two dark parts that touch and are too much alike. */
interface Alike {
  readonly a: Surface;
  readonly b: Surface;
  readonly here: Triple;
  readonly there: Triple;
  readonly apart: number;
}

function alikeIn(job: Job, paints: readonly Paint[]): Alike[] {
  return job.touching.flatMap(([one, other]): Alike[] => {
    const [a, b] = [one, other].map((id) => job.surfaces.find((surface) => surface.id === id));
    if (!a || !b || isOneHide(a, b)) return [];
    const [here, there] = [meanOf(job, a, paints), meanOf(job, b, paints)];
    if (!here || !there || Math.max(here[0], there[0]) > DARK) return [];
    const apart = ciede2000(here, there);
    return apart >= APART ? [] : [{ a, b, here, there, apart }];
  });
}

/** At most so many ways out are offered. */
const MOST_OFFERED = 3;

/** What parts two of them, each tried; of each ladder the mildest. */
function partingOf(job: Job, paints: readonly Paint[], { a, b }: Alike): Remedy[] {
  const offered: Remedy[] = [];
  for (const remedy of partingRemedies(job, paints, a, b)) {
    if (offered.length >= MOST_OFFERED) break;
    if (offered.some(({ ladder }) => ladder === remedy.ladder)) continue;
    const after = deriveCoats(applyRemedy(job, remedy), paints, job);
    if (!alikeIn(after, paints).some((still) => still.a.id === a.id && still.b.id === b.id))
      offered.push(remedy);
  }
  return offered;
}

/** Dark parts that touch and are too much alike. @param mended with what parts them, which has to be tried */
export function touchingAlike(job: Job, paints: readonly Paint[], mended = false): Finding[] {
  return alikeIn(job, paints).map((alike): Finding => {
    const { a, b, here, there, apart } = alike;
    return {
      id: `${a.id}/${TOUCHING.id}/${b.id}`,
      gravity: bothOf(LEATHER, a, b) ? "must" : "look",
      surfaceId: a.id,
      coatId: null,
      where: `${a.name} and ${b.name}`,
      sentence: `${a.name} and ${b.name} touch, are both dark (L* ${formatNumber(here[0], 0)} and ${formatNumber(there[0], 0)}) and differ by ${formatNumber(apart, 1)} only.`,
      reason: `Below ${APART} (CIEDE2000) dark parts run into one another from a little way off. Lighten one, change its hue, or part them with a light edge.`,
      remedies: mended ? partingOf(job, paints, alike) : [],
    };
  });
}
