// Types alone: who asks must not load what the worker computes with.
import type { QuestionAnswer, QuestionInput, QuestionPart, WorkerAnswer, WorkerRequest } from "./protocol";
import type { QuestionId } from "./questions";

/** After these nothing more is heard of a question. */
const isLast = ({ kind }: WorkerAnswer): boolean => kind !== "part" && kind !== "progress";

/** What whoever asked wants to hear; what is left out is not told. */
export interface Hearing<K extends QuestionId> {
  answer?(value: QuestionAnswer<K>, id: number): void;
  part?(value: QuestionPart<K>, id: number): void;
  progress?(done: number, total: number, id: number): void;
  /** It was stopped, or there was nothing to tell. */
  dropped?(id: number): void;
  failed?(message: string, id: number): void;
}

/** One worker and the questions it has been asked. */
export class WorkerClient {
  private readonly hearings = new Map<number, Hearing<never>>();
  private next = 1;

  constructor(private readonly worker: Worker) {
    this.worker.onmessage = (event: MessageEvent<WorkerAnswer>) => this.hear(event.data);
    this.worker.onerror = (event) => {
      const message = event.message === "" ? "The simulation could not start." : event.message;
      for (const id of [...this.hearings.keys()]) this.hear({ kind: "failed", id, message });
    };
  }

  private hear(answer: WorkerAnswer): void {
    const { id } = answer;
    const hearing = this.hearings.get(id);
    if (isLast(answer)) this.hearings.delete(id);
    switch (answer.kind) {
      case "part":
        return hearing?.part?.(answer.value, id);
      case "progress":
        return hearing?.progress?.(answer.done, answer.total, id);
      case "answer":
        return hearing?.answer?.(answer.value as never, id);
      case "dropped":
        return hearing?.dropped?.(id);
      case "failed":
        return hearing?.failed?.(answer.message, id);
    }
  }

  /** Asks; what comes of it goes to the hearing. @returns the id, for `cancel` */
  ask<K extends QuestionId>(kind: K, input: QuestionInput<K>, hearing: Hearing<K>): number {
    const id = this.next++;
    this.hearings.set(id, hearing);
    const request = { kind, id, input } as unknown as WorkerRequest;
    this.worker.postMessage(request);
    return id;
  }

  cancel(id: number): void {
    this.worker.postMessage({ kind: "cancel", id });
  }

  /** Stops listening without stopping the work. */
  forget(id: number): void {
    this.hearings.delete(id);
  }
}
