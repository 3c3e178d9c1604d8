import { parseRequest, type WorkerAnswer } from "../../worker/protocol";
import type { Question } from "../../worker/question";
import { questions, type QuestionId } from "../../worker/questions";
import { afterEveryTest } from "./leftovers";

interface Asked {
  readonly id: number;
  readonly kind: string;
  readonly input: unknown;
}

/** Stands for the page's workers: keeps what was asked, and answers when a test says so, by the real questions. */
export class FakeWorker {
  static readonly made: FakeWorker[] = [];
  /** Kinds that are answered as soon as they are asked. */
  static readonly ready = new Set<QuestionId>();

  readonly asked: Asked[] = [];
  readonly cancelled: number[] = [];
  onmessage: ((event: { data: WorkerAnswer }) => void) | null = null;
  onerror: ((event: { message: string }) => void) | null = null;

  constructor() {
    FakeWorker.made.push(this);
  }

  /** Everything asked of any worker, of one kind, first to last. */
  static of(kind: QuestionId): (Asked & { readonly worker: FakeWorker })[] {
    return FakeWorker.made.flatMap((worker) =>
      worker.asked.filter((one) => one.kind === kind).map((one) => ({ ...one, worker })),
    );
  }

  postMessage(message: unknown): void {
    const request = this.parsed(structuredClone(message));
    if (!request) return;
    if (request.kind === "cancel") {
      this.cancelled.push(request.id);
      return;
    }
    this.asked.push(request);
    if (FakeWorker.ready.has(request.kind)) void this.answer(request.id);
  }

  /** As the worker has it: what is no question of its own fails, and nobody is thrown at. */
  private parsed(message: unknown): ReturnType<typeof parseRequest> | null {
    try {
      return parseRequest(message);
    } catch (error) {
      this.tell({ kind: "failed", id: (message as Asked).id, message: (error as Error).message });
      return null;
    }
  }

  tell(answer: WorkerAnswer): void {
    this.onmessage?.({ data: answer });
  }

  /** Works on a question as the worker would. */
  async answer(id: number): Promise<void> {
    const { kind, input } = this.asked.find((one) => one.id === id)!;
    const wanted = () => Promise.resolve(!this.cancelled.includes(id));
    const part = (value: unknown) => this.tell({ kind: "part", id, value });
    try {
      const question: Question = questions[kind as QuestionId];
      const value = await question.run(input, { wanted, part });
      this.tell(value === null ? { kind: "dropped", id } : { kind: "answer", id, value });
    } catch (error) {
      this.tell({ kind: "failed", id, message: (error as Error).message });
    }
  }
}

// Workers are kept as long as the page's modules are: the next test has its own questions alone. Whoever still waits for
// an answer is told that there will be none: pictures that are made in turn would wait for it in the next test too.
afterEveryTest.add(() => {
  FakeWorker.ready.clear();
  for (const worker of FakeWorker.made)
    for (const { id } of [...worker.asked]) worker.tell({ kind: "dropped", id });
  for (const { asked, cancelled } of FakeWorker.made) asked.length = cancelled.length = 0;
});
