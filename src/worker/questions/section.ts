import { number, object } from "yup";
import { cutSection, type Section, type SectionLine } from "../../core/simulate/section";
import { defineQuestion } from "../question";
import { laid } from "../simulation";

const coordinate = () => number().strict().required().min(-10000).max(10000);

/** The cut along a line through the surface that was laid last; null where none was. */
export const section = defineQuestion<{ readonly line: SectionLine; readonly samples: number }, Section>({
  id: "section",
  schema: object({
    samples: number().strict().required().integer().min(2).max(4000),
    line: object({ ax: coordinate(), ay: coordinate(), bx: coordinate(), by: coordinate() }).required(),
  }),
  run: ({ line, samples }) => (laid.last ? cutSection(laid.last.surface, line, samples) : null),
});
