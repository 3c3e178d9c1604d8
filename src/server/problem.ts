import { ValidationError } from "yup";
import { InputError, type Problem } from "../core/errors";

/** Problem details as of RFC 9457, with the places of every problem found. */
export interface ProblemDetails {
  readonly type: string;
  readonly title: string;
  readonly status: number;
  readonly detail: string;
  readonly problems?: readonly Problem[];
}

export function problem(
  status: number,
  title: string,
  detail: string,
  more: Readonly<Record<string, unknown>> = {},
): Response {
  const body: ProblemDetails = { type: "about:blank", title, status, detail, ...more };
  return new Response(JSON.stringify(body), {
    status,
    headers: { "content-type": "application/problem+json; charset=utf-8", "cache-control": "no-store" },
  });
}

/** An answer of text that is JSON already. */
export const jsonText = (text: string, status = 200): Response =>
  new Response(text, {
    status,
    headers: { "content-type": "application/json; charset=utf-8", "cache-control": "no-store" },
  });

export const json = (value: unknown, status = 200): Response => jsonText(JSON.stringify(value), status);

/** Thrown by a use case to answer with a problem. */
export class HttpProblem extends Error {
  readonly response: () => Response;
  constructor(status: number, title: string, detail: string, more: Readonly<Record<string, unknown>> = {}) {
    super(detail);
    this.response = () => problem(status, title, detail, more);
  }
}

/** What the disk under the database lacks, by SQLite's own codes. */
const DISK: readonly (readonly [code: string, status: number, title: string, detail: string])[] = [
  [
    "SQLITE_FULL",
    507,
    "The disk is full",
    "There is no room left where Crenna keeps its data. Free some, then try again; nothing was changed.",
  ],
  [
    "SQLITE_READONLY",
    507,
    "The data cannot be written",
    "The folder of Crenna's data is read-only. Give yourself the right to write there, then try again; nothing was changed.",
  ],
  [
    "SQLITE_CANTOPEN",
    507,
    "The data cannot be opened",
    "The folder of Crenna's data is not there or not yours. See to it and start again; nothing was changed.",
  ],
  [
    "SQLITE_IOERR",
    507,
    "The disk failed",
    "Reading or writing Crenna's data failed. Look to the disk, and to your copies; nothing was changed.",
  ],
  [
    "SQLITE_CORRUPT",
    500,
    "The data is damaged",
    "The file of Crenna's data is damaged. Put back a copy, or start with another folder (--data).",
  ],
];

function diskProblem(error: unknown): Response | null {
  const code = error instanceof Error && "code" in error ? String(error.code) : "";
  const found = DISK.find(([own]) => code.startsWith(own));
  return found ? problem(found[1], found[2], found[3]) : null;
}

/** Runs a use case; what it throws becomes a problem, never a stack trace. */
export async function answer(run: () => Promise<Response> | Response): Promise<Response> {
  try {
    return await run();
  } catch (error) {
    if (error instanceof HttpProblem) return error.response();
    if (error instanceof InputError) {
      return problem(422, "The input cannot be used", error.message, { problems: error.problems });
    }
    if (error instanceof ValidationError) {
      const inner = error.inner.length > 0 ? error.inner : [error];
      const problems = inner.slice(0, 20).map((one) => ({ field: one.path ?? "", message: one.message }));
      return problem(422, "The input cannot be used", problems.map((one) => one.message).join("; "), {
        problems,
      });
    }
    console.error(error);
    const disk = diskProblem(error);
    if (disk) return disk;
    return problem(
      500,
      "Something went wrong here",
      "The server could not finish this. Nothing was changed.",
    );
  }
}
