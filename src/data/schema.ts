import { blob, integer, real, sqliteTable, text } from "drizzle-orm/sqlite-core";

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
  /** K, S and readings as checked JSON. */
  fit: text("fit"),
  position: integer("position").notNull(),
});

/** A job as one checked document, with a revision that every save must name. */
export const jobs = sqliteTable("jobs", {
  id: text("id").primaryKey(),
  name: text("name").notNull(),
  revision: integer("revision").notNull(),
  document: text("document").notNull(),
  createdAt: text("created_at").notNull(),
  updatedAt: text("updated_at").notNull(),
  /** Set when deleted; kept for undo until the next start. */
  deletedAt: text("deleted_at"),
});

/** Pots a job's mixes name: a pot in use is not dropped from the shelf in silence. */
export const jobPaints = sqliteTable("job_paints", {
  jobId: text("job_id")
    .notNull()
    .references(() => jobs.id, { onDelete: "cascade" }),
  paintId: text("paint_id").notNull(),
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
