import { parseJob } from "../../core/formats/job-json/jobSchema";
import type { Job } from "../../core/job";
import { hashText } from "../../core/random";
import { dropText, keepText, keptText } from "../../ui/browserStore";
import { jobText } from "./jobStore";

/** Edits that the server may not have yet, kept in the browser until it has. */
export interface Draft {
  /** Revision the edits were made on. */
  readonly revision: number;
  readonly job: Job;
  /** Marks of jobs that were sent and of which no answer came: what the server has may be one of them. */
  readonly sent: readonly string[];
}

const draftKey = (id: string) => `crenna-draft-${id}`;

const inOrder = (_key: string, value: unknown): unknown =>
  typeof value === "object" && value !== null && !Array.isArray(value)
    ? Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)))
    : value;

const marks = new WeakMap<Job, string>();

/** A mark by which a job is known again, in whatever order its keys come back. */
export function markOf(job: Job): string {
  let mark = marks.get(job);
  if (mark === undefined) {
    const text = JSON.stringify(job, inOrder);
    mark = `${hashText(text)}-${hashText(`${text.length}${text}`)}-${text.length}`;
    marks.set(job, mark);
  }
  return mark;
}

/** Keeps a draft. @returns whether the browser could */
export const keepDraft = (job: Job, revision: number, sent: readonly string[]): boolean =>
  keepText(draftKey(job.id), `{"revision":${revision},"sent":${JSON.stringify(sent)},"job":${jobText(job)}}`);

/** Lets go of a job's draft. */
export const dropDraft = (id: string): void => dropText(draftKey(id));

/** The draft kept of a job; null for none, or one that cannot be read. */
export function readDraft(id: string): Draft | null {
  const text = keptText(draftKey(id));
  if (text === null) return null;
  try {
    const { revision, job, sent } = JSON.parse(text) as Draft;
    return { revision, job: parseJob(job), sent: Array.isArray(sent) ? sent : [] };
  } catch {
    return null;
  }
}
