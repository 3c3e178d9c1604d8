import { parseRequest, type WorkerAnswer, type WorkerRequest } from "./protocol";
import type { Question } from "./question";
import { questions } from "./questions";
import "./simulation";

declare const self: DedicatedWorkerGlobalScope;

/** Newest of the questions of each kind of which only the newest is wanted. */
const newest = new Map<string, number>();
/** Questions being worked on, and those of them that are not wanted any more. */
const open = new Set<number>();
const cancelled = new Set<number>();

/** How many open questions come before those that stand behind. */
let ahead = 0;
const LOOK_AGAIN_MS = 25;

/** Waits until nothing else is asked. */
async function lastInLine(current: () => boolean): Promise<void> {
  while (ahead > 0 && current()) await new Promise((resolve) => setTimeout(resolve, LOOK_AGAIN_MS));
}

const send = (answer: WorkerAnswer, transfer: Transferable[] = []) => self.postMessage(answer, transfer);

/** Lets waiting messages in, so that a newer request can stop an older one. */
const breathe = () =>
  new Promise<void>((resolve) => {
    const channel = new MessageChannel();
    channel.port1.onmessage = () => {
      channel.port1.close();
      resolve();
    };
    channel.port2.postMessage(null);
  });

async function work(question: Question, id: number, input: unknown): Promise<void> {
  if (question.newestOnly) newest.set(question.id, id);
  const current = () => !cancelled.has(id) && (!question.newestOnly || newest.get(question.id) === id);
  const wanted = async (done: number, total: number) => {
    send({ kind: "progress", id, done, total });
    await breathe();
    if (question.behind) await lastInLine(current);
    return current();
  };
  const part = (value: unknown, transfer: Transferable[] = []) => send({ kind: "part", id, value }, transfer);
  // Edits that came while another was worked on: only the last of them is begun.
  if (question.newestOnly) await breathe();
  const answer = current() ? await question.run(input, { wanted, part }) : null;
  if (answer === null) send({ kind: "dropped", id });
  else send({ kind: "answer", id, value: answer }, question.transfers?.(answer) ?? []);
}

async function handle(message: WorkerRequest): Promise<void> {
  const { id } = message;
  if (message.kind === "cancel") {
    if (open.has(id)) cancelled.add(id);
    return;
  }
  open.add(id);
  const question: Question = questions[message.kind];
  if (!question.behind) ahead++;
  try {
    await work(question, id, message.input);
  } finally {
    if (!question.behind) ahead--;
    open.delete(id);
    cancelled.delete(id);
  }
}

self.onmessage = (event: MessageEvent<unknown>) => {
  const id = (event.data as { id?: unknown } | null)?.id;
  const answerId = typeof id === "number" ? id : -1;
  const fail = (error: unknown) =>
    send({ kind: "failed", id: answerId, message: error instanceof Error ? error.message : String(error) });
  try {
    handle(parseRequest(event.data)).catch(fail);
  } catch (error) {
    fail(error);
  }
};
