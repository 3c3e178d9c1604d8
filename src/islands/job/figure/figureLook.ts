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

export type SideName = (typeof SIDES)[number]["name"];

interface FigureLook extends FigureStance {
  readonly as: FigureShown["as"];
  /** Whether the stages that can show either show the figure rather than the surface. */
  readonly whole: boolean;
  /** The same in Check, where the figure comes first. */
  readonly judged: boolean;
  /** The side it is judged from. */
  readonly judgedFrom: SideName;
  /** What is marked on the figure as it is seen from there: a place from the picture's upper left corner, 0…1. */
  readonly mark: { readonly name: string; readonly x: number; readonly y: number } | null;
  /** Whether all is dimmed that does not draw the eye. */
  readonly drawn: boolean;
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
      judged: true,
      judgedFrom: SIDES[0].name,
      mark: null,
      drawn: false,
      set: (change) => set(change),
    }),
    {
      name: "crenna-figure",
      storage: createJSONStorage(() => safely(() => sessionStorage)),
      partialize: (state) => ({ ...state, mark: null }),
    },
  ),
);

const sideNamed = (name: SideName) => SIDES.find((side) => side.name === name) ?? SIDES[0];

/** The stance from which the figure is judged. */
export function useJudgedStance(): FigureStance {
  return sideNamed(useFigureLook(({ judgedFrom }) => judgedFrom));
}

/** Has the figure judged from another side, and turns it there. */
export function judgeFrom(name: SideName): void {
  const { turnDeg, tiltDeg } = sideNamed(name);
  useFigureLook.getState().set({ judgedFrom: name, turnDeg, tiltDeg, mark: null });
}

/** Turns the figure to where it is judged, and marks a place there. */
export function showOnFigure(name: string, [x, y]: readonly [number, number]): void {
  const { judgedFrom, set } = useFigureLook.getState();
  judgeFrom(judgedFrom);
  set({ judged: true, mark: { name, x, y } });
}
