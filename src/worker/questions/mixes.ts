import { array, number, object, string } from "yup";
import type { SeenAs } from "../../core/colour/seenAs";
import type { Triple } from "../../core/colour/spaces";
import type { Paint } from "../../core/job";
import { paintsField } from "../checked";
import type { MixAnswer } from "../paletteTasks";
import { defineQuestion } from "../question";

export interface MixesInput {
  readonly paints: readonly Paint[];
  readonly goal: Triple;
  /** How the mix will be seen; thick where left out. */
  readonly seen?: SeenAs;
  /** Pots that are in use already, by id: they come first where it makes no odds. */
  readonly inUse?: readonly string[];
}

/** Which mixes come nearest to a colour. */
export const mixes = defineQuestion<MixesInput, MixAnswer>({
  id: "mixes",
  schema: object({
    paints: paintsField(),
    goal: array(number().strict().required()).length(3).required(),
    seen: object({
      kind: string().strict().required().oneOf(["thick", "film", "under"]),
      filmUm: number().strict().min(0).max(10000),
    }).default(undefined),
    inUse: array(string().strict().required().max(120)).max(5000),
  }),
  // Loaded when first asked for: it must not delay the first picture.
  run: async (input, { wanted }) => (await import("../paletteTasks")).answerMixes(input, wanted),
});
