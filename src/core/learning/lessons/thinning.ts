import { waterOfRecipe } from "../../plan/wells";
import { itself, type Lesson } from "../lesson";

/** How much water this painter's paint wants: what it was thinned with, against what the coat names. */
export const thinning: Lesson = {
  id: "thinning",
  learns: [{ key: "waterTimes", name: "Water, times of what a coat names", unit: "×", ...itself }],
  row({ water, recipe, planned }, { paints, painter }) {
    const real = water ?? (recipe && waterOfRecipe(recipe, paints, painter));
    return real && planned.water > 0 ? { measured: real, counts: [planned.water] } : null;
  },
};
