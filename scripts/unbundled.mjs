/** Unit tests that put modules aside (`vi.mock`) run as they are: a bundle has none to put aside. */
export const UNBUNDLED = ["src/islands/job/useSimulation.test.ts"];
