import { itself, type Lesson } from "../lesson";

/** How fast paint dries here: minutes until a coat was touch dry, against what is computed for the room. */
export const drying: Lesson = {
  id: "drying",
  learns: [{ key: "dryingTimes", name: "Drying, times of the computed", unit: "×", ...itself }],
  row({ dryAfter, planned: { touchDry } }) {
    return dryAfter && touchDry ? { measured: dryAfter, counts: [touchDry] } : null;
  },
};
