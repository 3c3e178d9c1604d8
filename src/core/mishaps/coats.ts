import { freeId } from "../edits/surfaces";
import { inZones, type Coat, type Outline, type Place, type Surface, type ZonePlace } from "../job";
import { hashText } from "../random";
import type { SurfaceForm } from "../surface/forms/form";
import { techniques, type TechniqueId } from "../techniques";
import type { MishapContext } from "./mishap";

/** Corners of a circle drawn on a surface. */
const CORNERS = 28;
/** Thinner than this paint is not thinned, parts of water to one. */
const MOST_WATER = 20;

/** A circle on the laid out piece, as the job keeps an outline. @param radiusMm on the flat */
function circleAt(form: SurfaceForm, along: number, up: number, radiusMm: number, softMm: number): Outline {
  const [x, y] = form.flatten({ turnDeg: along * form.turnDeg, heightMm: up * form.slantMm });
  const share = (value: number) => Math.round(1e4 * Math.min(1.2, Math.max(-0.2, value))) / 1e4;
  const points = Array.from({ length: CORNERS }, (_, at) => {
    const angle = (2 * Math.PI * at) / CORNERS;
    const place = form.place([x + radiusMm * Math.cos(angle), y + radiusMm * Math.sin(angle)]);
    return [share(place.turnDeg / form.turnDeg), share(place.heightMm / form.slantMm)];
  });
  return { points: points.flat(), softMm };
}

/** The round place that was pressed. @param wider as many times the size told */
export function spotPlace({ form, told }: MishapContext, wider = 1, softMm = 0.15): ZonePlace {
  const outline = circleAt(form, told.along, told.up, (wider * told.amount) / 2, softMm);
  return inZones([], 0, { outline });
}

/** All that the marks of a coat cover. */
export const onMarksOf = (coatId: string): ZonePlace =>
  inZones([], 0, { near: { coatId, side: "inside", reachMm: 0.03 } });

/** The coat's own place where paint is brushed on an area; the marks it left where a pattern lays them out. */
export const areaOf = ({ id, place }: Coat): Place => (place.kind === "pattern" ? onMarksOf(id) : place);

/** What of the round place the coat itself was to cover. */
export function coatInSpot(context: MishapContext, softMm = 0.3): ZonePlace {
  const { coat } = context;
  const { outline } = spotPlace(context, 1, softMm);
  const own = areaOf(coat);
  if (own.kind === "zones") return { ...own, outline };
  return inZones(own.kind === "hollows" ? ["hollow"] : [], 0, { outline });
}

interface NewCoat {
  readonly name: string;
  readonly technique: TechniqueId;
  readonly params?: Readonly<Record<string, number>>;
  readonly mixId: string;
  readonly water: number;
  readonly passes: number;
  readonly place: Place;
}

/** What coats of a mishap and of its repair share: they belong to no pattern, and to the figures it happened to. */
function ownOf(context: MishapContext, { name, technique, params, ...rest }: NewCoat, id: string): Coat {
  const { version, startParams } = techniques[technique];
  return {
    ...{ id, name: name.slice(0, 80), held: false, event: null, role: null, overSeams: false },
    ...rest,
    technique: { id: technique, version, params: { ...startParams, ...params } },
    seed: hashText(`${context.surface.id}/${id}`) % 100000,
    mends: context.told.kind,
    ...figuresOf(context),
  };
}

/** Figures a coat is for, as the job keeps them. */
export const figuresOf = ({ told }: MishapContext): Pick<Coat, "figures"> =>
  told.figures ? { figures: [...told.figures] } : {};

/** A coat put in behind another one. */
export function after(surface: Surface, coatId: string, ...coats: readonly Coat[]): Surface {
  const at = surface.coats.findIndex(({ id }) => id === coatId);
  return { ...surface, coats: surface.coats.toSpliced(at + 1, 0, ...coats) };
}

/** The coat after which what happened lies: the last one painted, or the one it happened to. */
export function lastPainted({ surface, painted, coat }: MishapContext): string {
  return surface.coats.findLast(({ id, held }) => !held && painted.has(id))?.id ?? coat.id;
}

/** A film that is there by mishap. */
export function happenedCoat(context: MishapContext, made: NewCoat, more = 0): Coat {
  const { surface, coat, told } = context;
  const id = freeId(`${coat.id.slice(0, 40)}-${told.kind}`, surface.coats);
  const { mends, ...own } = ownOf(context, made, more === 0 ? id : `${id}-${more}`);
  return { ...own, mishap: told.kind };
}

/** The coat itself, laid as it should not have been. */
export function coatAgain(context: MishapContext, name: string, changes: Partial<Coat>): Coat {
  const { surface, coat, told } = context;
  return {
    ...coat,
    ...{ id: freeId(`${coat.id.slice(0, 40)}-${told.kind}`, surface.coats), name: name.slice(0, 80) },
    ...{ role: null, event: null, mishap: told.kind, ...figuresOf(context) },
    ...changes,
  };
}

/** Coats of a repair, put in behind all that lies there by mishap. */
export function withRepair(context: MishapContext, happened: Surface, made: readonly NewCoat[]): Surface {
  const last = happened.coats.findLast((one) => one.mishap === context.told.kind && isNew(context, one.id));
  const known = [...happened.coats];
  const coats = made.map((one) => {
    const coat = ownOf(context, one, freeId(`${context.coat.id.slice(0, 40)}-mended`, known));
    known.push(coat);
    return coat;
  });
  return after(happened, last?.id ?? lastPainted(context), ...coats);
}

/** Whether a coat was not there before the mishap. */
export const isNew = ({ surface }: MishapContext, coatId: string): boolean =>
  surface.coats.every(({ id }) => id !== coatId);

/** What is left of films that are wicked or wiped while they are wet. @param share of them, 0…1; 0 for nothing */
export function lessened(context: MishapContext, happened: Surface, share: number): Surface {
  const isIt = (coat: Coat) => coat.mishap === context.told.kind && isNew(context, coat.id);
  if (share <= 0) return { ...happened, coats: happened.coats.filter((coat) => !isIt(coat)) };
  const thinned = (coat: Coat): Coat => ({
    ...coat,
    passes: 1,
    water: Math.min(MOST_WATER, (1 + coat.water) / Math.min(1, share * coat.passes) - 1),
  });
  return { ...happened, coats: happened.coats.map((coat) => (isIt(coat) ? thinned(coat) : coat)) };
}

/** Techniques that cover what lies below; thin ones tint it. */
const COVERING: ReadonlySet<string> = new Set([
  ...["base-coat", "layer", "fill", "airbrush", "wet-blend", "line", "single-blocks", "plates"],
]);

/** The mix that lies beside and below a coat: of the last covering coat painted before it; its own where it is the first. */
export function mixBelow({ surface, coat }: MishapContext): string {
  const before = surface.coats.slice(
    0,
    surface.coats.findIndex(({ id }) => id === coat.id),
  );
  const below =
    before.findLast(({ held, technique, mishap }) => !held && !mishap && COVERING.has(technique.id)) ??
    before.findLast(({ held, mishap }) => !held && !mishap);
  return below?.mixId ?? coat.mixId;
}

/** Of the coats painted before one, the mixes by how light they come out, dark first; without the coat's own. */
export function mixesByLight({ surface, coat, looks }: MishapContext): string[] {
  const at = surface.coats.findIndex(({ id }) => id === coat.id);
  const before = new Set(surface.coats.slice(0, at).map(({ id }) => id));
  const tones = looks
    .filter((look) => before.has(look.coat.id) && !look.coat.mishap && look.coveredShare > 0.02)
    .toSorted((a, b) => a.after[0] - b.after[0])
    .map((look) => look.coat.mixId);
  return [...new Set(tones)].filter((mixId) => mixId !== coat.mixId);
}

/** Mixes to mend with: what lies below first, then others painted before, at most so many. */
export function mendingMixes(context: MishapContext, most: number): string[] {
  return [...new Set([mixBelow(context), ...mixesByLight(context)])].slice(0, most);
}

/** Name of a mix of the job. */
export const mixName = ({ job }: MishapContext, mixId: string): string =>
  job.mixes.find(({ id }) => id === mixId)?.name ?? "the tone below";
