import type { Surface } from "../job";
import { reliefKey } from "../surface/keptHeights";

/** What the ground that pieces stand on follows from. */
export const groundKey = ({
  form,
  seed,
  relief,
}: Partial<Pick<Surface, "form" | "seed" | "relief">>): string =>
  JSON.stringify([form, seed, relief ? reliefKey({ relief }) : null]);
