import { learnPots, type ReadPot } from "../core/learning/pots/learnPots";
import { database } from "../data";
import { readAllEntries } from "../data/historyStore";
import { listPaints, usersOfPots } from "../data/paintStore";
import { json } from "./problem";

/** What colours read from dry coats, in the logs of all jobs, tell of the pots. */
export function getLearnedPots(): Response {
  const db = database();
  const paints = listPaints(db);
  const users = usersOfPots(db);
  const pots = learnPots(readAllEntries(db), paints).map((pot): ReadPot => ({
    ...pot,
    paint: paints.find(({ id }) => id === pot.paintId)!,
    jobs: (users.get(pot.paintId) ?? []).map(({ name }) => name),
  }));
  return json({ pots });
}
