import { coatOver, opticsOfMix, primerSpectrum } from "../../colour/appearance";
import { ciede2000 } from "../../colour/difference";
import { layFilm, masstone } from "../../colour/film";
import { brushedPassUm } from "../../colour/mix";
import { asPainted } from "../../colour/bother";
import { tryAllMixes } from "../../colour/search";
import { spectrumToHex, spectrumToLab } from "../../colour/spaces";
import { averageLight, type Spectrum } from "../../colour/spectrum";
import { mixById, type Job, type MixPart, type Paint, type Primer } from "../../job";

/** How the crossing of two threads is matched with paint. */
export interface CrossingMatch {
  /** The light of both threads together, as the eye sees the cloth. */
  readonly goalHex: string;
  readonly gotHex: string;
  /** CIEDE2000 between the two. */
  readonly difference: number;
}

const threadLight = (
  job: Pick<Job, "mixes">,
  paints: readonly Paint[],
  mixId: string | undefined,
): Spectrum => masstone(opticsOfMix(mixById(job, mixId ?? ""), paints));

/** The average of both threads' light: a woven crossing shows half of each, side by side. */
export const wovenCrossing = (
  job: Pick<Job, "mixes">,
  paints: readonly Paint[],
  oneMixId: string | undefined,
  otherMixId: string | undefined,
): Spectrum => averageLight(threadLight(job, paints, oneMixId), threadLight(job, paints, otherMixId));

/** How near a mixed half-tone comes to the woven crossing. */
export function halfToneMatch(
  job: Pick<Job, "mixes"> & { readonly primer: Primer },
  paints: readonly Paint[],
  codes: readonly [oneMixId: string | undefined, otherMixId: string | undefined],
  halfToneMixId: string | undefined,
): CrossingMatch {
  const goal = wovenCrossing(job, paints, codes[0], codes[1]);
  const got = coatOver(
    opticsOfMix(mixById(job, halfToneMixId ?? ""), paints),
    0,
    3,
    primerSpectrum(job.primer),
  );
  return {
    goalHex: spectrumToHex(goal),
    gotHex: spectrumToHex(got),
    difference: ciede2000(spectrumToLab(goal), spectrumToLab(got)),
  };
}

/** Whole parts of the two stripes' own paints, and where it helps one more pot, that come nearest to the crossing. */
export function solveHalfTone(
  job: Pick<Job, "mixes">,
  paints: readonly Paint[],
  oneMixId: string,
  otherMixId: string,
): readonly MixPart[] {
  const goal = spectrumToLab(wovenCrossing(job, paints, oneMixId, otherMixId));
  const own = new Set(
    [oneMixId, otherMixId].flatMap((id) => mixById(job, id)?.parts.map((part) => part.paintId) ?? []),
  );
  const usable = paints.filter((paint) => paint.kind === "paint");
  const ownPaints = usable.filter((paint) => own.has(paint.id));
  // Of those that the eye hardly tells apart, the one that is least bother.
  const simplest = (among: readonly Paint[], pots: 2 | 3) =>
    asPainted(tryAllMixes(among, goal, { mostParts: 5, pots, keep: 12 }), { paints, goal, inUse: own })[0];
  const near = simplest(ownPaints, 3);
  if (near && near.difference < 3) return near.parts;
  const any = simplest(usable, 2);
  const best = any && (!near || any.difference < near.difference - 1) ? any : near;
  return best?.parts ?? mixById(job, oneMixId)?.parts ?? [];
}

/** One thread painted over the other: how thinned, in how many passes. */
export interface Overpaint extends CrossingMatch {
  readonly water: number;
  readonly passes: number;
}

/** Thinning and passes with which one band painted over another comes nearest to the woven crossing. */
export function solveOverpaint(
  job: Pick<Job, "mixes">,
  paints: readonly Paint[],
  belowMixId: string | undefined,
  aboveMixId: string | undefined,
): Overpaint {
  const below = threadLight(job, paints, belowMixId);
  const above = opticsOfMix(mixById(job, aboveMixId ?? ""), paints);
  const goal = wovenCrossing(job, paints, belowMixId, aboveMixId);
  const goalLab = spectrumToLab(goal);
  let best: Overpaint | null = null;
  for (let water = 1; water <= 10; water++) {
    for (let passes = 1; passes <= 4; passes++) {
      const got = layFilm(above, brushedPassUm(water) * passes, below);
      const difference = ciede2000(goalLab, spectrumToLab(got));
      // A pass more must be worth its time.
      if (!best || difference + 0.4 * (passes - best.passes) < best.difference) {
        best = { water, passes, difference, goalHex: spectrumToHex(goal), gotHex: spectrumToHex(got) };
      }
    }
  }
  return best!;
}
