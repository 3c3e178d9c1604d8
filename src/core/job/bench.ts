import { string } from "yup";
import { fields, manyOf, one, utcTime, whole, type Shape } from "../shape";

/** How the figures of a unit are painted: as it saves most, every card on all of them, or one figure after the other. */
export const UNIT_WAYS = ["mixed", "line", "figures"] as const;
export type UnitWay = (typeof UNIT_WAYS)[number];

/** Sittings of one job at most. */
export const MOST_SITTINGS = 60;
/** Length of a sitting, minutes. */
export const SITTING_MINUTES = [10, 960] as const;

const cardId = () => string().strict().required().max(260);

/** How a job is planned for the bench: who waits for whom is worked out, what the painter wants is kept here. */
export const benchSchema = fields({
  unit: one(UNIT_WAYS),
  /** Times at the bench, first to last; none for one sitting without an end. */
  sittings: manyOf(fields({ startsAt: utcTime(), minutes: whole(...SITTING_MINUTES) }), MOST_SITTINGS),
  /** Cards the painter wants before others. */
  wishes: manyOf(fields({ first: cardId(), then: cardId() }), 200),
});
export type BenchPlan = Shape<typeof benchSchema>;
export type PlannedSitting = BenchPlan["sittings"][number];

export const USUAL_BENCH: BenchPlan = { unit: "mixed", sittings: [], wishes: [] };
