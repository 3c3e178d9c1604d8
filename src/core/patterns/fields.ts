import { boolean, type ObjectSchema, type Schema } from "yup";
import type { Mix } from "../job";
import type { ParamSpec } from "../params";
import { fields, one, size, text } from "../shape";

/** One setting of a pattern as a plain control. */
export type FieldSpec =
  | ({ readonly kind: "number" } & ParamSpec)
  | {
      readonly kind: "choice";
      readonly label: string;
      readonly about: string;
      /** Value and what it is called. */
      readonly options: readonly (readonly [value: string, label: string])[];
      readonly default: string;
    }
  | {
      readonly kind: "text";
      readonly label: string;
      readonly about: string;
      readonly most: number;
      readonly default: string;
    }
  | { readonly kind: "yes"; readonly label: string; readonly about: string; readonly default: boolean }
  /** One of the job's mixes, by id; a new pattern takes the mix at this place of the palette. */
  | { readonly kind: "mix"; readonly label: string; readonly about: string; readonly startAt: number };

export type FieldSpecs = Readonly<Record<string, FieldSpec>>;

type ValueOf<S extends FieldSpec> = S extends { kind: "number" }
  ? number
  : S extends { kind: "yes" }
    ? boolean
    : string;
export type FieldValues<S extends FieldSpecs> = { readonly [K in keyof S]: ValueOf<S[K]> };

function schemaOfField(spec: FieldSpec): Schema {
  switch (spec.kind) {
    case "number":
      return size(...spec.range);
    case "choice":
      return one(spec.options.map(([value]) => value));
    case "text":
      return text(spec.most);
    case "yes":
      return boolean().strict().required();
    case "mix":
      return text(120);
  }
}

/** Checks settings made of these controls; anything unknown is refused. */
export const schemaOfFields = (specs: FieldSpecs): ObjectSchema<object> =>
  fields(Object.fromEntries(Object.entries(specs).map(([name, spec]) => [name, schemaOfField(spec)])));

/** The settings a new pattern starts with. */
export const startOfFields = <S extends FieldSpecs>(specs: S, mixes: readonly Mix[]): FieldValues<S> =>
  Object.fromEntries(
    Object.entries(specs).map(([name, spec]) => [
      name,
      spec.kind === "mix" ? (mixes[spec.startAt]?.id ?? mixes[0]?.id ?? "") : spec.default,
    ]),
  ) as FieldValues<S>;

/** Settings made of these controls, every mix they name changed. */
export const mapMixesOfFields = <P extends Readonly<Record<string, unknown>>>(
  specs: FieldSpecs,
  params: P,
  change: (mixId: string) => string,
): P =>
  Object.fromEntries(
    Object.entries(params).map(([name, value]) => [
      name,
      specs[name]?.kind === "mix" && typeof value === "string" ? change(value) : value,
    ]),
  ) as P;
