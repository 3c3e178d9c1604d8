import { formatNumber } from "./units";

/** One number a technique, form or check can be set to. Controls, validation and defaults come from it. */
export interface ParamSpec {
  readonly label: string;
  /** "" for a plain count. */
  readonly unit: string;
  readonly range: readonly [min: number, max: number];
  readonly step: number;
  readonly default: number;
  /** How it is measured or what it changes, in one sentence. */
  readonly about: string;
  /** What its whole numbers stand for, from 0, where they are choices and no amounts. */
  readonly names?: readonly string[];
}

export type ParamSpecs = Readonly<Record<string, ParamSpec>>;
export type ParamValues<S extends ParamSpecs> = { readonly [K in keyof S]: number };

/** The stored values with defaults filled in and everything held inside its range. */
export function completeParams<S extends ParamSpecs>(
  specs: S,
  stored: Readonly<Record<string, number>>,
): ParamValues<S> {
  const entries = Object.entries(specs).map(([name, spec]) => {
    const value = stored[name];
    const usable = value !== undefined && Number.isFinite(value) ? value : spec.default;
    return [name, Math.min(spec.range[1], Math.max(spec.range[0], usable))];
  });
  return Object.fromEntries(entries) as ParamValues<S>;
}

/** Decimals a value is told with, so that neighbours on its slider never read alike: as many as its step has. */
const placesOf = (step: number): number => Math.min(6, (/\.(\d+)$/.exec(String(step)) ?? ["", ""])[1].length);

/** The value as it is shown, with its unit: no decimals are cut off that one step of its slider would change. */
export const valueText = ({ step, unit, names }: ParamSpec, value: number): string =>
  names?.[value] ?? `${formatNumber(value, placesOf(step))}${unit === "" ? "" : `\u202f${unit}`}`;
