import { array, number, object } from "yup";
import type { Triple } from "../../core/colour/spaces";
import { wellSchema, type Paint, type Well } from "../../core/job";
import { whatToAdd, type FoundAddition } from "../../core/plan/wells";
import { paintsField } from "../checked";
import { defineQuestion } from "../question";

export interface WellAdditionsInput {
  readonly well: Well;
  readonly goal: Triple;
  /** Pots that may be added. */
  readonly pots: readonly Paint[];
  /** All pots of the shelf: what is in the well may not be at hand any more. */
  readonly paints: readonly Paint[];
  readonly waterDropUl: number;
  /** Largest volume the well may grow to, µl. */
  readonly mostUl: number;
}

const MOST_DROPS = 8;
const KEEP = 4;

/** What to add to a well to come nearest to a colour. */
export const wellAdditions = defineQuestion<WellAdditionsInput, readonly FoundAddition[]>({
  id: "wellAdditions",
  schema: object({
    well: wellSchema,
    goal: array(number().strict().required()).length(3).required(),
    pots: paintsField(),
    paints: paintsField(),
    waterDropUl: number().strict().required().min(1).max(500),
    mostUl: number().strict().required().min(1).max(1e6),
  }),
  run: ({ well, goal, pots, paints, waterDropUl, mostUl }) =>
    whatToAdd(well, goal, pots, { paints, waterDropUl }, { mostDrops: MOST_DROPS, mostUl, keep: KEEP }),
});
