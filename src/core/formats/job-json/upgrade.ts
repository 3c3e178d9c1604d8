import { USUAL_LAMP } from "../../job";
import { USUAL_WEAR } from "../../surface/wear";

type Fields = Readonly<Record<string, unknown>>;

const isFields = (value: unknown): value is Fields =>
  typeof value === "object" && value !== null && !Array.isArray(value);

const each = (value: unknown, change: (one: Fields) => Fields): unknown =>
  Array.isArray(value) ? value.map((one: unknown) => (isFields(one) ? change(one) : one)) : value;

/** Version 1 knew no wells, targets, goals of mixes or drops as really mixed. */
function fromVersion1(job: Fields): Fields {
  return {
    ...job,
    version: 2,
    mixes: each(job.mixes, (mix) => ({ goal: null, ...mix })),
    wells: [],
    references: [],
    targets: [],
    log: each(job.log, (entry) => ({ recipe: null, ...entry })),
  };
}

/** Version 2 without what it gained as it grew: light, places by form and marks, seams, variants, relief,
 * wear, neighbours. */
function completed(job: Fields): Fields {
  const target = (value: unknown) =>
    isFields(value) && value.kind === "zones"
      ? { fall: 1, span: null, outline: null, near: null, ...value }
      : value;
  const coat = (one: Fields): Fields => ({ overSeams: false, ...one, target: target(one.target) });
  const { figure } = job;
  return {
    touching: [],
    ...job,
    figure: isFields(figure) ? { lamp: USUAL_LAMP, ...figure } : figure,
    surfaces: each(job.surfaces, (surface) => ({
      variants: [],
      relief: null,
      wear: USUAL_WEAR,
      ...surface,
      coats: each(surface.coats, coat),
      parked: each(surface.parked, coat),
    })),
  };
}

/** A stored or sent job in today's shape; anything that is no job of an older version is handed on as it is. */
export function upgradeJob(value: unknown): unknown {
  if (!isFields(value)) return value;
  if (value.version === 1) return completed(fromVersion1(value));
  return value.version === 2 ? completed(value) : value;
}

const FINISH_OF_KIND: Readonly<Record<string, string>> = {
  metal: "satin",
  varnish: "gloss",
  medium: "gloss",
};

/** A pot out of a file of version 1, which knew neither finish nor readings. */
export const upgradePaint = (value: unknown): unknown =>
  isFields(value)
    ? { overBlack: null, finish: FINISH_OF_KIND[String(value.kind)] ?? "matt", fit: null, ...value }
    : value;
