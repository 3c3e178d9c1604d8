import type { LearntKey } from "../../painter";
import { minutesEach, PACE_OF, PACED, type Paced } from "../../plan/pace";
import type { Learnt, Lesson } from "../lesson";

const NAMES: Readonly<Record<Paced, readonly [string, string]>> = {
  setUps: ["Mixing and setting up a coat", "min"],
  pulls: ["One pull of a line", "s"],
  boxes: ["One box, one pass", "s"],
  dots: ["One dot", "s"],
  brushedMm2: ["Brushed all over in a minute", "mm²"],
  sprayedMm2: ["Sprayed in a minute", "mm²"],
  handlings: ["Taking up one figure of a unit", "min"],
};

function learnt(paced: Paced): Learnt {
  const key: LearntKey = PACE_OF[paced];
  const [name, unit] = NAMES[paced];
  return {
    ...{ key, name, unit },
    each: (number) => minutesEach(paced, number),
    // Minutes for one, and one in so many minutes, are found from each other in the same way.
    number: (each) => (minutesEach(paced, 2) === 0.5 ? 1 / each : each / minutesEach(paced, 1)),
  };
}

/** How quick the hand is: minutes that were taken, against what was to be done. */
export const pace: Lesson = {
  id: "pace",
  learns: PACED.map(learnt),
  row({ minutes, planned: { work } }) {
    if (minutes === null || minutes <= 0 || !work) return null;
    const counts = PACED.map((paced) => work[paced]);
    return counts.some((count) => count > 0) ? { measured: minutes, counts } : null;
  },
};
