import { referenceCompositor, startKernel } from "../core/simulate/compositor";
import { Simulator, type LaidSurface } from "../core/simulate/simulator";
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
