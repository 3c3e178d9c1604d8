import { mixed, number, object, ValidationError } from "yup";
import { InputError } from "../core/errors";
import type { AnswerOf, InputOf, PartOf } from "./question";
import { questions, type QuestionId, type Questions } from "./questions";

export type QuestionInput<K extends QuestionId> = InputOf<Questions[K]>;
export type QuestionAnswer<K extends QuestionId> = AnswerOf<Questions[K]>;
export type QuestionPart<K extends QuestionId> = PartOf<Questions[K]>;

/** What the page sends. Answers carry the same id. */
export type WorkerRequest =
  | {
      readonly [K in QuestionId]: { readonly kind: K; readonly id: number; readonly input: QuestionInput<K> };
    }[QuestionId]
  | { readonly kind: "cancel"; readonly id: number };

/** What comes back: parts and progress while it is worked on, and one last word. */
export type WorkerAnswer =
  | { readonly kind: "part"; readonly id: number; readonly value: unknown }
  | { readonly kind: "progress"; readonly id: number; readonly done: number; readonly total: number }
  | { readonly kind: "answer"; readonly id: number; readonly value: unknown }
  | { readonly kind: "dropped"; readonly id: number }
  | { readonly kind: "failed"; readonly id: number; readonly message: string };

const isQuestion = (kind: unknown): kind is QuestionId =>
  typeof kind === "string" && Object.hasOwn(questions, kind);

const envelope = object({
  kind: mixed()
    .required()
    .test(
      "kind",
      "kind must be a question that is known, or cancel",
      (kind) => kind === "cancel" || isQuestion(kind),
    ),
  id: number().strict().required().integer().min(0),
});

/** Checks a message at the worker's door. @throws InputError that names everything wrong */
export function parseRequest(value: unknown): WorkerRequest {
  try {
    envelope.required().validateSync(value, { abortEarly: false });
    const message = value as WorkerRequest;
    if (message.kind !== "cancel")
      questions[message.kind].schema.validateSync(message.input, { abortEarly: false });
    return message;
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    const inner = error.inner.length > 0 ? error.inner : [error];
    throw new InputError(inner.map((one) => ({ field: one.path ?? "", message: `${one.message}.` })));
  }
}
