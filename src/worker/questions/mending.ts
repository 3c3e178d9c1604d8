import { array, number, object, string } from "yup";
import { MISHAP_IDS } from "../../core/job";
import { mendSteps, type Mending, type MendInput } from "../../core/mishaps/mend";
import { FILM_STATES } from "../../core/plan/clocks";
import { bringWhatIsKept } from "../heights";
import { defineQuestion } from "../question";
import { planSchema } from "./benchPdf";

const id = () => string().strict().required().max(260);
const share = () => number().strict().required().min(0).max(1);

const toldSchema = object({
  kind: string()
    .strict()
    .required()
    .oneOf([...MISHAP_IDS]),
  coatId: id(),
  ...{ along: share(), up: share() },
  amount: number().strict().required().min(0).max(1000),
  mixId: string().strict().nullable().defined().max(120),
  figures: array(number().strict().required().integer().min(1).max(500)).max(500).optional(),
}).required();

/** Ways on from something that went wrong, each painted to its end; null where it was stopped. */
export const mending = defineQuestion<MendInput, Mending>({
  id: "mending",
  newestOnly: true,
  schema: planSchema().shape({
    surfaceId: id(),
    told: toldSchema,
    painted: array(id()).max(500).defined(),
    state: string()
      .strict()
      .required()
      .oneOf([...FILM_STATES]),
  }),
  async run(input, { wanted }) {
    await bringWhatIsKept(input.job.surfaces.filter(({ id: one }) => one === input.surfaceId));
    const steps = mendSteps(input);
    for (let step = steps.next(), done = 1; ; step = steps.next(), done++) {
      if (step.done) return step.value;
      if (!(await wanted(done, done + step.value))) return null;
    }
  },
});
