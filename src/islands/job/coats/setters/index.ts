import { lazy, type ComponentType, type LazyExoticComponent } from "react";
import type { SetterProps } from "./setter";

type Setter = LazyExoticComponent<ComponentType<SetterProps>>;

/** A family's own setter, loaded when it is first opened. */
function setter<P, L, F>(load: () => Promise<ComponentType<SetterProps<P, L, F>>>): Setter {
  // The family hands its own settings back to its own setter, so the two agree.
  return lazy(async () => ({ default: (await load()) as unknown as ComponentType<SetterProps> }));
}

/** Setters of the families that have one of their own; all others get one made of their fields. */
export const setters: Readonly<Record<string, Setter>> = {
  camouflage: setter(async () => (await import("./camouflage/CamouflageSetter")).CamouflageSetter),
  patched: setter(async () => (await import("./patched/PatchedSetter")).PatchedSetter),
  sett: setter(async () => (await import("./sett/SettSetter")).SettSetter),
};
