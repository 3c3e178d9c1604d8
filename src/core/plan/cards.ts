import { activeCoats, mixById, type Coat, type Job, type Mix, type Paint, type Surface } from "../job";
import type { Painter } from "../painter";
import { InputError } from "../errors";
import { patternOf } from "../patterns/bind";
import { buildForm } from "../surface/forms/buildForm";
import type { SurfaceForm } from "../surface/forms/form";
import { isTechniqueId, techniques } from "../techniques";
import { coatPassUm } from "../techniques/passUm";
import { batchFor, type Batch } from "./drops";
import { touchDryMinutes } from "./drying";
import { figuresInOwnMix, figuresWith, unitSays, unitShareOf } from "./unitShare";
import { coatWork, type CoatWork } from "./work";

/** One bench step. */
export interface Card {
  /** Surface and coat; the log names it. */
  readonly id: string;
  readonly surface: Surface;
  readonly coat: Coat;
  readonly title: string;
  readonly mix: Mix | null;
  readonly batch: Batch | null;
  readonly work: CoatWork;
  /** Strokes, all passes and figures. */
  readonly strokes: number;
  readonly handMinutes: number;
  /** Until the next coat may follow, after the last pass. */
  readonly dryMinutes: number;
  /** What to look at before going on. */
  readonly lookAt: readonly string[];
  readonly caution: string | null;
  /** How many painted coats the surface has before this one. */
  readonly step: number;
}

function lookAt(job: Job, surface: Surface, form: SurfaceForm, coat: Coat, work: CoatWork): string[] {
  const says: string[] = [];
  const { place } = coat;
  const pattern = place.kind === "pattern" ? patternOf(surface, form, job.hand) : null;
  if (pattern && place.kind === "pattern")
    says.push(...pattern.family.lookAt(pattern.layout, place.key, work.strokes));
  if (place.kind === "hollows")
    says.push("Draw it into the folds while wet; wick up any pool before it leaves a tide mark.");
  if (place.kind === "everywhere") says.push("Look for missed spots from below and from the side.");
  if (coat.passes > 1) says.push(`${coat.passes} passes; let each dry before the next.`);
  return says;
}

/** The paint for a coat over an area, all figures together; null where there is nothing to mix. */
function batchOf(
  coat: Coat,
  mix: Mix | null,
  areaMm2: number,
  paints: readonly Paint[],
  painter: Painter,
): Batch | null {
  if (!mix || mix.parts.length === 0) return null;
  const { water, passes } = coat;
  return batchFor(mix, paints, water, areaMm2, coatPassUm(coat) * passes, passes, painter);
}

function cardFor(
  job: Job,
  surface: Surface,
  form: SurfaceForm,
  coat: Coat,
  step: number,
  paints: readonly Paint[],
  painter: Painter,
): Card {
  const work = coatWork(job, surface, form, coat, painter);
  const mix = mixById(job, coat.mixId) ?? null;
  const share = unitShareOf(job, surface, coat);
  const figures = figuresWith(share);
  const passUm = coatPassUm(coat);
  return {
    id: `${surface.id}/${coat.id}`,
    surface,
    coat,
    title: coat.name,
    mix,
    batch: batchOf(coat, mix, work.areaMm2 * figuresInOwnMix(share), paints, painter),
    work,
    strokes: work.strokes * coat.passes * figures,
    handMinutes: painter.setUpMinutes + work.handMinutes * coat.passes * figures,
    dryMinutes: touchDryMinutes(passUm, coat.water),
    lookAt: [...unitSays(job, surface, share), ...lookAt(job, surface, form, coat, work)],
    caution: isTechniqueId(coat.technique.id) ? techniques[coat.technique.id].caution : null,
    step,
  };
}

/** Every card in order. Surfaces that cannot be built have none; the check says why. */
export function cardsOf(job: Job, paints: readonly Paint[], painter: Painter): Card[] {
  return job.surfaces.flatMap((surface) => {
    try {
      const form = buildForm(surface);
      return activeCoats(surface).map((coat, step) =>
        cardFor(job, surface, form, coat, step, paints, painter),
      );
    } catch (error) {
      if (error instanceof InputError) return [];
      throw error;
    }
  });
}

/** Time of several cards, minutes: of the hand, and of drying. */
export interface Totals {
  readonly handMinutes: number;
  readonly dryMinutes: number;
}

/** Hand time and drying of a list of cards; passes of a coat wait for each other. */
export const totalsOf = (cards: readonly Card[]): Totals => ({
  handMinutes: cards.reduce((sum, card) => sum + card.handMinutes, 0),
  dryMinutes: cards.reduce((sum, card) => sum + card.dryMinutes * card.coat.passes, 0),
});

/** Cautions that hold for every sitting with water-based paint. */
export const SITTING_CAUTIONS = [
  "Do not lick the brush: pigments may be toxic. Follow the label of every pot.",
  "Cut the paper strip away from your hand, with a sharp blade.",
  "Dispose of rinse water by your local rules.",
] as const;
