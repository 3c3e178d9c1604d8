/** A problem with something the painter typed: which field, what is wrong, what is allowed. */
export interface Problem {
  readonly field: string;
  readonly message: string;
}

/** Thrown where input cannot be used; carries every problem found, not only the first. */
export class InputError extends Error {
  readonly problems: readonly Problem[];
  constructor(problems: readonly Problem[]) {
    super(problems.map((problem) => problem.message).join(" "));
    this.name = "InputError";
    this.problems = problems;
  }
}
