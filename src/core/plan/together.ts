import { lightOf } from "../figure/light";
import type { Job, Surface } from "../job";
import { buildForm } from "../surface/forms/buildForm";
import type { RoomLight } from "../surface/roomLight";
import type { SurfaceForm } from "../surface/forms/form";
import type { Painter } from "../painter";
import { isTechniqueId, type TechniqueId } from "../techniques";
import type { Card } from "./cards";

/** Ground that sees less of the open room than this, past its own bend and everything else, is out of a brush's reach. */
const OUT_OF_REACH = 0.12;
/** Less of a piece than this out of reach is not told, share. */
const TOLD_FROM = 0.06;

/** A piece of which a part is closed off by the rest of its figure. */
export interface ClosedOff {
  readonly surfaceId: string;
  /** Share of its area, 0…1. */
  readonly share: number;
}

/** Whether a place belongs to a form. */
function isOn(form: SurfaceForm, xMm: number, yMm: number): boolean {
  const place = form.place([xMm, yMm]);
  const within =
    place.turnDeg >= 0 &&
    place.turnDeg <= form.turnDeg &&
    place.heightMm >= 0 &&
    place.heightMm <= form.slantMm;
  return within && (!form.rim || form.rim(place) > 0);
}

/** Share of a form that lies where no brush comes, 0…1. */
function closedShare(
  form: SurfaceForm,
  { columns, rows, pitchMm, originX, originY, open }: RoomLight,
): number {
  const free = open();
  let [closed, all] = [0, 0];
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      if (!isOn(form, originX + column * pitchMm, originY + row * pitchMm)) continue;
      all++;
      if (free[row * columns + column]! < OUT_OF_REACH) closed++;
    }
  return all > 0 ? closed / all : 0;
}

/** Pieces of a figure of which a brush reaches a part no more once all is put together: that is painted before. The most first. */
export function closedOff(job: Job, figureId: string): ClosedOff[] {
  const found = job.surfaces
    .filter((surface) => surface.figureId === figureId)
    .flatMap((surface): ClosedOff[] => {
      const room = lightOf(job, surface).room();
      return room ? [{ surfaceId: surface.id, share: closedShare(buildForm(surface), room) }] : [];
    });
  return found.filter(({ share }) => share >= TOLD_FROM).sort((a, b) => b.share - a.share);
}

/** Coats that can be sprayed instead of brushed where they go over so much of their piece. */
const SPRAYED: ReadonlySet<TechniqueId> = new Set(["base-coat", "layer", "glaze", "varnish"]);
const WIDE = 0.3;
/** Thinning, filling and cleaning, minutes a mix. */
const SET_UP_MINUTES = 5;
/** Less than this is no reason to change tools, minutes. */
const WORTH_MINUTES = 10;

/** What an airbrush saves on one piece. */
export interface AirbrushSaves {
  readonly surface: Surface;
  readonly coats: readonly string[];
  /** Minutes of the hand by brush, and so many less, all figures and passes. */
  readonly brushMinutes: number;
  readonly savedMinutes: number;
}

/** Pieces on which an airbrush saves time worth changing tools for, the most first; nothing is said of those that are sprayed already. */
export function airbrushSaves(
  cards: readonly Card[],
  painter: Pick<Painter, "mm2PerMinute" | "sprayedMm2PerMinute">,
): AirbrushSaves[] {
  const quicker = painter.sprayedMm2PerMinute / painter.mm2PerMinute;
  const bySurface = new Map<Surface, Card[]>();
  for (const card of cards) {
    const { id } = card.coat.technique;
    if (!isTechniqueId(id) || !SPRAYED.has(id)) continue;
    if (card.laid.coveredMm2 < WIDE * buildForm(card.surface).areaMm2) continue;
    bySurface.set(card.surface, [...(bySurface.get(card.surface) ?? []), card]);
  }
  const saves = [...bySurface].map(([surface, own]): AirbrushSaves => {
    const brushMinutes = own.reduce((sum, { handMinutes }) => sum + handMinutes, 0);
    const mixes = new Set(own.map(({ coat }) => coat.mixId)).size;
    const sprayed = brushMinutes / quicker + SET_UP_MINUTES * mixes;
    return {
      surface,
      coats: own.map(({ title }) => title),
      brushMinutes,
      savedMinutes: brushMinutes - sprayed,
    };
  });
  return saves
    .filter(({ savedMinutes }) => savedMinutes >= WORTH_MINUTES)
    .sort((a, b) => b.savedMinutes - a.savedMinutes);
}
