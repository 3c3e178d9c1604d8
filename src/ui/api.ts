import type { Problem } from "../core/errors";

/** What the server said when it could not do something. */
export class ApiError extends Error {
  readonly status: number;
  readonly problems: readonly Problem[];
  readonly body: Readonly<Record<string, unknown>>;
  constructor(status: number, message: string, body: Readonly<Record<string, unknown>>) {
    super(message);
    this.name = "ApiError";
    this.status = status;
    this.body = body;
    this.problems = Array.isArray(body.problems) ? (body.problems as Problem[]) : [];
  }
}

interface CallOptions {
  readonly method?: "GET" | "POST" | "PUT" | "DELETE";
  readonly json?: unknown;
  readonly text?: string;
  readonly keepalive?: boolean;
}

/** Calls the server. @throws ApiError with the server's own words; status 0 where it cannot be reached */
export async function call<T>(path: string, options: CallOptions = {}): Promise<T> {
  const body = options.json === undefined ? options.text : JSON.stringify(options.json);
  let response: Response;
  try {
    response = await fetch(path, {
      method: options.method ?? "GET",
      ...(body === undefined ? {} : { body, headers: { "content-type": "application/json" } }),
      keepalive: options.keepalive ?? false,
    });
  } catch {
    throw new ApiError(0, "The Crenna server cannot be reached. Is it still running?", {});
  }
  const value: unknown = await response.json().catch(() => null);
  if (response.ok) return value as T;
  const details = typeof value === "object" && value !== null ? (value as Record<string, unknown>) : {};
  const message =
    typeof details.detail === "string" ? details.detail : `The server answered ${response.status}.`;
  throw new ApiError(response.status, message, details);
}

export const messageOf = (error: unknown): string => (error instanceof Error ? error.message : String(error));

/** Hands a file to the browser to be saved. */
export function saveFile(name: string, content: BlobPart, type: string): void {
  const url = URL.createObjectURL(new Blob([content], { type }));
  const link = document.createElement("a");
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}
