import { activeCoats, type Surface } from "../job";

/** Share of the mixes two pieces have in common from which they are painted as one. */
const MOSTLY = 0.5;

/**
 * Whether two pieces that touch are parts of one hide: hair goes on from one into the other, in mostly the same mixes. Nobody
 * wants them told apart.
 */
export function isOneHide(a: Surface, b: Surface): boolean {
  if (!a.growth || !b.growth) return false;
  const [here, there] = [a, b].map((one) => new Set(activeCoats(one).map(({ mixId }) => mixId)));
  const shared = [...here!].filter((mixId) => there!.has(mixId)).length;
  return shared > MOSTLY * Math.max(here!.size, there!.size);
}
