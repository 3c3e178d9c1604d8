import { tuple } from "yup";
import { fields, id, listOf, manyOf, name, one, whole, type Shape } from "../shape";
import { benchSchema } from "./bench";
import { figureSchema, handSchema } from "./figure";
import { goalSchema, mixSchema, referenceSchema } from "./mix";
import { surfaceSchema, type Surface } from "./surface";

/** The version jobs and job files are written in. */
export const JOB_VERSION = 16;

/** Mixes that a job may have. */
export const MOST_MIXES = 200;

interface WithFigures {
  readonly figures?: readonly { readonly id?: unknown }[];
  readonly surfaces?: readonly { readonly figureId?: unknown }[];
}

/** Everything a job may hold: its design. What happened at the bench is its history. */
export const jobSchema = fields({
  format: one(["crenna-job"]),
  version: whole(JOB_VERSION, JOB_VERSION),
  id: id(),
  name: name(),
  figures: listOf(figureSchema, "figures", 20, 1),
  hand: handSchema,
  mixes: listOf(mixSchema, "mixes", MOST_MIXES),
  references: listOf(referenceSchema, "references", 8),
  goals: listOf(goalSchema, "goals", 200),
  surfaces: listOf(surfaceSchema, "surfaces", 60),
  /** Pairs of surfaces that lie side by side on a figure, by id. */
  touching: manyOf(tuple([id(), id()]).strict().required(), 400),
  bench: benchSchema,
}).test("figures", "every surface must name one of the job's figures", (value) => {
  const { figures, surfaces } = value as WithFigures;
  if (!Array.isArray(figures) || !Array.isArray(surfaces)) return true;
  const known = new Set(figures.map((figure: { id?: unknown } | null) => figure?.id));
  // What is no surface at all is told of by itself.
  return surfaces.every((surface: { figureId?: unknown } | null) => !surface || known.has(surface.figureId));
});

type JobShape = Shape<typeof jobSchema>;
export type Job = Omit<JobShape, "surfaces" | "version"> & {
  readonly version: typeof JOB_VERSION;
  readonly surfaces: readonly Surface[];
};
