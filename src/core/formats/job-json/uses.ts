import { ValidationError } from "yup";
import type { ParamSpecs } from "../../params";
import { hides, isHideId } from "../../hides";
import { forms, isFormId } from "../../surface/forms";
import { isTechniqueId, techniques } from "../../techniques";
import { each, eachCoat, isFields, type Fields } from "./steps/fields";

/** What is known of a technique, form or hide: its version and the ranges of its settings. */
interface Known {
  readonly version: number;
  readonly params: ParamSpecs;
}

const formOf = (id: unknown): Known | null => (typeof id === "string" && isFormId(id) ? forms[id] : null);
const hideOf = (id: unknown): Known | null => (typeof id === "string" && isHideId(id) ? hides[id] : null);
const techniqueOf = (id: unknown): Known | null =>
  typeof id === "string" && isTechniqueId(id) ? techniques[id] : null;

/** Settings that lie beyond their own ranges. */
function beyond(
  use: Fields,
  { params }: Known,
): [name: string, value: number, range: readonly [number, number]][] {
  const given = isFields(use.params) ? use.params : {};
  return Object.entries(params).flatMap(
    ([name, { range }]): [string, number, readonly [number, number]][] => {
      const value = Object.hasOwn(given, name) ? given[name] : undefined;
      if (typeof value !== "number" || (value >= range[0] && value <= range[1])) return [];
      return [[name, value, range]];
    },
  );
}

function problemsOf(
  use: unknown,
  path: string,
  what: string,
  find: (id: unknown) => Known | null,
): ValidationError[] {
  if (!isFields(use)) return [];
  const known = find(use.id);
  const problem = (message: string, at: string) => new ValidationError(`${at} ${message}`, use, at);
  if (!known) return [problem(`is no ${what} that is known here`, `${path}.id`)];
  const late =
    typeof use.version === "number" && use.version > known.version
      ? [problem(`must be at most ${known.version}`, `${path}.version`)]
      : [];
  return [
    ...late,
    ...beyond(use, known).map(([name, value, [least, most]]) =>
      problem(`must be ${least} to ${most}, got ${value}`, `${path}.params.${name}`),
    ),
  ];
}

/** More coats than any list may have are not looked at: the list is refused as a whole. */
const MOST_LOOKED_AT = 64;

const coatsOf = (holder: Fields, path: string, lists: readonly string[]) =>
  lists.flatMap((list) => {
    const coats = holder[list];
    return Array.isArray(coats)
      ? coats
          .slice(0, MOST_LOOKED_AT)
          .flatMap((coat: unknown, at) =>
            isFields(coat)
              ? problemsOf(coat.technique, `${path}${list}[${at}].technique`, "technique", techniqueOf)
              : [],
          )
      : [];
  });

/** What is wrong with the form, the hide and the techniques of a surface: ids, versions, settings beyond their own ranges. */
export function useProblems([at, surface]: readonly [path: string, value: unknown]): ValidationError[] {
  if (!isFields(surface)) return [];
  const path = at === "" ? "" : `${at}.`;
  const variants = Array.isArray(surface.variants) ? surface.variants.slice(0, MOST_LOOKED_AT) : [];
  return [
    ...("form" in surface ? problemsOf(surface.form, `${path}form`, "form", formOf) : []),
    ...("hide" in surface ? problemsOf(surface.hide, `${path}hide`, "hide", hideOf) : []),
    ...coatsOf(surface, path, ["coats", "parked"]),
    ...variants.flatMap((variant: unknown, index) =>
      isFields(variant) ? coatsOf(variant, `${path}variants[${index}].`, ["coats"]) : [],
    ),
  ];
}

/** A use with its settings held inside their ranges; the same one where they are. */
function held(use: unknown, find: (id: unknown) => Known | null): unknown {
  const known = isFields(use) ? find(use.id) : null;
  if (!isFields(use) || !known) return use;
  const changes = beyond(use, known).map(
    ([name, value, [least, most]]) => [name, Math.min(most, Math.max(least, value))] as const,
  );
  return changes.length === 0
    ? use
    : { ...use, params: { ...(use.params as object), ...Object.fromEntries<number>(changes) } };
}

/**
 * A stored job with its settings inside the ranges they have today: a range that was made narrower since it was stored
 * must not shut a painter out of their own work. What comes from elsewhere is refused instead.
 */
export function heldInRange(job: unknown): unknown {
  if (!isFields(job)) return job;
  const coats = eachCoat(job, (coat) => ({ ...coat, technique: held(coat.technique, techniqueOf) }));
  return {
    ...coats,
    surfaces: each(coats.surfaces, (one) => ({
      ...one,
      form: held(one.form, formOf),
      hide: held(one.hide, hideOf),
    })),
  };
}
