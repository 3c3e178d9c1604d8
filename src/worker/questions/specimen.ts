import { boolean, object } from "yup";
import { SEEN_POINTS } from "../../core/piece/mesh";
import { bleed, standPiece, type StandingPiece } from "../../core/piece/standing";
import { stillOf, type PieceView, type StillPiece } from "../../core/piece/still";
import { buildUp } from "../../core/simulate/planes";
import {
  specimenOf,
  type LaidSurface,
  type Simulator,
  type Specimen,
  type SpecimenRequest,
} from "../../core/simulate/simulator";
import { bringHeights } from "../heights";
import { defineQuestion } from "../question";
import { pieceViewField } from "../pieceView";
import { laid, simulator, skinOf } from "../simulation";
import { specimenRequestField } from "../specimenRequest";
import { takeSteps, type Steps } from "../steps";

/** The surface painted, and how it stands in space or a still picture of that where it was asked for. */
interface Painted {
  readonly specimen: Specimen;
  readonly standing: StandingPiece | null;
  readonly still: StillPiece | null;
}

/** The picture as it comes: small first, then full with the thickest films in it, µm. */
export type SpecimenPart =
  | ({ readonly kind: "preview" } & Painted)
  | ({ readonly kind: "full"; readonly mostUm: number } & Painted);

export interface SpecimenInput {
  readonly request: SpecimenRequest;
  /** Whether the full picture is wanted too, and what each coat did. */
  readonly full: boolean;
  /** Whether it is to be drawn in space: its colours then come without any light. */
  readonly standing?: boolean;
  /** From where a still picture of it in space is wanted too, and whether under the lamp. */
  readonly still?: { readonly view: PieceView; readonly lit: boolean };
}

/** The first still picture is smaller and of fewer points: it has to be there at once. */
const QUICK = { mostPx: 260, mostPoints: 20_000 } as const;
/** The full one as it was asked for. */
const WHOLE = { mostPx: Infinity, mostPoints: SEEN_POINTS } as const;

function paint(
  sim: Simulator,
  { request, standing, still }: SpecimenInput,
  surface: LaidSurface,
  { mostPx, mostPoints }: { readonly mostPx: number; readonly mostPoints: number },
): Painted {
  if (still) {
    const skin = skinOf(sim, { ...request, lit: still.lit }, surface);
    const view = { ...still.view, mostPx: Math.min(mostPx, still.view.mostPx) };
    // A copy goes to the page: the piece can be turned without painting it anew.
    const specimen = specimenOf(skin.rgba.slice(), surface);
    return { specimen, standing: null, still: stillOf(skin, view, mostPoints) };
  }
  if (!standing) return { specimen: sim.picture(request, surface), standing: null, still: null };
  const skin = sim.skin(request, surface);
  bleed(skin.rgba, skin.grid.width);
  return { specimen: specimenOf(skin.rgba, surface), standing: standPiece(skin), still: null };
}

/** What is handed over rather than copied. */
function buffersOf({ specimen, standing, still }: Painted): ArrayBuffer[] {
  if (still) return [specimen.rgba.buffer, still.picture.rgba.buffer];
  if (!standing) return [specimen.rgba.buffer];
  const { points, normals, across, places, triangles, ground, sight } = standing;
  return [specimen.rgba, points, normals, across, places, triangles, ground, sight.near].map(
    ({ buffer }) => buffer,
  );
}

/** The picture of a surface: small, full, then what each coat did; null where only the small one was wanted. */
export const specimen = defineQuestion<SpecimenInput, Steps, SpecimenPart>({
  id: "specimen",
  newestOnly: true,
  schema: object({
    full: boolean().strict().required(),
    standing: boolean().strict(),
    still: object({ view: pieceViewField().required(), lit: boolean().strict().required() }).default(
      undefined,
    ),
    request: specimenRequestField(),
  }),
  async run(input, { wanted, part }) {
    const { request, full } = input;
    const sim = await simulator;
    const { surfaceId } = request;
    await bringHeights(request.job.surfaces.filter((surface) => surface.id === surfaceId));
    const coarse = await sim.lay(request, true, wanted);
    if (!coarse) return null;
    const preview = paint(sim, input, coarse, QUICK);
    part({ kind: "preview", ...preview }, buffersOf(preview));
    // Small pictures of the desk need no more than this.
    if (!full) return null;
    if (laid.last?.id !== surfaceId) laid.last = { surface: coarse, id: surfaceId };
    if (!(await wanted(0, coarse.coats.length))) return null;
    const fine = await sim.lay(request, false, wanted);
    if (!fine) return null;
    laid.last = { surface: fine, id: surfaceId };
    const picture = paint(sim, input, fine, WHOLE);
    const films = fine.coats.map((one) => one.film);
    const mostUm = buildUp(films, fine.grid.inside.length).reduce((most, um) => Math.max(most, um), 0);
    part({ kind: "full", ...picture, mostUm }, buffersOf(picture));
    // What each coat did is read after the picture is there: it takes as long as a few coats.
    if (!(await wanted(0, coarse.coats.length))) return null;
    return takeSteps(sim, request, coarse);
  },
  transfers: ({ pictures }) => pictures.map((picture) => picture.buffer),
});
