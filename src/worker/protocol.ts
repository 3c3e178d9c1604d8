import { array, boolean, mixed, number, object, string, ValidationError } from "yup";
import { parseJob, parsePaint } from "../core/formats/job-json/jobSchema";
import { parsePainter } from "../core/painterSchema";
import { InputError } from "../core/errors";
import type { FoundGlaze, ToneGoal } from "../core/colour/glazeFinder";
import type { MainColour, Neutral } from "../core/colour/mainColours";
import type { SeenAs } from "../core/colour/seenAs";
import type { Triple } from "../core/colour/spaces";
import type { Job, Paint } from "../core/job";
import type { BaseHue } from "../core/checks/seen";
import type { Painter } from "../core/painter";
import type { Section, SectionLine } from "../core/simulate/section";
import type { Specimen, SpecimenRequest } from "../core/simulate/simulator";
import { schemeIds, type SchemeId } from "../core/schemes";
import { AGES, LOOKS, type SchemeAnswers } from "../core/schemes/scheme";
import type { StartPlan } from "../core/schemes/start";
import { BANDS } from "../core/colour/bands";
import type { MixAnswer, ScaledPicture } from "./paletteTasks";

/** What the page asks of the worker. Answers carry the same id. */
export type WorkerRequest =
  | {
      readonly kind: "specimen";
      readonly id: number;
      readonly request: SpecimenRequest;
      readonly full: boolean;
    }
  | { readonly kind: "section"; readonly id: number; readonly line: SectionLine; readonly samples: number }
  | {
      readonly kind: "mixes";
      readonly id: number;
      readonly paints: readonly Paint[];
      readonly goal: Triple;
      /** How the mix will be seen; thick where left out. */
      readonly seen?: SeenAs;
    }
  | {
      readonly kind: "glazes";
      readonly id: number;
      readonly paints: readonly Paint[];
      readonly tones: readonly ToneGoal[];
    }
  | {
      readonly kind: "start";
      readonly id: number;
      readonly job: Job;
      readonly paints: readonly Paint[];
      readonly surfaceId: string;
      readonly schemeId: SchemeId;
      readonly answers: SchemeAnswers;
    }
  | { readonly kind: "picture"; readonly id: number; readonly file: Blob }
  | {
      readonly kind: "main-colours";
      readonly id: number;
      readonly picture: Blob;
      readonly count: number;
      readonly neutral: Neutral | null;
    }
  | {
      readonly kind: "bench-pdf";
      readonly id: number;
      readonly job: Job;
      readonly paints: readonly Paint[];
      readonly painter: Painter;
    }
  | { readonly kind: "cancel"; readonly id: number };

/** What one coat does to the surface, measured on the simulated picture. */
export interface CoatEffect {
  readonly coatId: string;
  /** Share of the panel covered, 0…1. */
  readonly coveredShare: number;
  readonly meanUm: number;
  /** Share of the panel on which this coat can still be seen once all are laid, 0…1, as light through what covers it. */
  readonly showing: number;
  /** Earlier coats: how much of what each covers still shows once this one is laid, 0…1. */
  readonly earlier: readonly { readonly coatId: string; readonly share: number }[];
  /** Later coats that cover it: on what share of its marks, 0…1, how thick there, µm, and how much of it they hide, 0…1. */
  readonly above: readonly {
    readonly coatId: string;
    readonly share: number;
    readonly filmUm: number;
    readonly hides: number;
  }[];
  /** CIEDE2000 that it changes against what was there before, on the third of its places that change most. */
  readonly change: number;
  /** Mean L*a*b* of the covered places before and after. */
  readonly before: Triple;
  readonly after: Triple;
}

/** The surface after each coat, as small pictures of one size. */
export interface Steps {
  readonly width: number;
  readonly height: number;
  readonly pitchMm: number;
  readonly originX: number;
  readonly originY: number;
  /** First the primed surface, then after each painted coat. */
  readonly pictures: readonly Uint8ClampedArray<ArrayBuffer>[];
  readonly effects: readonly CoatEffect[];
  /** How the base's hue reads in the end; null where nothing is painted. */
  readonly baseHue: BaseHue | null;
  /** Surface these steps are of. */
  readonly surfaceId: string;
}

export type WorkerAnswer =
  | { readonly kind: "preview"; readonly id: number; readonly specimen: Specimen }
  | { readonly kind: "steps"; readonly id: number; readonly steps: Steps }
  | { readonly kind: "full"; readonly id: number; readonly specimen: Specimen; readonly mostUm: number }
  | { readonly kind: "progress"; readonly id: number; readonly done: number; readonly total: number }
  | { readonly kind: "section"; readonly id: number; readonly section: Section }
  | { readonly kind: "mixes"; readonly id: number; readonly answer: MixAnswer }
  | { readonly kind: "glazes"; readonly id: number; readonly glazes: readonly FoundGlaze[] }
  | { readonly kind: "start"; readonly id: number; readonly plan: StartPlan }
  | { readonly kind: "picture"; readonly id: number; readonly picture: ScaledPicture }
  | { readonly kind: "main-colours"; readonly id: number; readonly colours: readonly MainColour[] }
  | { readonly kind: "bench-pdf"; readonly id: number; readonly pdf: Uint8Array<ArrayBuffer> }
  | { readonly kind: "dropped"; readonly id: number }
  | { readonly kind: "failed"; readonly id: number; readonly message: string };

const coordinate = () => number().strict().required().min(-10000).max(10000);
const lab = () => array(number().strict().required()).length(3).required();
const spectrum = () =>
  mixed((value): value is Float64Array => value instanceof Float64Array && value.length === BANDS).required();
const blob = () => mixed((value): value is Blob => value instanceof Blob).required();
const requestId = () => number().strict().required().integer().min(0);

const schemas = {
  specimen: object({
    id: requestId(),
    full: boolean().strict().required(),
    request: object({
      surfaceId: string().strict().required(),
      upTo: number().strict().integer().min(0).nullable().defined(),
      lit: boolean().strict().required(),
      map: string().strict().oneOf(["light", "wear"]).nullable(),
      mostCells: number().strict().integer().min(10_000).max(2_000_000),
      viewMm: number().strict().min(50).max(10000).nullable(),
    }).required(),
  }),
  section: object({
    id: requestId(),
    samples: number().strict().required().integer().min(2).max(4000),
    line: object({ ax: coordinate(), ay: coordinate(), bx: coordinate(), by: coordinate() }).required(),
  }),
  mixes: object({
    id: requestId(),
    goal: lab(),
    seen: object({
      kind: string().strict().required().oneOf(["thick", "film", "under"]),
      filmUm: number().strict().min(0).max(10000),
    }).default(undefined),
  }),
  glazes: object({
    id: requestId(),
    tones: array(object({ ground: spectrum(), goal: lab() }).required())
      .min(1)
      .max(12)
      .required(),
  }),
  start: object({
    id: requestId(),
    surfaceId: string().strict().required(),
    schemeId: string().strict().required().oneOf(schemeIds),
    answers: object({
      age: string().strict().required().oneOf(AGES),
      look: string().strict().required().oneOf(LOOKS),
      colour: string()
        .strict()
        .required()
        .matches(/^#[0-9a-f]{6}$/i),
    }).required(),
  }),
  picture: object({ id: requestId(), file: blob() }),
  "main-colours": object({
    id: requestId(),
    picture: blob(),
    count: number().strict().required().integer().min(1).max(16),
    neutral: array(number().strict().required().min(0.01).max(100)).length(3).nullable().defined(),
  }),
  "bench-pdf": object({ id: requestId() }),
  cancel: object({ id: requestId() }),
} as const;

const kindSchema = object({
  kind: mixed<keyof typeof schemas>()
    .oneOf(Object.keys(schemas) as (keyof typeof schemas)[])
    .required(),
});

/** Checks a message at the worker's door. @throws InputError that names everything wrong */
export function parseRequest(value: unknown): WorkerRequest {
  try {
    return checked(value);
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    const inner = error.inner.length > 0 ? error.inner : [error];
    throw new InputError(inner.map((one) => ({ field: one.path ?? "", message: `${one.message}.` })));
  }
}

function checked(value: unknown): WorkerRequest {
  const { kind } = kindSchema.validateSync(value);
  schemas[kind].validateSync(value, { abortEarly: false });
  const message = value as WorkerRequest;
  if (message.kind === "specimen") {
    parseJob(message.request.job);
    message.request.paints.forEach(parsePaint);
  } else if (message.kind === "mixes" || message.kind === "glazes") message.paints.forEach(parsePaint);
  else if (message.kind === "start") {
    parseJob(message.job);
    message.paints.forEach(parsePaint);
  } else if (message.kind === "bench-pdf") {
    parseJob(message.job);
    message.paints.forEach(parsePaint);
    parsePainter(message.painter);
  }
  return message;
}
