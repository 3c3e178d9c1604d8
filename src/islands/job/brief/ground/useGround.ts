import { useEffect, useState } from "react";
import { create } from "zustand";
import { BARE_GROUND } from "../../../../core/edits/groundwork";
import { canBuildOn } from "../../../../core/groundwork/onGrid";
import type { Surface } from "../../../../core/job";
import type { SurfaceForm } from "../../../../core/surface/forms/form";
import { simulationWorker } from "../../../../worker/client";
import type { GroundAnswer } from "../../../../worker/questions/ground";
import { useJob } from "../../jobStore";

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

/** The ground as the worker sees it from above, and in numbers; the one before until the newest is there. */
export function useGround(surface: Surface): GroundAnswer | null {
  const job = useJob();
  const [made, setMade] = useState<{ readonly of: string; readonly answer: GroundAnswer } | null>(null);
  const { id } = surface;
  useEffect(() => {
    let gone = false;
    // Sizes that do not fit are told beside their fields; the last ground that could be built stays.
    const answer = (told: GroundAnswer) => gone || setMade({ of: id, answer: told });
    simulationWorker().ask("ground", { job, surfaceId: id }, { answer });
    return () => {
      gone = true;
    };
  }, [job, id]);
  return made?.of === id ? made.answer : null;
}

/** What stands on a surface. */
export const workOf = ({ groundwork }: Surface) => groundwork ?? BARE_GROUND;
