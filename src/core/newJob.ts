import {
  FIRST_FIGURE,
  figureOf,
  JOB_VERSION,
  USUAL_BENCH,
  USUAL_LAMP,
  type Coat,
  type Figure,
  type Job,
  type Mix,
  type Paint,
  type Surface,
} from "./job";
import { bodyOf, bodyUse } from "./figure/bodies";
import { offerSeat } from "./figure/offer";
import type { Painter } from "./painter";
import { hashText } from "./random";
import { forms, type FormId } from "./surface/forms";
import { USUAL_VOLUMES } from "./surface/volumes/materials";
import { USUAL_WEAR } from "./surface/wear";

/** Height of the eyes of a new figure, mm. */
const EYES_MM = 28;

/** What a new figure starts as. */
export const newFigure = (id: string, name: string): Figure => ({
  id,
  name,
  eyeHeightMm: EYES_MM,
  standard: "tabletop",
  primer: "grey",
  viewingDistanceMm: 600,
  lamp: USUAL_LAMP,
  lights: [],
  body: bodyUse("person-standing", { eyeHeightMm: EYES_MM }),
  notes: "",
  count: 1,
});

/** A base coat, everywhere. */
const baseCoat = (surfaceId: string, mixId: string, seed: number): Coat => ({
  id: `${surfaceId}-base`,
  name: "Base coat",
  technique: { id: "base-coat", version: 1, params: {} },
  mixId,
  water: 1,
  passes: 2,
  held: false,
  place: { kind: "everywhere" },
  event: null,
  role: null,
  overSeams: false,
  seed,
});

/** A surface of a form, with one base coat. */
export function newPlainSurface(
  id: string,
  name: string,
  formId: FormId,
  mixes: readonly Mix[],
  figureId = FIRST_FIGURE,
): Surface {
  const seed = hashText(id) % 10000;
  return {
    id,
    name,
    figureId,
    form: {
      id: formId,
      version: forms[formId].version,
      params: Object.fromEntries(
        Object.entries(forms[formId].params).map(([size, spec]) => [size, spec.default]),
      ),
    },
    seat: null,
    pattern: null,
    coats: [baseCoat(id, mixes[0]?.id ?? "", seed)],
    parked: [],
    variants: [],
    relief: null,
    wear: USUAL_WEAR,
    volumes: { ...USUAL_VOLUMES, material: forms[formId].material ?? USUAL_VOLUMES.material },
    growth: null,
    hide: null,
    groundwork: null,
    effort: null,
    seed,
  };
}

/** Name of a piece of a form on the figure. */
export const pieceName = (formId: FormId): string => (formId === "cone-band" ? "Skirt" : forms[formId].label);

/** Where a piece that is added to a figure is most likely worn; null where the figure has no body. */
export function seatFor(job: Job, piece: Pick<Surface, "name" | "form" | "figureId">): Surface["seat"] {
  const body = bodyOf(figureOf(job, piece));
  const others = job.surfaces.filter(({ figureId }) => figureId === piece.figureId);
  return (
    body &&
    offerSeat(
      body,
      piece,
      others.flatMap(({ seat }) => (seat ? [seat.id] : [])),
    )
  );
}

/** The job with a piece more, of usual sizes until it is measured. */
export function withNewPiece(
  job: Job,
  formId: FormId,
  figureId: string,
): { readonly job: Job; readonly surfaceId: string } {
  const taken = (id: string) => job.surfaces.some((surface) => surface.id === id);
  const base = formId === "cone-band" ? "skirt" : formId;
  // The first piece of a job needs no number.
  let number = job.surfaces.length + 1;
  const idOf = () => (number === 1 ? base : `${base}-${number}`);
  while (taken(idOf())) number++;
  const name = number === 1 ? pieceName(formId) : `${pieceName(formId)} ${number}`;
  const plain = newPlainSurface(idOf(), name, formId, job.mixes, figureId);
  const seat = seatFor(job, plain);
  const surface = { ...plain, seat, form: { ...plain.form, params: {} } };
  return { job: { ...job, surfaces: [...job.surfaces, surface] }, surfaceId: surface.id };
}

/** Whether a piece still has usual sizes that nobody measured. */
export const isUnmeasured = ({ form }: Pick<Surface, "form">): boolean =>
  Object.keys(form.params).length === 0;

/** Two mixes to start with: the lightest and the darkest opaque-looking pots at hand. */
function startMixes(paints: readonly Paint[]): Mix[] {
  const usable = paints.filter((paint) => paint.kind === "paint" && paint.state !== "out");
  const brightness = (paint: Paint) =>
    [1, 3, 5].reduce((sum, at) => sum + parseInt(paint.thick.slice(at, at + 2), 16), 0);
  const sorted = [...usable].sort((a, b) => brightness(b) - brightness(a));
  const light = sorted[Math.floor(sorted.length * 0.2)];
  const dark = sorted[Math.floor(sorted.length * 0.8)];
  return [
    {
      id: "light",
      name: "Light",
      parts: light ? [{ paintId: light.id, parts: 1 }] : [],
      water: 1,
      goal: null,
    },
    { id: "dark", name: "Dark", parts: dark ? [{ paintId: dark.id, parts: 1 }] : [], water: 1, goal: null },
  ];
}

/** A job to start from: a figure and two mixes; what is painted on it is the painter's to say. */
export function newJob(id: string, name: string, painter: Painter, paints: readonly Paint[]): Job {
  const mixes = startMixes(paints);
  return {
    format: "crenna-job",
    version: JOB_VERSION,
    id,
    name,
    figures: [newFigure(FIRST_FIGURE, "Figure")],
    hand: painter.hand,
    mixes,
    references: [],
    goals: [],
    surfaces: [],
    touching: [],
    bench: USUAL_BENCH,
  };
}
