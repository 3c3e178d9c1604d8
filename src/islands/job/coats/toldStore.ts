import { create } from "zustand";
import { createJSONStorage, persist } from "zustand/middleware";
import { USUAL_TOLD, type Stuff, type Told } from "../../../core/ageing/told";
import { safely } from "../../../ui/browserStore";

interface ToldState {
  /** What was told of each surface, by job and surface. */
  readonly told: Readonly<Record<string, Told>>;
  readonly tell: (key: string, told: Told) => void;
}

/** Histories as they were last told on this machine: they are there when one is told anew. */
export const useTold = create<ToldState>()(
  persist(
    (set) => ({
      told: {},
      tell: (key, told) => set((state) => ({ told: { ...state.told, [key]: told } })),
    }),
    { name: "crenna-told", version: 1, storage: createJSONStorage(() => safely(() => localStorage)) },
  ),
);

const STUFF_OF: Readonly<Record<string, Stuff>> = {
  ...{ metal: "metal", shell: "metal", wood: "wood", stone: "stone" },
};

/** What is offered first for a surface: as it was told before, else by what it is made of. */
export const firstTold = (before: Told | undefined, material: string): Told =>
  // What was told before a question was added has the usual answer to it.
  ({ ...USUAL_TOLD, stuff: STUFF_OF[material] ?? "cloth", ...before });
