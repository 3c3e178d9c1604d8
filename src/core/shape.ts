import { array, lazy, mixed, number, object, string, tuple } from "yup";
import type { AnyObject, InferType, ISchema, Lazy, ObjectSchema, ObjectShape } from "yup";

/** What a schema lets through, read-only to the bottom: types of stored things come from their schemas. */
export type Shape<S extends ISchema<unknown>> = Deep<InferType<S>>;

type Deep<T> = T extends object ? { readonly [K in keyof T]: Deep<T[K]> } : T;

/** Keys as they are written; anything else is refused, so that nothing is lost in silence. */
export const fields = <S extends ObjectShape>(shape: S) =>
  object(shape).strict().required().noUnknown("${path} has something unknown: ${unknown}");

/** Name of a thing inside a job: small letters and digits. */
export const id = () =>
  string()
    .strict()
    .required()
    .matches(/^[a-z0-9][a-z0-9+_-]{0,119}$/, "${path} must be 1 to 120 small letters, digits, + - or _");

/** Text that may be empty, with its longest length. */
export const text = (most: number) => string().strict().defined().max(most);

/** A name on screen. */
export const name = () =>
  string().strict().trim("${path} must not start or end with a blank").required().max(80);

/** A number with its range, ends included. */
export const size = (min: number, max: number) => number().strict().required().min(min).max(max);

/** A whole number with its range. */
export const whole = (min: number, max: number) => size(min, max).integer();

/** "#rrggbb". */
export const colour = () =>
  string()
    .strict()
    .required()
    .matches(/^#[0-9a-f]{6}$/i, "${path} must be # and six hexadecimal digits");

/** One of some words. */
export const one = <const T extends string>(values: readonly T[]) =>
  string()
    .strict()
    .required()
    .oneOf([...values]);

/** SHA-256 of something's bytes, hexadecimal. */
export const contentId = () =>
  string()
    .strict()
    .required()
    .matches(/^[0-9a-f]{64}$/, "${path} must be 64 hexadecimal digits");

/** ISO 8601, UTC. */
export const utcTime = () =>
  string()
    .strict()
    .required()
    .matches(
      /^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d+)?Z$/,
      "${path} must be a UTC time like 2026-05-01T09:30:00Z",
    );

/** Three numbers of one range. */
export const triple = (min: number, max: number) =>
  tuple([size(min, max), size(min, max), size(min, max)])
    .typeError("${path} must be three numbers")
    .strict();

const keysOf = (given: unknown): string[] =>
  typeof given === "object" && given !== null && !Array.isArray(given) ? Object.keys(given) : [];

/** What a schema that waits for its value stands for, for those who ask without one. */
export type Waiting =
  | { readonly kind: "record"; readonly value: ISchema<unknown>; readonly key: RegExp; readonly most: number }
  | { readonly kind: "kinds"; readonly shapes: readonly ISchema<unknown>[] }
  | { readonly kind: "list"; readonly full: ISchema<unknown> };

const waiting = new WeakMap<object, Waiting>();

/** What a lazy schema of `record`, `oneOfKind` or a list stands for; undefined for any other. */
export const waitingFor = (schema: object): Waiting | undefined => waiting.get(schema);

/** Any keys of one form whose values all fit one schema. */
export function record<T>(value: ISchema<T>, key: RegExp, most = 80): Lazy<Record<string, T>> {
  const tooMany = mixed().test("count", `\${path} has more than ${most} entries`, () => false);
  const schema = lazy((given: unknown) => {
    const keys = keysOf(given);
    if (keys.length > most) return tooMany as unknown as ObjectSchema<object>;
    return object(Object.fromEntries(keys.filter((k) => key.test(k)).map((k) => [k, value])) as ObjectShape)
      .strict()
      .required()
      .noUnknown("${path} has a key that is not allowed: ${unknown}");
  });
  waiting.set(schema, { kind: "record", value, key, most });
  return schema;
}

const kindOf = (given: unknown): string =>
  typeof given === "object" && given !== null ? String((given as { kind?: unknown }).kind) : "";

/** One of several shapes, told apart by the word in `kind`. */
export function oneOfKind<S extends Readonly<Record<string, ISchema<unknown>>>>(
  kinds: S,
): Lazy<InferType<S[keyof S]>> {
  const none = fields({ kind: one(Object.keys(kinds)) });
  const schema = lazy((given: unknown) => {
    const kind = kindOf(given);
    return (Object.hasOwn(kinds, kind) ? kinds[kind]! : none) as ISchema<unknown, AnyObject>;
  });
  waiting.set(schema, { kind: "kinds", shapes: Object.values(kinds) });
  return schema;
}

const differ = (list: readonly ({ readonly id?: unknown } | null)[] | undefined) =>
  new Set(list?.map((entry) => entry?.id)).size === (list?.length ?? 0);

const atMost = "${path} must have at most ${max} entries";

/** A list that is counted before anything in it is looked at: a hundred thousand of nothing cost nothing. */
export function manyOf<S extends ISchema<unknown>>(of: S, most: number, least = 0) {
  const full = array(of as unknown as ISchema<InferType<S>, AnyObject>)
    .strict()
    .defined()
    .min(least)
    .max(most, atMost);
  return counted(full, most);
}

/** The same, or null for none. */
export function manyOrNull<S extends ISchema<unknown>>(of: S, most: number) {
  const full = array(of as unknown as ISchema<InferType<S>, AnyObject>)
    .strict()
    .defined()
    .max(most, atMost)
    .nullable();
  return counted(full, most);
}

/** The same, or left out. */
export function manyIfAny<S extends ISchema<unknown>>(of: S, most: number) {
  const full = array(of as unknown as ISchema<InferType<S>, AnyObject>)
    .strict()
    .max(most, atMost)
    .optional();
  return counted(full, most);
}

/** A list of things with ids of their own. */
export function listOf<S extends ISchema<{ readonly id: string }>>(
  of: S,
  what: string,
  most: number,
  least = 0,
) {
  const full = array(of as unknown as ISchema<InferType<S>, AnyObject>)
    .strict()
    .defined()
    .min(least)
    .max(most, atMost)
    .test("ids", `${what} must have different ids`, differ);
  return counted(full, most);
}

function counted<S extends ISchema<unknown>>(full: S, most: number): S {
  const tooMany = array().strict().max(most, atMost);
  const schema = lazy((given: unknown) =>
    Array.isArray(given) && given.length > most ? tooMany : (full as unknown as typeof tooMany),
  );
  waiting.set(schema, { kind: "list", full });
  return schema as unknown as S;
}
