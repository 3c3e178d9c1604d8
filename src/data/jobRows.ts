import { and, eq, inArray } from "drizzle-orm";
import { NO_HISTORY, type Job, type Paint } from "../core/job";
import { paintsOf } from "../core/formats/job-json/jobFile";
import type { Db } from "./database";
import { jobPaints, jobPictures, jobs } from "./schema";

type Summary = Pick<
  typeof jobs.$inferSelect,
  "version" | "name" | "eyeHeightMm" | "standard" | "primer" | "figures" | "surfaces"
>;

/** What the desk tells of a job without reading it. */
export function describeJob(job: Job): Summary {
  const first = job.figures[0]!;
  return {
    version: job.version,
    name: job.name,
    eyeHeightMm: first.eyeHeightMm,
    standard: first.standard,
    primer: first.primer,
    figures: job.figures.reduce((sum, figure) => sum + figure.count, 0),
    surfaces: job.surfaces.length,
  };
}

/** Pictures a job names, and what for. */
export const picturesOf = (job: Pick<Job, "references" | "surfaces">) => [
  ...job.references.map(({ pictureId }) => ({ pictureId, use: "colours" })),
  ...job.surfaces.flatMap(({ relief }) => (relief ? [{ pictureId: relief.pictureId, use: "relief" }] : [])),
];

/** Notes which pots and pictures a job names, in place of those it named before. */
export function linkJob(
  db: Pick<Db, "select" | "insert" | "delete">,
  job: Job,
  shelf: readonly Paint[],
): void {
  const used = paintsOf(job, NO_HISTORY, shelf).map(({ id }) => id);
  const linked = db.select().from(jobPaints).where(eq(jobPaints.jobId, job.id)).all();
  const gone = linked.map(({ paintId }) => paintId).filter((id) => !used.includes(id));
  if (gone.length > 0)
    db.delete(jobPaints)
      .where(and(eq(jobPaints.jobId, job.id), inArray(jobPaints.paintId, gone)))
      .run();
  for (const paintId of used)
    db.insert(jobPaints).values({ jobId: job.id, paintId }).onConflictDoNothing().run();
  db.delete(jobPictures).where(eq(jobPictures.jobId, job.id)).run();
  for (const one of picturesOf(job))
    db.insert(jobPictures)
      .values({ jobId: job.id, ...one })
      .onConflictDoNothing()
      .run();
}
