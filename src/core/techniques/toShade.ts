import type { Coat } from "../job";
import { completeParams } from "../params";
import { techniques } from ".";

/** From this share of its liquid on that is spread out and stays where it was brushed, a wash is a thin coat of its own. */
const SPREAD = 0.4;

/** Whether a coat is of thin paint that is to shade what lies below, not to paint it over: a wash that is spread out is to paint. */
export function isToShade({ technique: { id, params } }: Coat): boolean {
  if (id === "glaze") return true;
  if (id !== "wash") return false;
  const { wet, cling } = completeParams(techniques.wash.params, params);
  return cling! < SPREAD * wet!;
}
