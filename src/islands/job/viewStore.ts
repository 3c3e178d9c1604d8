import { create } from "zustand";
import { createJSONStorage, persist } from "zustand/middleware";
import type { Time } from "../../core/ageing/events";
import type { SectionLine } from "../../core/simulate/section";
import { safely } from "../../ui/browserStore";
import { usePrefs, type Shape } from "../../ui/prefs";

export const PALETTE_VIEWS = ["mixes", "ladder", "goals", "wells"] as const;
export type PaletteView = (typeof PALETTE_VIEWS)[number];
export type BottomTab =
  | "section"
  | "pattern"
  | "guides"
  | "variants"
  | "backwards"
  | "wear"
  | "growth"
  | "effort";
/** The paint as it is, lit, or a map of where the lamp reaches or where the piece wears. */
export const LIGHTS = ["colour", "lit", "light", "values", "wear", "effort"] as const;
export type LightShown = (typeof LIGHTS)[number];
/** Distances a painter looks from, mm; null shows every mark, as through a magnifier. */
export const DISTANCES = [null, 200, 600, 1200] as const;
/** How much nearer than the whole a specimen is shown at most. */
export const MOST_ZOOM = 8;

/** From where a piece is looked at: turned round its upright and from above, degrees. */
export interface Stance {
  readonly surfaceId: string;
  readonly turnDeg: number;
  readonly tiltDeg: number;
}

interface ViewState {
  readonly surfaceId: string | null;
  readonly coatId: string | null;
  /** Shown after this many painted coats; null for all. */
  readonly upTo: number | null;
  /** Shown as it was at some time of its life; null as it stands. */
  readonly time: Time | null;
  readonly light: LightShown;
  /** Looked at from this far, mm; null for every mark. */
  readonly distanceMm: number | null;
  /** Laid flat, or on its form in space: at first as the painter last chose. */
  readonly shape: Shape;
  /** As large on the screen as on the figure. */
  readonly trueSize: boolean;
  /** From where a surface on its form is looked at; null as it usually is. */
  readonly stance: Stance | null;
  /** Where the chosen coat goes, as a veil over the picture. */
  readonly veil: boolean;
  /** While held: the picture before the chosen coat. */
  readonly before: boolean;
  /** Drawing an outline for the chosen coat on the specimen. */
  readonly outlining: boolean;
  readonly tab: BottomTab;
  /** Handle of the growth map that is being set. */
  readonly handleId: string | null;
  readonly line: SectionLine | null;
  readonly cardId: string | null;
  /** Finding whose marks are ringed on the picture. */
  readonly findingId: string | null;
  /** Which figure of a unit is shown, from 1. */
  readonly figure: number;
  /** Figure whose brief is shown; null for that of the surface. */
  readonly figureId: string | null;
  readonly paletteView: PaletteView;
  /** How many times larger than the whole the specimen is shown, and what lies in the middle, mm on the flat. */
  readonly zoom: number;
  readonly middle: { readonly x: number; readonly y: number } | null;
  readonly set: (change: Partial<Omit<ViewState, "set">>) => void;
}

/** Where the painter is looking; kept over a reload of this window. */
export const useView = create<ViewState>()(
  persist(
    (set) => ({
      surfaceId: null,
      coatId: null,
      upTo: null,
      time: null,
      light: usePrefs.getState().shape === "form" ? "lit" : "colour",
      distanceMm: null,
      shape: usePrefs.getState().shape,
      trueSize: false,
      stance: null,
      veil: false,
      before: false,
      outlining: false,
      tab: "section",
      handleId: null,
      line: null,
      cardId: null,
      findingId: null,
      figure: 1,
      figureId: null,
      paletteView: "mixes",
      zoom: 1,
      middle: null,
      set: (change) => set(change),
    }),
    {
      name: "crenna-view",
      storage: createJSONStorage(() => safely(() => sessionStorage)),
      partialize: (state) => ({ ...state, veil: false, before: false, outlining: false }),
    },
  ),
);
