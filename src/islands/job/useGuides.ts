import { useEffect, useState } from "react";
import { asFigure } from "../../core/edits/figures";
import type { Job, Paint, Surface } from "../../core/job";
import { familyIn } from "../../core/patterns";
import type { PatternGuides } from "../../core/patterns/family";
import { taskWorker } from "../../worker/client";
import { useDesign, usePaints } from "./jobStore";
import { useView } from "./viewStore";

/** Asks once for the guides of a surface, of the figure shown; null where it has none that can be drawn. */
export const askGuides = (
  job: Job,
  paints: readonly Paint[],
  surfaceId: string,
  figure: number,
): Promise<PatternGuides | null> =>
  new Promise((resolve, reject) => {
    taskWorker().ask(
      "guides",
      { job: asFigure(job, paints, figure), surfaceId },
      {
        answer: resolve,
        dropped: () => resolve(null),
        failed: (message) => reject(new Error(message)),
      },
    );
  });

type State = "busy" | { readonly guides: PatternGuides | null } | { readonly problem: string };

/** Guides of a surface's pattern, drawn in the worker; the former ones stay while newer are being drawn. */
export function useGuides(surface: Surface): State {
  const design = useDesign();
  const paints = usePaints();
  const figure = useView((view) => view.figure);
  const wanted = familyIn(surface)?.guides !== undefined;
  const [state, setState] = useState<State>("busy");
  useEffect(() => {
    if (!wanted) return;
    let gone = false;
    askGuides(design, paints, surface.id, figure).then(
      (guides) => !gone && setState({ guides }),
      (error: unknown) => !gone && setState({ problem: String(error) }),
    );
    return () => {
      gone = true;
    };
  }, [design, paints, surface.id, figure, wanted]);
  return wanted ? state : { guides: null };
}
