import { number, string } from "yup";
import { MISHAP_IDS } from "./mishap";
import { mixPartSchema } from "./mix";
import { use } from "./surface";
import {
  contentId,
  fields,
  id,
  listOf,
  name,
  one,
  size,
  text,
  triple,
  utcTime,
  whole,
  manyIfAny,
  manyOf,
  manyOrNull,
  type Shape,
} from "../shape";

/** Whole drops that went into a well; water where the pot is null. */
export const additionSchema = fields({ paintId: id().nullable().defined(), drops: whole(1, 2000) });
export type Addition = Shape<typeof additionSchema>;

/** A running mix on the palette: what was put in, and what is in it now. */
export const wellSchema = fields({
  id: id(),
  name: name(),
  /** The mix it was begun for; null for none. */
  mixId: text(120).nullable(),
  added: manyOf(additionSchema, 500),
  content: manyOf(fields({ paintId: id(), ul: size(0, 1e6) }), 24),
  waterUl: size(0, 1e6),
});
export type Well = Shape<typeof wellSchema>;

/** Work of the hand, counted in what sets its pace. */
const workSchema = fields({
  setUps: size(0, 1e4),
  pulls: size(0, 1e7),
  boxes: size(0, 1e7),
  dots: size(0, 1e7),
  brushedMm2: size(0, 1e8),
  sprayedMm2: size(0, 1e8),
  handlings: size(0, 1e5),
});

/** Devices and eyes a colour is read by. */
export const READ_BY = ["typed", "simulated reader"] as const;

/** A colour that was read from the dry paint. */
const colourRead = fields({
  at: utcTime(),
  by: one(READ_BY),
  l: size(0, 100),
  a: size(-128, 128),
  b: size(-128, 128),
  /**
   * The coat it was read from: dry film, µm, and mean L*a*b* of the ground below and of its departure from an even film.
   * Left out where it departs too far to tell of its pots, and in older readings.
   */
  film: fields({
    um: size(0.01, 5000),
    under: triple(-160, 160).required(),
    off: triple(-160, 160).required(),
  })
    .optional()
    .default(undefined),
});
export type ColourRead = Shape<typeof colourRead>;

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
  /** What it asked of the hand, whatever the painter's pace; this and what follows is left out in older entries. */
  work: workSchema.optional(),
  /** Until it was to be touch dry in the room, minutes, before the painter's own times of it. */
  touchDry: size(0, 1e6).optional(),
  /** Thinned paint that was to land on the figures, µl. */
  thinnedUl: size(0, 1e7).optional(),
  /** Technique it was to be laid with. */
  technique: text(80).optional(),
});
export type PlannedThen = Shape<typeof plannedSchema>;

/** Photos of the work, first to last: pictures that are kept, named by their content. */
export const MOST_PHOTOS = { entry: 6, sitting: 12, job: 60 } as const;

/** What was really done at the bench. */
export const logEntrySchema = fields({
  id: id(),
  cardId: string().strict().required().max(260),
  cardTitle: text(80),
  doneAt: utcTime(),
  minutes: number().strict().nullable().defined().min(0).max(100000),
  note: text(4000),
  /** The drops as they were really mixed; null where no well was kept. */
  recipe: manyOrNull(additionSchema, 500),
  /** Which figures of a unit it was painted on, from 1; left out where it was painted on all of them. */
  figures: manyIfAny(whole(1, 500), 500),
  /** Which of its passes, from 1; left out where all are done. */
  pass: whole(1, 12).optional(),
  /** Minutes until it was touch dry, as it was seen. */
  dryAfter: size(0, 1e6).optional(),
  /** Parts of water to one of paint it was really thinned with. */
  water: size(0, 20).optional(),
  /** How often the brush was loaded for it. */
  loads: whole(1, 1e5).optional(),
  /** The brush it was really painted with. */
  brush: text(80).optional(),
  /** Colours read from it once it was dry, first to last. */
  readings: manyIfAny(colourRead, 40),
  /** How it looked; left out where there is no photo. */
  photos: manyIfAny(contentId(), MOST_PHOTOS.entry),
  /** What went wrong with it; left out where nothing did. */
  mishap: one(MISHAP_IDS).optional(),
  /** Left out in entries from before this was kept. */
  planned: plannedSchema.optional(),
});
export type LogEntry = Shape<typeof logEntrySchema>;

/** A time at the bench. */
export const sittingSchema = fields({
  id: id(),
  startedAt: utcTime(),
  /** Null while it goes on. */
  endedAt: utcTime().nullable(),
  note: text(4000),
  /** The work as it stood; left out where there is no photo. */
  photos: manyIfAny(contentId(), MOST_PHOTOS.sitting),
});
export type Sitting = Shape<typeof sittingSchema>;

/** What happened while a job was painted; no undo takes it back. */
export const historySchema = fields({
  log: listOf(logEntrySchema, "entries of the log", 10000),
  wells: listOf(wellSchema, "wells", 60),
  sittings: listOf(sittingSchema, "sittings", 2000),
});
export type History = Shape<typeof historySchema>;

/** Every photo that a history names, once. */
export const photosIn = ({ log, sittings }: Pick<History, "log" | "sittings">): string[] => [
  ...new Set([...log, ...sittings].flatMap(({ photos = [] }) => photos)),
];

export const NO_HISTORY: History = { log: [], wells: [], sittings: [] };
