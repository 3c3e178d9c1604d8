import { array, string } from "yup";
import { DOUBT_IDS } from "../../core/routes/doubtIds";
import { routeSteps, type RouteInput, type Routes } from "../../core/routes/routes";
import { bringWhatIsKept } from "../heights";
import { defineQuestion } from "../question";
import { planSchema } from "./benchPdf";

const id = () => string().strict().required().max(260);

/** A coat in other techniques, nearest look first; null where it was stopped. */
export const routes = defineQuestion<RouteInput, Routes>({
  id: "routes",
  newestOnly: true,
  schema: planSchema().shape({
    surfaceId: id(),
    coatId: id(),
    without: array(string().strict().required().oneOf(DOUBT_IDS)).max(DOUBT_IDS.length).defined(),
  }),
  async run(input, { wanted }) {
    await bringWhatIsKept(input.job.surfaces.filter((surface) => surface.id === input.surfaceId));
    const steps = routeSteps(input);
    for (let step = steps.next(), done = 1; ; step = steps.next(), done++) {
      if (step.done) return step.value;
      if (!(await wanted(done, step.value))) return null;
    }
  },
});
