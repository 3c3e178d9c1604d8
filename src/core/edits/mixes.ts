import type { Coat, Job, PatternUse, Surface } from "../job";
import { familyIn } from "../patterns";

const namesMix = (pattern: PatternUse | null, mixId: string): boolean =>
  pattern !== null && (familyIn({ pattern })?.mixes(pattern.params).includes(mixId) ?? false);

/** Every coat a surface keeps: painted, held back, parked by its pattern, in variants. */
export const keptCoats = (surface: Surface): readonly Coat[] => [
  ...surface.coats,
  ...surface.parked,
  ...surface.variants.flatMap((variant) => variant.coats),
];

/** Whether anything of the job names a mix: a coat, painted or kept, a pattern, a variant, a well. */
export const mixInUse = (job: Job, mixId: string): boolean =>
  job.wells.some((well) => well.mixId === mixId) ||
  job.surfaces.some(
    (surface) =>
      keptCoats(surface).some((coat) => coat.mixId === mixId) ||
      [surface, ...surface.variants].some(({ pattern }) => namesMix(pattern, mixId)),
  );
