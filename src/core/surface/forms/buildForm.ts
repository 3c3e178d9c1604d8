import { InputError } from "../../errors";
import type { FormUse, Surface } from "../../job";
import { hideProblems } from "../../hides/inUse";
import { forms, isFormId } from ".";
import { keptHeights } from "../keptHeights";
import { withHeightMap } from "../reliefPicture";
import type { SurfaceForm } from "./form";
import { mirrored } from "./mirrored";
import { sizesOfUse } from "./useSizes";

/** Forms already built: their sizes seldom change, and many parts of the program ask for them. */
const built = new WeakMap<
  FormUse,
  { readonly seed: number; readonly relief: string; readonly form: SurfaceForm }
>();

/** What a form is built from: a surface, or one without a relief picture. */
type Built = Pick<Surface, "form" | "seed"> & Partial<Pick<Surface, "relief" | "hide">>;

/**
 * The panel a surface's form and sizes describe, with the heights of its relief picture where they are here; the same
 * object for the same use, seed and picture. Smooth: a hide is sculpted on cells.
 * @throws InputError where the sizes are impossible, its hide's too, or for a form or hide that is not known
 */
export function buildForm(surface: Built): SurfaceForm {
  const wrong = surface.hide ? hideProblems(surface.hide) : [];
  if (wrong.length > 0) throw new InputError(wrong);
  const heights = keptHeights(surface.relief);
  const relief = heights ? JSON.stringify(surface.relief) : "";
  const before = built.get(surface.form);
  if (before?.seed === surface.seed && before.relief === relief) return before.form;
  const { id } = surface.form;
  if (!isFormId(id)) {
    const message = `"${id}" is no form; known are ${Object.keys(forms).join(", ")}.`;
    throw new InputError([{ field: "form", message }]);
  }
  const plain = forms[id].build(sizesOfUse(forms[id], surface.form), surface.seed);
  const whole = heights && surface.relief ? withHeightMap(plain, surface.relief, heights) : plain;
  const form = surface.form.mirrored ? mirrored(whole) : whole;
  built.set(surface.form, { seed: surface.seed, relief, form });
  return form;
}
