import { create } from "zustand";
import { createJSONStorage, persist } from "zustand/middleware";
import { safely } from "./browserStore";
import type { Surround } from "./theme";

export type Fineness = "fine" | "quick" | "rough";
/** Most cells of a full picture, by how fine it is wanted; a quick one has no more than its preview, a rough one less. */
export const MOST_CELLS: Readonly<Record<Fineness, number>> = {
  fine: 2_000_000,
  quick: 60_000,
  rough: 20_000,
};

export type Shape = "form" | "flat";

/** How pieces on their forms are drawn: moving where there is a graphics chip, always moving, or as still pictures. */
export type PiecesDrawn = "as fits" | "moving" | "still";

interface Prefs {
  readonly mode: "light" | "dark";
  readonly surround: Surround;
  /** Screen pixels of the page to a true millimetre, as calibrated; null where it never was. */
  readonly pxPerMm: number | null;
  /** Full pictures in all their cells, or in no more than the preview has, or fewer: for machines that are slow. */
  readonly fineness: Fineness;
  /** How a surface is looked at when it is opened: on its form in space, or laid flat to measure. */
  readonly shape: Shape;
  readonly pieces: PiecesDrawn;
  /** Across the painter's handle, mm, for what is printed for it. */
  readonly handleMm: number;
  /** Technique that is practised before the plan goes on; null for none. */
  readonly practise: string | null;
  readonly setPractise: (practise: string | null) => void;
  readonly setHandleMm: (handleMm: number) => void;
  readonly setPieces: (pieces: PiecesDrawn) => void;
  readonly setShape: (shape: Shape) => void;
  readonly setFineness: (fineness: Fineness) => void;
  readonly setPxPerMm: (pxPerMm: number | null) => void;
  readonly setMode: (mode: "light" | "dark") => void;
  readonly setSurround: (surround: Surround) => void;
}

// Stores are also loaded where there is no page: in unit tests.
const preferred = () =>
  typeof window !== "undefined" && window.matchMedia("(prefers-color-scheme: dark)").matches
    ? "dark"
    : "light";

/** What a page takes a millimetre to be where the screen was never measured: 96 pixels to the inch. */
export const USUAL_PX_PER_MM = 96 / 25.4;

/** How this painter likes the screen; remembered in this browser. */
export const usePrefs = create<Prefs>()(
  persist(
    (set) => ({
      mode: preferred(),
      surround: "middle",
      pxPerMm: null,
      fineness: "fine",
      shape: "form",
      pieces: "as fits",
      handleMm: 35,
      practise: null,
      setPractise: (practise) => set({ practise }),
      setHandleMm: (handleMm) => set({ handleMm }),
      setPieces: (pieces) => set({ pieces }),
      setShape: (shape) => set({ shape }),
      setFineness: (fineness) => set({ fineness }),
      setPxPerMm: (pxPerMm) => set({ pxPerMm }),
      setMode: (mode) => set({ mode }),
      setSurround: (surround) => set({ surround }),
    }),
    { name: "crenna-prefs", storage: createJSONStorage(() => safely(() => localStorage)) },
  ),
);
