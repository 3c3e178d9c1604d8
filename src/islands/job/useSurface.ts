import { useEffect, useMemo, useState } from "react";
import { InputError, type Problem } from "../../core/errors";
import { figureOf, type Figure, type Surface } from "../../core/job";
import { buildForm } from "../../core/surface/forms/buildForm";
import { withSurface } from "../../core/edits/surfaces";
import { patternOf } from "../../core/patterns/bind";
import type { Pattern } from "../../core/patterns/pattern";
import type { SurfaceForm } from "../../core/surface/forms/form";
import { withHeightMap, type HeightMap } from "../../core/surface/reliefPicture";
import { taskWorker } from "../../worker/client";
import { useEdit, useJob } from "./jobStore";
import { useView } from "./viewStore";

/** The surface being worked on; null where the job has none. */
export function useSurface(): Surface | null {
  const job = useJob();
  const wanted = useView((view) => view.surfaceId);
  return job.surfaces.find((surface) => surface.id === wanted) ?? job.surfaces[0] ?? null;
}

/** The figure that the surface being worked on is a part of. */
export const useFigure = (): Figure => figureOf(useJob(), useSurface());

export interface Built {
  readonly form: SurfaceForm | null;
  readonly pattern: Pattern | null;
  /** Why form or pattern cannot be used. */
  readonly problems: readonly Problem[];
  readonly error: Error | null;
}

/** The heights of a relief picture; null while they come, and where there are none. */
function useHeights(pictureId: string | null): HeightMap | null {
  const [found, setFound] = useState<{ id: string; map: HeightMap } | null>(null);
  useEffect(() => {
    if (pictureId === null) return;
    let gone = false;
    // Where it cannot be read the picture's worker says what is wrong with it; the form is shown without.
    taskWorker().ask(
      "heights",
      { pictureId },
      {
        answer(map) {
          if (!gone) setFound({ id: pictureId, map });
        },
      },
    );
    return () => {
      gone = true;
    };
  }, [pictureId]);
  return found?.id === pictureId ? found.map : null;
}

const NO_SURFACE = { form: null, pattern: null, seed: 0, relief: null, seat: null, figureId: "" } as const;

/** Form and pattern of a surface, or why they cannot be. */
export function useBuilt(surface: Surface | null): Built {
  const job = useJob();
  const { hand, figures } = job;
  const { form, pattern, seed, relief, seat, figureId } = surface ?? NO_SURFACE;
  const heights = useHeights(relief?.pictureId ?? null);
  return useMemo(() => {
    if (!form) return { form: null, pattern: null, problems: [], error: null };
    let built: SurfaceForm | null = null;
    try {
      built = buildForm({ form, seed });
      if (relief && heights) built = withHeightMap(built, relief, heights);
      return {
        form: built,
        pattern: patternOf({ hand, figures }, { form, pattern, seed, seat, figureId }, built),
        problems: [],
        error: null,
      };
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      // With a form that can be built, what is wrong is wrong with the pattern, and is said in its setter.
      return { form: built, pattern: null, problems: built ? [] : error.problems, error };
    }
  }, [form, pattern, seed, seat, figureId, figures, hand, relief, heights]);
}

/** Changes one surface of the job. */
export function useEditSurface(): (surfaceId: string, change: (surface: Surface) => Surface) => void {
  const edit = useEdit();
  return (surfaceId, change) => edit((job) => withSurface(job, surfaceId, change));
}
