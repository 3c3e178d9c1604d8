import { InputError } from "../../errors";
import type { FormUse, Surface } from "../../job";
import { completeParams } from "../../params";
import { forms, isFormId } from ".";
import type { SurfaceForm } from "./form";

/** Forms already built: their sizes seldom change, and many parts of the program ask for them. */
const built = new WeakMap<FormUse, { readonly seed: number; readonly form: SurfaceForm }>();

/**
 * The panel a surface's form and sizes describe; the same object for the same use and seed.
 * @throws InputError where the sizes are impossible, or for a form that is not known
 */
export function buildForm(surface: Pick<Surface, "form" | "seed">): SurfaceForm {
  const before = built.get(surface.form);
  if (before?.seed === surface.seed) return before.form;
  const { id, params } = surface.form;
  if (!isFormId(id)) {
    const message = `"${id}" is no form; known are ${Object.keys(forms).join(", ")}.`;
    throw new InputError([{ field: "form", message }]);
  }
  const form = forms[id].build(completeParams(forms[id].params, params), surface.seed);
  built.set(surface.form, { seed: surface.seed, form });
  return form;
}
