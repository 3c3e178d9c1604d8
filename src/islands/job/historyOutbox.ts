import { parseLogEntry, parseSitting, parseWell } from "../../core/formats/job-json/jobSchema";
import type { LogEntry, Sitting, Well } from "../../core/job";
import { ApiError, call, messageOf } from "../../ui/api";
import { dropText, keepText, keptText } from "../../ui/browserStore";

/** Things that happen at the bench, by the name they have in addresses. */
export interface HistoryItems {
  readonly log: LogEntry;
  readonly sittings: Sitting;
  readonly wells: Well;
}
export type HistoryKind = keyof HistoryItems;

/** One thing to tell the server: put in or changed, or taken off where it is null. */
export interface Told {
  readonly kind: HistoryKind;
  readonly id: string;
  readonly item: LogEntry | Sitting | Well | null;
}

const WAIT_MS = 200;
const RETRY_MS = 2000;
const READERS = { log: parseLogEntry, sittings: parseSitting, wells: parseWell } as const;

const storeKey = (jobId: string) => `crenna-bench-${jobId}`;
const nameOf = ({ kind, id }: Pick<Told, "kind" | "id">) => `${kind}/${id}`;

/** What is waiting in the browser's own store: a full battery or a dead server takes nothing away. */
export function waitingItems(jobId: string): Told[] {
  const text = keptText(storeKey(jobId));
  if (text === null) return [];
  try {
    return (JSON.parse(text) as Told[]).map(({ kind, id, item }) => ({
      kind,
      id,
      item: item === null ? null : READERS[kind](item),
    }));
  } catch {
    // Written by something else, or cut off: nothing of it can be told.
    return [];
  }
}

export interface OutboxState {
  readonly waiting: number;
  /** Why it cannot be told now; it is tried again. */
  readonly problem: string | null;
  /** What the server will never take, and why; null where it took everything. It is not tried again. */
  readonly refused: string | null;
}

/** Nothing waits, nothing was refused. */
export const ALL_TOLD: OutboxState = { waiting: 0, problem: null, refused: null };

/** Tells the server what happened, one thing after another, again and again until it has heard. */
export class Outbox {
  private readonly items = new Map<string, Told>();
  private timer: ReturnType<typeof setTimeout> | null = null;
  private sending = false;

  constructor(
    private readonly jobId: string,
    private readonly changed: (state: OutboxState) => void,
    private readonly heard: () => void = () => undefined,
  ) {
    for (const told of waitingItems(jobId)) this.items.set(nameOf(told), told);
    if (this.items.size > 0) this.schedule(0);
  }

  /** Everything that waits, in the order it happened. */
  all(): readonly Told[] {
    return [...this.items.values()];
  }

  tell(told: Told): void {
    this.items.set(nameOf(told), told);
    this.keep();
    this.changed({ ...ALL_TOLD, waiting: this.items.size });
    this.schedule(WAIT_MS);
  }

  /** Sends what waits while the page is left. */
  leave(): void {
    for (const told of this.items.values()) void this.send(told, true).catch(() => null);
  }

  stop(): void {
    if (this.timer !== null) clearTimeout(this.timer);
    this.timer = null;
  }

  private schedule(wait: number): void {
    this.stop();
    this.timer = setTimeout(() => void this.flush(), wait);
  }

  private keep(): void {
    if (this.items.size === 0) dropText(storeKey(this.jobId));
    else keepText(storeKey(this.jobId), JSON.stringify(this.all()));
  }

  private send({ kind, id, item }: Told, keepalive = false): Promise<unknown> {
    const address = `/api/jobs/${this.jobId}/history/${kind}/${id}`;
    return item === null
      ? call(address, { method: "DELETE", keepalive })
      : call(address, { method: "PUT", json: item, keepalive });
  }

  private async flush(): Promise<void> {
    this.timer = null;
    if (this.sending) return;
    this.sending = true;
    let [problem, refused]: (string | null)[] = [null, null];
    for (const told of this.all()) {
      try {
        await this.send(told);
      } catch (error) {
        // What the server will never take must not hold up what comes after it.
        if (!(error instanceof ApiError) || error.status !== 422) {
          problem = messageOf(error);
          break;
        }
        refused = messageOf(error);
      }
      // Changed again while it was on its way: the newer one is still to be told.
      if (this.items.get(nameOf(told)) === told) this.items.delete(nameOf(told));
    }
    this.sending = false;
    this.keep();
    this.changed({ waiting: this.items.size, problem: problem ?? null, refused: refused ?? null });
    if (problem === null) this.heard();
    if (this.items.size > 0) this.schedule(problem === null ? WAIT_MS : RETRY_MS);
  }
}
