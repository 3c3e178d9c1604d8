import { useEffect, useMemo, useState } from "react";
import { InputError, type Problem } from "../../core/errors";
import type { Surface } from "../../core/job";
import { buildForm } from "../../core/patterns/derive";
import { layoutOf } from "../../core/patterns/sett/coats";
import type { SettLayout } from "../../core/patterns/sett/layout";
import type { SurfaceForm } from "../../core/surface/forms/form";
import { withHeightMap, type HeightMap } from "../../core/surface/reliefPicture";
import { heightsOf } from "../../worker/heights";
import { useEdit, useJob } from "./jobStore";
import { useView } from "./viewStore";

/** The surface being worked on; null where the job has none. */
export function useSurface(): Surface | null {
  const job = useJob();
  const wanted = useView((view) => view.surfaceId);
  return job.surfaces.find((surface) => surface.id === wanted) ?? job.surfaces[0] ?? null;
}

export interface Built {
  readonly form: SurfaceForm | null;
  readonly layout: SettLayout | null;
  /** Why form or cloth cannot be used. */
  readonly problems: readonly Problem[];
  readonly error: Error | null;
}

/** The heights of a relief picture; null while they come, and where there are none. */
function useHeights(pictureId: string | null): HeightMap | null {
  const [found, setFound] = useState<{ id: string; map: HeightMap } | null>(null);
  useEffect(() => {
    if (pictureId === null) return;
    let gone = false;
    heightsOf(pictureId).then(
      (map) => !gone && setFound({ id: pictureId, map }),
      // The picture's worker says what is wrong with it; the form is shown without.
      () => undefined,
    );
    return () => {
      gone = true;
    };
  }, [pictureId]);
  return found?.id === pictureId ? found.map : null;
}

/** Form and cloth of a surface, or why they cannot be. */
export function useBuilt(surface: Surface | null): Built {
  const job = useJob();
  const finest = job.hand.finestLineMm;
  const { form, pattern, seed, relief } = surface ?? { form: null, pattern: null, seed: 0, relief: null };
  const heights = useHeights(relief?.pictureId ?? null);
  return useMemo(() => {
    if (!form) return { form: null, layout: null, problems: [], error: null };
    let built: SurfaceForm | null = null;
    try {
      built = buildForm({ form, seed });
      if (relief && heights) built = withHeightMap(built, relief, heights);
      const surfaceLike = { form, pattern, seed } as Surface;
      const jobLike = { hand: { finestLineMm: finest } } as Parameters<typeof layoutOf>[0]["job"];
      const layout = pattern ? layoutOf({ job: jobLike, surface: surfaceLike, form: built }) : null;
      return { form: built, layout, problems: [], error: null };
    } catch (error) {
      if (error instanceof InputError) return { form: null, layout: null, problems: error.problems, error };
      if (error instanceof Error) return { form: built, layout: null, problems: [], error };
      throw error;
    }
  }, [form, pattern, seed, finest, relief, heights]);
}

/** Changes one surface of the job. */
export function useEditSurface(): (surfaceId: string, change: (surface: Surface) => Surface) => void {
  const edit = useEdit();
  return (surfaceId, change) =>
    edit((job) => ({
      ...job,
      surfaces: job.surfaces.map((surface) => (surface.id === surfaceId ? change(surface) : surface)),
    }));
}
