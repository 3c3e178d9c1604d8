import { FIRST_FIGURE, type Figure, type Job, type OwnScheme, type Paint, type Surface } from "../job";
import { newJob, newPlainSurface, pieceName } from "../newJob";
import type { Painter } from "../painter";
import { isFormId, type FormId } from "../surface/forms";
import { paintByScheme } from "./ownSchemes";
import { freeId } from "./surfaces";

/** The piece schemes are shown on that do not tell theirs. */
const PLAIN: FormId = "sleeve";

/** What the new job is called, and who paints it. */
export interface SchemeJob {
  readonly id: string;
  readonly name: string;
  readonly painter: Painter;
}

/** What is known of the figure that schemes were painted on: its sizes are the first one's that tells them. */
function figureFor(figure: Figure, schemes: readonly OwnScheme[]): Figure {
  const brief = schemes.find(({ piece }) => piece)?.piece;
  const notes = schemes.map((scheme) => scheme.notes).filter((one) => one !== "");
  const known = { ...figure, body: null, notes: notes.join("\n\n").slice(0, 20_000) };
  if (!brief) return known;
  const { eyeHeightMm, standard, primer, viewingDistanceMm, lamp } = brief;
  return { ...known, eyeHeightMm, standard, primer, viewingDistanceMm, lamp };
}

/** The bare piece a scheme was kept from, or a plain one. */
function bareFor(scheme: OwnScheme, job: Job): Surface {
  const formId = scheme.piece && isFormId(scheme.piece.form.id) ? scheme.piece.form.id : PLAIN;
  const id = freeId(formId === "cone-band" ? "skirt" : formId, job.surfaces);
  const name = scheme.from?.surface ?? pieceName(formId);
  const plain = newPlainSurface(id, name, formId, [], FIRST_FIGURE);
  const { form, hide, groundwork, growth, wear, volumes } = scheme.piece ?? plain;
  return { ...plain, form, hide, groundwork, growth, wear, volumes, coats: [] };
}

/**
 * A job whose pieces are painted by schemes: its figure is the first scheme's, with no body, since only pieces are known.
 * @throws InputError where a scheme's pattern cannot be laid on its own piece
 */
export function jobOfSchemes(
  schemes: readonly OwnScheme[],
  { id, name, painter }: SchemeJob,
  paints: readonly Paint[],
): Job {
  const empty = { ...newJob(id, name, painter, []), mixes: [] };
  const begun: Job = { ...empty, figures: [figureFor(empty.figures[0]!, schemes)] };
  return schemes.reduce((job, scheme) => {
    const piece = bareFor(scheme, job);
    return paintByScheme({ ...job, surfaces: [...job.surfaces, piece] }, piece.id, scheme, paints);
  }, begun);
}
