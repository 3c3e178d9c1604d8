import { useMemo } from "react";
import { hexToLinear } from "../../../../core/colour/spaces";
import { linearToSpectrum, type Spectrum } from "../../../../core/colour/spectrum";
import type { Job, MixPart } from "../../../../core/job";
import type { PatternGoals } from "../../../../core/patterns/family";
import { useJob, usePaints } from "../../jobStore";
import { useBuilt, useSurface } from "../../useSurface";

export interface ColourWanted {
  readonly id: string;
  readonly label: string;
  readonly spectrum: Spectrum;
  /** Colour that a mix made for it is meant to show; null where it follows from others. */
  readonly colour: string | null;
  /** Mix that an answer replaces; null where the answer becomes a new mix. */
  readonly mixId: string | null;
}

/** What the surface's pattern wants mixed, and how near paint comes to it; null where it wants nothing. */
export function usePatternGoals(): PatternGoals | null {
  const job = useJob();
  const paints = usePaints();
  const surface = useSurface();
  const { form, pattern } = useBuilt(surface);
  return useMemo(() => {
    if (!surface || !form || !pattern) return null;
    const { family, params, layout } = pattern;
    return family.goals?.({ job, surface, form, paints, params, layout }) ?? null;
  }, [job, paints, surface, form, pattern]);
}

/** Goals of the job and goals of the pattern. */
export function useGoals(): ColourWanted[] {
  const job = useJob();
  const own = (usePatternGoals()?.goals ?? []).map((goal) => ({ ...goal, colour: null }));
  const goals = job.goals.map((goal) => ({
    id: `goal:${goal.id}`,
    label: `goal ${goal.name}`,
    spectrum: linearToSpectrum(hexToLinear(goal.colour)),
    colour: goal.colour,
    mixId: null,
  }));
  return [...goals, ...own];
}

/** The job with the parts of one mix replaced. */
export const withParts = (job: Job, mixId: string, parts: readonly MixPart[]): Job => ({
  ...job,
  mixes: job.mixes.map((mix) => (mix.id === mixId ? { ...mix, parts } : mix)),
});
