import { hexToLinear } from "../../../../core/colour/spaces";
import { linearToSpectrum, type Spectrum } from "../../../../core/colour/spectrum";
import { crossingKey, type Job, type MixPart } from "../../../../core/job";
import { wovenCrossing } from "../../../../core/patterns/sett/crossing";
import { useJob, usePaints } from "../../jobStore";
import { useBuilt, useSurface } from "../../useSurface";

export interface Goal {
  readonly id: string;
  readonly label: string;
  readonly spectrum: Spectrum;
  /** Colour that a mix made for it is meant to show; null where it follows from others. */
  readonly colour: string | null;
  /** Mix that an answer replaces; null where the answer becomes a new mix. */
  readonly mixId: string | null;
}

/** Crossings of the cloth as goals: the light of both threads. */
export function useCrossingGoals(): Goal[] {
  const job = useJob();
  const paints = usePaints();
  const surface = useSurface();
  const { layout } = useBuilt(surface);
  const params = surface?.pattern?.params;
  if (!layout || !params) return [];
  const codes = [...new Set(layout.columns.boxes.map((box) => box.code))];
  return codes.flatMap((a, at) =>
    codes.slice(at + 1).map((b) => ({
      id: crossingKey(a, b),
      label: `woven crossing ${a} × ${b}`,
      spectrum: wovenCrossing(job, paints, params.colours[a], params.colours[b]),
      colour: null,
      mixId: params.crossings[crossingKey(a, b)] ?? null,
    })),
  );
}

/** Targets of the job and crossings of the cloth. */
export function useGoals(): Goal[] {
  const job = useJob();
  const crossings = useCrossingGoals();
  const targets = job.targets.map((target) => ({
    id: `target:${target.id}`,
    label: `target ${target.name}`,
    spectrum: linearToSpectrum(hexToLinear(target.colour)),
    colour: target.colour,
    mixId: null,
  }));
  return [...targets, ...crossings];
}

/** The job with a mix more. */
export function withNewMix(
  job: Job,
  name: string,
  parts: readonly MixPart[],
  water: number,
  goal: string | null = null,
): Job {
  let number = job.mixes.length + 1;
  while (job.mixes.some((mix) => mix.id === `mix-${number}`)) number++;
  return {
    ...job,
    mixes: [...job.mixes, { id: `mix-${number}`, name: name.slice(0, 80).trim(), parts, water, goal }],
  };
}

/** The job with the parts of one mix replaced. */
export const withParts = (job: Job, mixId: string, parts: readonly MixPart[]): Job => ({
  ...job,
  mixes: job.mixes.map((mix) => (mix.id === mixId ? { ...mix, parts } : mix)),
});
