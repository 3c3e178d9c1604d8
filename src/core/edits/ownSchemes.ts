import {
  figureOf,
  OWN_SCHEME_VERSION,
  type Coat,
  type Job,
  type Mix,
  type OwnScheme,
  type Paint,
  type SchemePiece,
  type Surface,
} from "../job";
import { deriveCoats } from "../patterns/derive";
import { mixesIn, renamedMixes } from "../patterns/mixes";
import { hashText } from "../random";
import { freeId, withSurface } from "./surfaces";

/** Mishaps after which the coat they happened to is held back: it lies there in another way. */
const HELD_BY: ReadonlySet<string | undefined> = new Set(["wrong-mix", "even"]);

/** Coats of a surface as they are to be painted the next time: without what went wrong, and without what mended it. */
export function coatsWithoutMishaps(coats: readonly Coat[]): Coat[] {
  return coats.flatMap((coat, at) => {
    if (coat.mishap || coat.mends) return [];
    return coat.held && HELD_BY.has(coats[at + 1]?.mishap) ? [{ ...coat, held: false }] : [coat];
  });
}

/** The piece a surface is, and what it is painted for. */
function pieceOf(
  job: Job,
  { form, hide, groundwork, growth, wear, volumes, ...surface }: Surface,
): SchemePiece {
  const { eyeHeightMm, standard, primer, viewingDistanceMm, lamp } = figureOf(job, surface);
  const brief = { eyeHeightMm, standard, primer, viewingDistanceMm, lamp };
  return { form, hide, groundwork, growth, wear, volumes, ...brief };
}

/** What a scheme is kept as. */
export interface KeptAs {
  readonly id: string;
  readonly name: string;
  /** ISO 8601, UTC. */
  readonly at: string;
}

/** What a surface is painted with, kept under a name of its own. */
export function schemeOf(job: Job, surface: Surface, { id, name, at }: KeptAs): OwnScheme {
  const coats = coatsWithoutMishaps(surface.coats);
  const named = new Set([...coats.map((coat) => coat.mixId), ...mixesIn(surface.pattern)]);
  return {
    id,
    version: OWN_SCHEME_VERSION,
    name,
    keptAt: at,
    from: { jobId: job.id, job: job.name, surface: surface.name },
    piece: pieceOf(job, surface),
    asPainted: false,
    notes: "",
    batches: [],
    pattern: surface.pattern,
    coats,
    mixes: job.mixes.filter((mix) => named.has(mix.id)),
  };
}

const sameMix = (a: Mix, b: Mix): boolean =>
  JSON.stringify({ ...a, id: "" }) === JSON.stringify({ ...b, id: "" });

/** The job's mixes with those of a scheme, and what each of them is called here; one that is there already is taken. */
function mixesWith(job: Job, scheme: OwnScheme): { mixes: Mix[]; nameOf: (mixId: string) => string } {
  const mixes = [...job.mixes];
  const names = new Map<string, string>();
  for (const mix of scheme.mixes) {
    const known = mixes.find((one) => sameMix(one, mix));
    const id = known?.id ?? (mixes.some((one) => one.id === mix.id) ? freeId(mix.id, mixes) : mix.id);
    if (!known) mixes.push({ ...mix, id });
    names.set(mix.id, id);
  }
  return { mixes, nameOf: (mixId) => names.get(mixId) ?? mixId };
}

/**
 * Paints a surface by an own scheme: its coats, pattern and mixes take the place of what was there. Marks fall anew, since no
 * two pieces are painted with the same strokes.
 * @throws InputError where the pattern cannot be laid on this piece
 */
export function paintByScheme(job: Job, surfaceId: string, scheme: OwnScheme, shelf: readonly Paint[]): Job {
  const { mixes, nameOf } = mixesWith(job, scheme);
  const idOf = (coatId: string) => `${surfaceId}-${hashText(coatId).toString(36)}`;
  const coats = scheme.coats.map((coat) => {
    const { place } = coat;
    const near = place.kind === "zones" ? place.near : null;
    return {
      ...coat,
      id: idOf(coat.id),
      mixId: nameOf(coat.mixId),
      place:
        place.kind === "zones" && near ? { ...place, near: { ...near, coatId: idOf(near.coatId) } } : place,
      seed: hashText(`${surfaceId}/${coat.seed}`) % 100000,
    };
  });
  const pattern = scheme.pattern && renamedMixes(scheme.pattern, nameOf);
  const painted = withSurface({ ...job, mixes }, surfaceId, (surface) => ({
    ...surface,
    pattern,
    coats,
    parked: [],
  }));
  return pattern ? deriveCoats(painted, shelf, null) : painted;
}
