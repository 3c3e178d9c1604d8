import type { Schema } from "yup";
import type { StillWanted } from "../core/simulate/simulator";

/** What a question has at hand while it is worked on. */
export interface QuestionTools<Part> {
  /** Tells the page how far it is; resolves to false where the answer is not wanted any more. */
  readonly wanted: StillWanted;
  /** Sends something ahead of the answer. */
  readonly part: (value: Part, transfer?: Transferable[]) => void;
}

/**
 * One thing the page can ask of the worker: what it sends, what comes back, and how it is found. Client, validation,
 * progress and stopping follow from it.
 */
export interface Question<Input = unknown, Answer = unknown, Part = unknown> {
  readonly id: string;
  /** Checks what was sent. */
  readonly schema: Schema;
  /** A newer one of this kind ends the one before: only the newest is wanted. */
  readonly newestOnly?: boolean;
  /** It is worked on only while no other question waits for its answer: nobody looks at a clock for it. */
  readonly behind?: boolean;
  /** Null where it was stopped. */
  run(input: Input, tools: QuestionTools<Part>): Promise<Answer | null> | Answer | null;
  /** Buffers of the answer that move to the page instead of being copied. */
  transfers?(answer: Answer): Transferable[];
}

export const defineQuestion = <Input, Answer, Part = never>(
  question: Question<Input, Answer, Part>,
): Question<Input, Answer, Part> => question;

interface Runs {
  run(input: never, tools: never): unknown;
}

export type InputOf<Q extends Runs> = Parameters<Q["run"]>[0];
export type AnswerOf<Q extends Runs> = Exclude<Awaited<ReturnType<Q["run"]>>, null>;
export type PartOf<Q extends Runs> = Parameters<Q["run"]>[1] extends QuestionTools<infer Part> ? Part : never;
