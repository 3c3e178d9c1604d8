import {
  blob,
  foreignKey,
  index,
  integer,
  primaryKey,
  real,
  sqliteTable,
  text,
  uniqueIndex,
} from "drizzle-orm/sqlite-core";
import type { ColourRead, MishapId, PlannedThen } from "../core/job";

/** Pots on the shelf. */
export const paints = sqliteTable("paints", {
  id: text("id").primaryKey(),
  name: text("name").notNull(),
  range: text("range").notNull(),
  kind: text("kind").notNull(),
  state: text("state").notNull(),
  thick: text("thick").notNull(),
  overWhite: text("over_white"),
  hiding: text("hiding").notNull(),
  strength: real("strength").notNull(),
  dropUl: real("drop_ul").notNull(),
  overBlack: text("over_black"),
  finish: text("finish").notNull().default("matt"),
  /** K and S and how well they meet the readings, as checked JSON. */
  fit: text("fit"),
  position: integer("position").notNull(),
});

/** What was measured of a pot, in the order it was read. */
export const readings = sqliteTable(
  "readings",
  {
    paintId: text("paint_id")
      .notNull()
      .references(() => paints.id, { onDelete: "cascade" }),
    at: integer("at").notNull(),
    laid: text("laid").notNull(),
    filmUm: real("film_um"),
    whiteParts: real("white_parts"),
    l: real("l").notNull(),
    a: real("a").notNull(),
    b: real("b").notNull(),
  },
  (table) => [primaryKey({ columns: [table.paintId, table.at] })],
);

/** A job's design as one checked document, with a revision that every save must name, and what the desk tells of it. */
export const jobs = sqliteTable("jobs", {
  id: text("id").primaryKey(),
  name: text("name").notNull(),
  revision: integer("revision").notNull(),
  document: text("document").notNull(),
  createdAt: text("created_at").notNull(),
  updatedAt: text("updated_at").notNull(),
  /** Set when deleted; kept for undo until the next start. */
  deletedAt: text("deleted_at"),
  /** Shape the document is in; 0 where it could not be read yet. */
  version: integer("version").notNull().default(0),
  /** Of its first figure. */
  eyeHeightMm: real("eye_height_mm"),
  standard: text("standard"),
  primer: text("primer"),
  /** Figures to paint, all together. */
  figures: integer("figures"),
  surfaces: integer("surfaces"),
});

const ofJob = () =>
  text("job_id")
    .notNull()
    .references(() => jobs.id, { onDelete: "cascade" });

/** Pots a job's mixes name: a pot in use is not dropped from the shelf in silence. */
export const jobPaints = sqliteTable(
  "job_paints",
  { jobId: ofJob(), paintId: text("paint_id").notNull() },
  (table) => [uniqueIndex("job_paints_once").on(table.jobId, table.paintId)],
);

/** Pictures a job names, and what for: colours or relief. */
export const jobPictures = sqliteTable(
  "job_pictures",
  { jobId: ofJob(), pictureId: text("picture_id").notNull(), use: text("use").notNull() },
  (table) => [
    primaryKey({ columns: [table.jobId, table.pictureId, table.use] }),
    index("job_pictures_by_picture").on(table.pictureId),
  ],
);

/** Cards ticked off at the bench. */
export const logEntries = sqliteTable(
  "log_entries",
  {
    jobId: ofJob(),
    id: text("id").notNull(),
    position: integer("position").notNull(),
    cardId: text("card_id").notNull(),
    cardTitle: text("card_title").notNull(),
    doneAt: text("done_at").notNull(),
    minutes: real("minutes"),
    note: text("note").notNull(),
    /** Whether a well was kept, so that its drops are known. */
    mixed: integer("mixed", { mode: "boolean" }).notNull(),
    /** The plan of the card as it stood then; null in rows from before it was kept. */
    planned: text("planned", { mode: "json" }).$type<PlannedThen>(),
    /** Figures of the unit it was painted on; null for all of them. */
    figures: text("figures", { mode: "json" }).$type<readonly number[]>(),
    /** Which pass of the card; null for all of them. */
    pass: integer("pass"),
    /** What went wrong with it; null where nothing did. */
    mishap: text("mishap").$type<MishapId>(),
    /** Minutes until it was touch dry, parts of water, loads and brush as they really were; null where not noted. */
    dryAfter: real("dry_after"),
    water: real("water"),
    loads: integer("loads"),
    brush: text("brush"),
    /** Colours read from it, first to last. */
    readings: text("readings", { mode: "json" }).$type<readonly ColourRead[]>(),
    /** Pictures of it, by their ids; null for none. */
    photos: text("photos", { mode: "json" }).$type<readonly string[]>(),
  },
  (table) => [primaryKey({ columns: [table.jobId, table.id] })],
);

/** Drops as they were really mixed for an entry of the log; water where the pot is null. */
export const logAdditions = sqliteTable(
  "log_additions",
  {
    jobId: text("job_id").notNull(),
    entryId: text("entry_id").notNull(),
    at: integer("at").notNull(),
    paintId: text("paint_id"),
    drops: integer("drops").notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.jobId, table.entryId, table.at] }),
    foreignKey({
      columns: [table.jobId, table.entryId],
      foreignColumns: [logEntries.jobId, logEntries.id],
    }).onDelete("cascade"),
  ],
);

/** Times at the bench. */
export const sittings = sqliteTable(
  "sittings",
  {
    jobId: ofJob(),
    id: text("id").notNull(),
    position: integer("position").notNull(),
    startedAt: text("started_at").notNull(),
    /** Null while it goes on. */
    endedAt: text("ended_at"),
    note: text("note").notNull(),
    /** Pictures of the work, by their ids; null for none. */
    photos: text("photos", { mode: "json" }).$type<readonly string[]>(),
  },
  (table) => [primaryKey({ columns: [table.jobId, table.id] })],
);

/** Running mixes on the palette. */
export const wells = sqliteTable(
  "wells",
  {
    jobId: ofJob(),
    id: text("id").notNull(),
    position: integer("position").notNull(),
    name: text("name").notNull(),
    mixId: text("mix_id"),
    waterUl: real("water_ul").notNull(),
  },
  (table) => [primaryKey({ columns: [table.jobId, table.id] })],
);

const ofWell = {
  jobId: text("job_id").notNull(),
  wellId: text("well_id").notNull(),
  at: integer("at").notNull(),
};

/** Drops that went into a well, in order; water where the pot is null. */
export const wellAdditions = sqliteTable(
  "well_additions",
  { ...ofWell, paintId: text("paint_id"), drops: integer("drops").notNull() },
  (table) => [
    primaryKey({ columns: [table.jobId, table.wellId, table.at] }),
    foreignKey({ columns: [table.jobId, table.wellId], foreignColumns: [wells.jobId, wells.id] }).onDelete(
      "cascade",
    ),
  ],
);

/** What is in a well now. */
export const wellContents = sqliteTable(
  "well_contents",
  { ...ofWell, paintId: text("paint_id").notNull(), ul: real("ul").notNull() },
  (table) => [
    primaryKey({ columns: [table.jobId, table.wellId, table.at] }),
    foreignKey({ columns: [table.jobId, table.wellId], foreignColumns: [wells.jobId, wells.id] }).onDelete(
      "cascade",
    ),
  ],
);

/** The painter's own schemes, each as a checked document. */
export const schemes = sqliteTable("schemes", {
  id: text("id").primaryKey(),
  name: text("name").notNull(),
  version: integer("version").notNull(),
  document: text("document").notNull(),
  createdAt: text("created_at").notNull(),
});

/** One row: the painter's profile, as a checked document. */
export const settings = sqliteTable("settings", {
  id: integer("id").primaryKey(),
  painter: text("painter").notNull(),
});

/** Reference pictures, scaled, named by their content. */
export const pictures = sqliteTable("pictures", {
  id: text("id").primaryKey(),
  type: text("type").notNull(),
  bytes: blob("bytes", { mode: "buffer" }).notNull(),
  createdAt: text("created_at").notNull(),
});
