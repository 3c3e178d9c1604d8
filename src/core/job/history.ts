import { number, string } from "yup";
import { MISHAP_IDS } from "./mishap";
import { mixPartSchema } from "./mix";
import { use } from "./surface";
import {
  fields,
  id,
  listOf,
  name,
  one,
  size,
  text,
  utcTime,
  whole,
  manyIfAny,
  manyOf,
  manyOrNull,
  type Shape,
} from "../shape";

/** Whole drops that went into a well; water where the pot is null. */
const addition = fields({ paintId: id().nullable().defined(), drops: whole(1, 2000) });
export type Addition = Shape<typeof addition>;

/** A running mix on the palette: what was put in, and what is in it now. */
export const wellSchema = fields({
  id: id(),
  name: name(),
  /** The mix it was begun for; null for none. */
  mixId: text(120).nullable(),
  added: manyOf(addition, 500),
  content: manyOf(fields({ paintId: id(), ul: size(0, 1e6) }), 24),
  waterUl: size(0, 1e6),
});
export type Well = Shape<typeof wellSchema>;

/** The plan of a card as it stood when the card was painted; what is planned since does not change it. */
const plannedSchema = fields({
  /** Name of the mix, and its parts. */
  mix: text(80),
  parts: manyOf(mixPartSchema, 8),
  /** Parts of water to one of paint. */
  water: size(0, 20),
  passes: whole(1, 12),
  /** Hand time of the whole card, minutes. */
  minutes: size(0, 1e7),
  /** Figures it was planned for. */
  figures: whole(0, 500),
  /** The piece with the sizes it was laid out for. */
  form: use,
});
export type PlannedThen = Shape<typeof plannedSchema>;

/** What was really done at the bench. */
export const logEntrySchema = fields({
  id: id(),
  cardId: string().strict().required().max(260),
  cardTitle: text(80),
  doneAt: utcTime(),
  minutes: number().strict().nullable().defined().min(0).max(100000),
  note: text(4000),
  /** The drops as they were really mixed; null where no well was kept. */
  recipe: manyOrNull(addition, 500),
  /** Which figures of a unit it was painted on, from 1; left out where it was painted on all of them. */
  figures: manyIfAny(whole(1, 500), 500),
  /** Which of its passes, from 1; left out where all are done. */
  pass: whole(1, 12).optional(),
  /** What went wrong with it; left out where nothing did. */
  mishap: one(MISHAP_IDS).optional(),
  /** Left out in entries from before this was kept. */
  planned: plannedSchema.optional(),
});
export type LogEntry = Shape<typeof logEntrySchema>;

/** What happened while a job was painted; no undo takes it back. */
export const historySchema = fields({
  log: listOf(logEntrySchema, "entries of the log", 10000),
  wells: listOf(wellSchema, "wells", 60),
});
export type History = Shape<typeof historySchema>;

export const NO_HISTORY: History = { log: [], wells: [] };
