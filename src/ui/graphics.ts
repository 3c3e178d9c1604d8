import { create } from "zustand";
import { usePrefs } from "./prefs";

/** Set where drawing in space was tried and failed. */
const useTried = create<{ readonly failed: boolean }>()(() => ({ failed: false }));

let chip: boolean | null = null;

/** What drawing libraries that imitate a chip on the processor call themselves. */
const IMITATED = /swiftshader|llvmpipe|softpipe|software|basic render/i;

/** Whether this browser draws in space by a graphics chip: imitated by the processor it would hold the page up. */
function hasChip(): boolean {
  if (chip !== null) return chip;
  const context = document
    .createElement("canvas")
    .getContext("webgl2", { failIfMajorPerformanceCaveat: true });
  const named = context?.getExtension("WEBGL_debug_renderer_info")?.UNMASKED_RENDERER_WEBGL;
  const renderer = String(context?.getParameter(named ?? context.RENDERER));
  context?.getExtension("WEBGL_lose_context")?.loseContext();
  chip = context !== null && !IMITATED.test(renderer);
  return chip;
}

/** Says that drawing in space failed after all: still pictures take its place until the page is loaded again. */
export const graphicsFailed = (): void => useTried.setState({ failed: true });

/** Whether pieces on their forms are drawn by the page itself, or as still pictures by the worker. */
export function useGraphics(): boolean {
  const drawn = usePrefs((prefs) => prefs.pieces);
  const failed = useTried((tried) => tried.failed);
  return !failed && (drawn === "moving" || (drawn === "as fits" && hasChip()));
}
