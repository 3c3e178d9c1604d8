// Brings the light of figures' rooms to wherever this is imported: workers, scripts and tests.
import { figureOf, type Job, type PaintedLight, type Surface } from "../job";
import type { SpacePoint } from "../surface/forms/form";
import type { RoomLight } from "../surface/roomLight";
import { aheadOf } from "./back";
import { buildForm } from "../surface/forms/buildForm";
import type { ShedLight } from "../surface/shedLight";
import { bringRooms, lampInRoom, type RoomMaker, type ShedMaker } from "./light";
import { inRoom, obstaclesIn, type InRoom } from "./roomLightOf";
import { lightInRoom, shedLight } from "./shedOf";
import { standingFigure } from "./standingFigure";

/** What is kept of the rooms looked at last: pieces as they stand there, and their light under one lamp or another. */
class Kept<T> {
  private readonly all = new Map<string, T>();

  constructor(private readonly most: number) {}

  of(key: string, make: () => T): T {
    if (this.all.has(key)) return this.all.get(key)!;
    const made = make();
    this.all.set(key, made);
    if (this.all.size > this.most) this.all.delete(this.all.keys().next().value!);
    return made;
  }
}

const pieces = new Kept<InRoom | null>(48);
const lights = new Kept<RoomLight | null>(48);
const sheds = new Kept<ShedLight | null>(48);

function place(job: Job, surface: Surface): InRoom | null {
  const figure = figureOf(job, surface);
  const standing = standingFigure(job, figure);
  const own = standing?.pieces.findIndex((piece) => piece.surface.id === surface.id) ?? -1;
  const piece = standing?.pieces[own];
  if (!standing || !piece) return null;
  return inRoom(piece.form, piece.seating, { obstacles: obstaclesIn(standing), own }, aheadOf(figure));
}

const roomOf: RoomMaker = (job, surface, keys) =>
  lights.of(keys.light, () => {
    const piece = pieces.of(keys.place, () => place(job, surface));
    return piece?.under(lampInRoom(figureOf(job, surface))) ?? null;
  });

/** A piece that lies aside is in a room of its own. */
const ASIDE = (point: SpacePoint): SpacePoint => point;

/** The light on the very piece it sits on, where that lies aside. */
function shedAside(surface: Surface, light: PaintedLight): ShedLight | null {
  if (light.surfaceId !== surface.id) return null;
  const form = buildForm(surface);
  return shedLight({ form, seating: ASIDE, way: null, own: light }, lightInRoom(form, ASIDE, light));
}

const shedFor: ShedMaker = (job, surface, light, key) =>
  sheds.of(key, () => {
    const standing = surface.seat ? standingFigure(job, figureOf(job, surface)) : null;
    const find = (id: string) => standing?.pieces.findIndex((piece) => piece.surface.id === id) ?? -1;
    const [at, from] = [find(surface.id), standing?.pieces[find(light.surfaceId)]];
    const piece = standing?.pieces[at];
    if (!standing || !piece) return shedAside(surface, light);
    if (!from) return null;
    const way = { obstacles: obstaclesIn(standing), own: at };
    const own = light.surfaceId === surface.id ? light : null;
    const { form, seating } = piece;
    return shedLight({ form, seating, way, own }, lightInRoom(from.form, from.seating, light));
  });

bringRooms({ room: roomOf, shed: shedFor });
