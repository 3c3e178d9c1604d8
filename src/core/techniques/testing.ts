import type { LayContext } from "./technique";

/** A coat on bare ground, for tests: no paint below it, no earlier coat named. */
export const onGround = (
  context: Omit<LayContext, "heightMm" | "nearCover" | "overSeams"> & Partial<LayContext>,
): LayContext => ({
  heightMm: () => context.grid.relief,
  nearCover: null,
  overSeams: false,
  ...context,
});
