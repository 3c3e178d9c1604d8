import "../core/figure/rooms";
import { referenceCompositor, startKernel } from "../core/simulate/compositor";
import type { PieceSkin } from "../core/piece/skin";
import { Simulator, type LaidSurface, type SpecimenRequest } from "../core/simulate/simulator";
import { prepareTextures } from "../core/techniques/texture";

/** The simulator of this worker. Without WebAssembly SIMD the plain compositor does the same, slower. */
export const simulator = startKernel().then(
  (kernel) => new Simulator(kernel),
  () => new Simulator(referenceCompositor),
);

// While the page is still waiting for its job, the worker has time for what every picture needs.
void simulator.then(prepareTextures);

/** What the section cuts: the surface as last laid, coarse until the fine one is there. */
export const laid: { last: { readonly surface: LaidSurface; readonly id: string } | null } = { last: null };

let worn: { readonly key: string; readonly skin: PieceSkin } | null = null;

/** What a surface wears, painted anew only where something else is asked for: turning a piece costs no painting. */
export function skinOf(sim: Simulator, request: SpecimenRequest, surface: LaidSurface): PieceSkin {
  const key = JSON.stringify([surface.grid.pitchMm, request]);
  if (worn?.key !== key) worn = { key, skin: sim.skin(request, surface) };
  return worn.skin;
}
