import { useEffect, useState } from "react";
import { create } from "zustand";
import { BARE_GROUND } from "../../../../core/edits/groundwork";
import { canBuildOn } from "../../../../core/groundwork/onGrid";
import { figureOf, type Surface } from "../../../../core/job";
import type { SurfaceForm } from "../../../../core/surface/forms/form";
import { simulationWorker } from "../../../../worker/client";
import type { GroundAnswer } from "../../../../worker/questions/ground";
import { useJobStore } from "../../jobStore";

interface Chosen {
  /** The piece or foot that is being worked on. */
  readonly id: string | null;
  readonly choose: (id: string | null) => void;
}

/** Which piece or foot is chosen, in the plan and in the list alike. */
export const useChosen = create<Chosen>()((set) => ({ id: null, choose: (id) => set({ id }) }));

/** Whether things can be built on a surface. */
export const isGround = (form: SurfaceForm | null, surface: Surface | null): boolean =>
  form !== null && surface !== null && canBuildOn(form);

/**
 * The ground as the worker sees it from above, and in numbers; the one before until the newest is there. Asked once for
 * all that show it.
 * @param surface null where nothing can be built
 */
export function useGround(surface: Surface | null): GroundAnswer | null {
  const figure = useJobStore(({ job }) => (job && surface ? figureOf(job, surface) : null));
  const [made, setMade] = useState<{ readonly of: string; readonly answer: GroundAnswer } | null>(null);
  useEffect(() => {
    const { job } = useJobStore.getState();
    if (!job || !surface || !figure) return;
    let gone = false;
    // Sizes that do not fit are told beside their fields; the last ground that could be built stays.
    const answer = (told: GroundAnswer) => gone || setMade({ of: surface.id, answer: told });
    simulationWorker().ask("ground", { job, surfaceId: surface.id }, { answer });
    return () => {
      gone = true;
    };
  }, [surface, figure]);
  return made && made.of === surface?.id ? made.answer : null;
}

/** What stands on a surface. */
export const workOf = ({ groundwork }: Surface) => groundwork ?? BARE_GROUND;
