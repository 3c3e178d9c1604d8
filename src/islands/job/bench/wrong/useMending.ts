import { useMemo } from "react";
import type { Told } from "../../../../core/mishaps/mishap";
import type { FilmState } from "../../../../core/plan/clocks";
import { useDesign, usePainter, usePaints } from "../../jobStore";
import { useAsked, type Asked } from "../../useAsked";

/** Asks the worker for the ways on from a mishap, whenever what is told of it changes. */
export function useMending(
  surfaceId: string,
  told: Told | null,
  painted: readonly string[],
  state: FilmState,
): Asked<"mending"> {
  const job = useDesign();
  const paints = usePaints();
  const painter = usePainter();
  return useAsked(
    "mending",
    useMemo(
      () => told && { job, paints, painter, surfaceId, told, painted, state },
      [job, paints, painter, surfaceId, told, painted, state],
    ),
  );
}
