import type { Spot } from "../../../core/checks/finding";
import { useFindings } from "../useStageStates";
import { useSurface } from "../useSurface";
import { useView } from "../viewStore";

const NONE: readonly Spot[] = [];

/** Marks of the finding being shown, where it is one of this surface; none once it is mended. */
export function useSpots(): readonly Spot[] {
  const findingId = useView((view) => view.findingId);
  const surface = useSurface();
  const finding = useFindings().find((one) => one.id === findingId && one.surfaceId === surface?.id);
  return finding?.spots ?? NONE;
}
