import { create } from "zustand";
import { createJSONStorage, persist } from "zustand/middleware";
import type { FigureShown } from "../../../worker/figureSkins";
import { safely } from "../../../ui/browserStore";

/** From where a whole figure is looked at. */
export interface FigureStance {
  readonly turnDeg: number;
  readonly tiltDeg: number;
}

/** Sides a figure is judged from. */
export const SIDES = [
  { name: "Front", turnDeg: 0, tiltDeg: 12 },
  { name: "Player's side", turnDeg: 180, tiltDeg: 40 },
  { name: "Above", turnDeg: 0, tiltDeg: 65 },
] as const satisfies readonly (FigureStance & { readonly name: string })[];

interface FigureLook extends FigureStance {
  readonly as: FigureShown["as"];
  /** Whether the stages that can show either show the figure rather than the surface. */
  readonly whole: boolean;
  readonly set: (change: Partial<Omit<FigureLook, "set">>) => void;
}

/** How the whole figure is looked at, in every stage alike; kept over a reload of this window. */
export const useFigureLook = create<FigureLook>()(
  persist(
    (set) => ({
      turnDeg: SIDES[0].turnDeg,
      tiltDeg: SIDES[0].tiltDeg,
      as: "paint",
      whole: false,
      set: (change) => set(change),
    }),
    { name: "crenna-figure", storage: createJSONStorage(() => safely(() => sessionStorage)) },
  ),
);
