import { array, boolean, number, object, string } from "yup";
import { scheduleOf } from "../../core/plan/schedule/schedule";
import type { Task, Window, Wish } from "../../core/plan/schedule/task";
import { turnsOf, type Turns } from "../../core/plan/schedule/turns";
import { defineQuestion } from "../question";

export interface ScheduleInput {
  readonly tasks: readonly Task[];
  readonly windows: readonly Window[];
  readonly wishes: readonly Wish[];
}

const minutes = () => number().strict().required().min(0);
const text = () => string().strict().defined();

const taskSchema = object({
  ...{ id: text(), cardId: text(), kit: text() },
  cardIds: array(text()).min(1).required(),
  goes: array(
    object({ line: text(), minutes: minutes(), waits: minutes(), rests: boolean().strict() }).required(),
  )
    .min(1)
    .required(),
  pass: number().strict().nullable().defined(),
  ...{ setUp: minutes(), from: minutes(), group: minutes().integer() },
}).required();

/** When everything is painted by one pair of hands. */
export const schedule = defineQuestion<ScheduleInput, Turns>({
  id: "schedule",
  newestOnly: true,
  schema: object({
    tasks: array(taskSchema).max(50_000).required(),
    windows: array(object({ start: minutes(), end: minutes() }).required()).defined(),
    wishes: array(object({ first: text(), then: text() }).required()).defined(),
  }),
  run: ({ tasks, windows, wishes }) => turnsOf(scheduleOf(tasks, windows, wishes)),
});
