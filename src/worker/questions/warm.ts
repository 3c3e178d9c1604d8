import { object } from "yup";
import { defineQuestion } from "../question";
import { simulator } from "../simulation";

/** Answered as soon as a worker can paint: one that is only starting is given nothing yet. */
export const warm = defineQuestion<Record<string, never>, boolean>({
  id: "warm",
  schema: object({}).required(),
  run: async () => {
    await simulator;
    return true;
  },
});
