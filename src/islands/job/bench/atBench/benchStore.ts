import { create } from "zustand";
import { createJSONStorage, persist } from "zustand/middleware";
import { safely } from "../../../../ui/browserStore";

interface AtBenchState {
  /** The job that is being painted, full screen; null for none. */
  readonly jobId: string | null;
  /** The turn that is looked at. */
  readonly turnId: string | null;
  /** Whether a quiet sound tells that something is dry. */
  readonly sound: boolean;
  readonly set: (change: Partial<Omit<AtBenchState, "set">>) => void;
}

/** Where the painter is at the bench; it outlives a reload, a closed browser and a power cut. */
export const useAtBench = create<AtBenchState>()(
  persist((set) => ({ jobId: null, turnId: null, sound: true, set: (change) => set(change) }), {
    name: "crenna-at-bench",
    storage: createJSONStorage(() => safely(() => localStorage)),
  }),
);
