import { object, string } from "yup";
import { recoloured, type Recoloured } from "../../core/edits/recolour";
import { hexToLab } from "../../core/colour/spaces";
import type { OwnScheme, Paint } from "../../core/job";
import { colour, id, manyOf } from "../../core/shape";
import { paintsField, schemeField } from "../checked";
import { defineQuestion } from "../question";

export interface RecolourInput {
  readonly scheme: OwnScheme;
  readonly mainMixId: string;
  /** What the main mix is to be, "#rrggbb". */
  readonly goal: string;
  readonly mixIds: readonly string[];
  readonly paints: readonly Paint[];
}

/** A scheme of one's own in another colour, in pots at hand. */
export const recolour = defineQuestion<RecolourInput, Recoloured>({
  id: "recolour",
  newestOnly: true,
  schema: object({
    scheme: schemeField(),
    mainMixId: string().strict().required().max(120),
    goal: colour(),
    mixIds: manyOf(id(), 200),
    paints: paintsField(),
  }),
  run({ scheme, mainMixId, goal, mixIds, paints }) {
    return recoloured({ scheme, mainMixId, goal: hexToLab(goal), mixIds }, paints);
  },
});
