import { array, boolean, lazy, mixed, number, object, string, type ObjectShape, type Schema } from "yup";
import { HIDING } from "../../colour/paint";
import { BANDS } from "../../colour/bands";
import {
  MARK_SIDES,
  FINISHES,
  PAINT_KINDS,
  PAINT_STATES,
  PRIMERS,
  READING_PLACES,
  STANDARDS,
  type Job,
  type Paint,
} from "../../job";
import { ZONES } from "../../surface/zoneNames";
import { families, isFamilyId } from "../../patterns";
import { JOB_VERSION, upgradeJob } from "./upgrade";

const id = () =>
  string()
    .strict()
    .required()
    .matches(/^[a-z0-9][a-z0-9+_-]{0,119}$/, "${path} must be 1 to 120 small letters, digits, + - or _");
const text = (most: number) => string().strict().defined().max(most);
const name = () => string().strict().trim("${path} must not start or end with a blank").required().max(80);
const count = (min: number, max: number) => number().strict().required().integer().min(min).max(max);
const size = (min: number, max: number) => number().strict().required().min(min).max(max);
const colour = () =>
  string()
    .strict()
    .matches(/^#[0-9a-f]{6}$/i, "${path} must be # and six hexadecimal digits");
const one = (values: readonly string[]) =>
  string()
    .strict()
    .required()
    .oneOf([...values]);

/** A record of any keys whose values all fit one schema. */
const record = (value: () => Schema, key: RegExp, most = 80) =>
  lazy((given: unknown) => {
    const keys =
      typeof given === "object" && given !== null && !Array.isArray(given) ? Object.keys(given) : [];
    return object(Object.fromEntries(keys.filter((k) => key.test(k)).map((k) => [k, value()])))
      .strict()
      .required()
      .noUnknown("${path} has a key that is not allowed: ${unknown}")
      .test("count", `\${path} has more than ${most} entries`, () => keys.length <= most);
  });

const fields = (shape: ObjectShape) =>
  object(shape).strict().required().noUnknown("${path} has something unknown: ${unknown}");

const numbers = () => record(() => number().strict().required(), /^[A-Za-z0-9]{1,40}$/);
const use = () => ({ id: id(), version: count(1, 1000), params: numbers() });

const zones = () =>
  fields({
    kind: one(["zones"]),
    zones: array(one(ZONES)).strict().defined().max(4),
    fade: size(0, 1),
    fall: size(0.2, 6),
    span: fields({
      along: one(["length", "height"]),
      from: size(0, 1),
      to: size(0, 1),
      softMm: size(0, 20),
    })
      .nullable()
      .defined(),
    outline: fields({
      points: array(size(-0.2, 1.2)).strict().required().min(6).max(400),
      softMm: size(0, 20),
    })
      .nullable()
      .defined(),
    near: fields({ coatId: id(), side: one(MARK_SIDES), reachMm: size(0, 20) })
      .nullable()
      .defined(),
  });

const kindOf = (given: unknown): unknown =>
  typeof given === "object" && given !== null ? (given as { kind?: unknown }).kind : undefined;

const target = lazy((given: unknown) => {
  switch (kindOf(given)) {
    case "pattern":
      return fields({
        kind: one(["pattern"]),
        key: string()
          .strict()
          .required()
          .matches(
            /^[A-Za-z0-9][A-Za-z0-9:+_-]{0,119}$/,
            "${path} must be the key of a place of the pattern",
          ),
      });
    case "zones":
      return zones();
    default:
      return fields({ kind: one(["everywhere", "hollows", "zones", "pattern"]) });
  }
});

const coat = fields({
  id: id(),
  name: name(),
  technique: fields(use()),
  mixId: text(120),
  water: size(0, 20),
  passes: count(1, 12),
  held: boolean().strict().required(),
  target,
  role: string().strict().defined().nullable().max(120),
  overSeams: boolean().strict().required(),
  seed: count(0, 2 ** 31),
});

/** A pattern's settings are checked by its own family. */
const pattern = () =>
  lazy((given: unknown) => {
    const use = given as { readonly id?: unknown } | null | undefined;
    const family = typeof use?.id === "string" && isFamilyId(use.id) ? families[use.id]! : null;
    const shape = family
      ? { id: one([family.id]), version: count(1, family.version), params: family.schema }
      : { id: one(Object.keys(families)), version: count(1, 1000), params: mixed() };
    return fields(shape).nullable().defined();
  });
const coats = () => array(coat).strict().required().max(64);
const pictureId = () =>
  string()
    .strict()
    .required()
    .matches(/^[0-9a-f]{64}$/, "${path} must be 64 hexadecimal digits");

/** One surface of a job. */
export const surfaceSchema = fields({
  id: id(),
  name: name(),
  form: fields(use()),
  pattern: pattern(),
  coats: coats(),
  parked: coats(),
  variants: array(fields({ id: id(), name: name(), pattern: pattern(), coats: coats() }))
    .strict()
    .defined()
    .max(8),
  relief: fields({ pictureId: pictureId(), name: name(), widthMm: size(0.5, 400), depthMm: size(0, 10) })
    .nullable()
    .defined(),
  wear: fields({
    edges: size(0, 100),
    hems: size(0, 100),
    folds: size(0, 100),
    seams: size(0, 100),
    heights: size(0, 100),
    patches: size(0, 100),
  }),
  seed: count(0, 2 ** 31),
});

/** One mix of a job. */
export const mixSchema = fields({
  id: id(),
  name: name(),
  parts: array(fields({ paintId: id(), parts: count(1, 24) }))
    .strict()
    .defined()
    .max(8),
  water: size(0, 20),
  goal: colour().nullable().defined(),
});

const additions = () =>
  array(fields({ paintId: id().nullable().defined(), drops: count(1, 2000) }))
    .strict()
    .max(500);

/** One well of a job. */
export const wellSchema = fields({
  id: id(),
  name: name(),
  mixId: text(120).nullable(),
  added: additions().required(),
  content: array(fields({ paintId: id(), ul: size(0, 1e6) }))
    .strict()
    .defined()
    .max(24),
  waterUl: size(0, 1e6),
});

const reference = fields({
  id: id(),
  name: name(),
  pictureId: pictureId(),
  width: count(1, 4096),
  height: count(1, 4096),
  neutral: array(size(0.05, 20)).strict().length(3).nullable().defined(),
});

const goalColour = fields({
  id: id(),
  name: name(),
  colour: colour().required(),
  share: number().strict().nullable().defined().min(0).max(1),
  referenceId: text(120).nullable(),
});

const uniqueIds = (list: readonly { id?: unknown }[] | undefined) =>
  new Set(list?.map((entry) => entry.id)).size === (list?.length ?? 0);

/** Everything a job may hold; unknown keys are refused so that nothing is lost in silence. */
export const jobSchema = fields({
  format: one(["crenna-job"]),
  version: count(JOB_VERSION, JOB_VERSION),
  id: id(),
  name: name(),
  figure: fields({
    eyeHeightMm: size(5, 400),
    standard: one(STANDARDS),
    primer: one(PRIMERS),
    viewingDistanceMm: size(50, 5000),
    lamp: fields({ fromDeg: size(0, 360), heightDeg: size(5, 90) }),
    notes: text(20000),
    count: count(1, 500),
  }),
  hand: fields({ finestLineMm: size(0.03, 1), steadiness01: size(0, 1) }),
  mixes: array(mixSchema)
    .strict()
    .required()
    .max(200)
    .test("ids", "mixes must have different ids", uniqueIds),
  wells: array(wellSchema).strict().defined().max(60).test("ids", "wells must have different ids", uniqueIds),
  references: array(reference)
    .strict()
    .defined()
    .max(8)
    .test("ids", "references must have different ids", uniqueIds),
  targets: array(goalColour)
    .strict()
    .defined()
    .max(200)
    .test("ids", "targets must have different ids", uniqueIds),
  surfaces: array(surfaceSchema)
    .strict()
    .required()
    .max(60)
    .test("ids", "surfaces must have different ids", uniqueIds),
  touching: array(array(id()).strict().required().length(2)).strict().defined().max(400),
  log: array(
    fields({
      id: id(),
      cardId: string().strict().required().max(260),
      cardTitle: text(80),
      doneAt: string()
        .strict()
        .required()
        .matches(
          /^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d+)?Z$/,
          "${path} must be a UTC time like 2026-05-01T09:30:00Z",
        ),
      minutes: number().strict().nullable().defined().min(0).max(100000),
      note: text(4000),
      recipe: additions().nullable().defined(),
    }),
  )
    .strict()
    .required()
    .max(10000),
});

const bandValues = () => array(size(0, 100)).strict().required().length(BANDS);

const fit = fields({
  absorption: bandValues(),
  scattering: bandValues(),
  readings: array(
    fields({
      place: one(READING_PLACES),
      filmUm: number().strict().nullable().defined().min(0.5).max(2000),
      whiteParts: number().strict().nullable().defined().min(0.1).max(100),
      lab: array(size(-160, 160)).strict().required().length(3),
    }),
  )
    .strict()
    .required()
    .max(40),
  meanDifference: size(0, 200),
  largestDifference: size(0, 200),
});

export const paintSchema = fields({
  id: id(),
  name: name(),
  range: text(80),
  kind: one(PAINT_KINDS),
  state: one(PAINT_STATES),
  thick: colour().required(),
  overWhite: colour().nullable().defined(),
  overBlack: colour().nullable().defined(),
  hiding: one(HIDING),
  finish: one(FINISHES),
  strength: size(0.2, 5),
  dropUl: size(5, 200),
  fit: fit.nullable().defined().default(undefined),
});

/** Reads a job of any version. @throws ValidationError with every problem, each naming its place */
export const parseJob = (value: unknown): Job =>
  jobSchema.validateSync(upgradeJob(value), { abortEarly: false }) as unknown as Job;
/** @throws ValidationError with every problem, each naming its place */
export const parsePaint = (value: unknown): Paint =>
  paintSchema.validateSync(value, { abortEarly: false }) as unknown as Paint;
