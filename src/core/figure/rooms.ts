// Brings the light of figures' rooms to wherever this is imported: workers, scripts and tests.
import { figureOf, type Job, type Surface } from "../job";
import type { RoomLight } from "../surface/roomLight";
import { aheadOf } from "./back";
import { bringRooms, lampInRoom, type RoomMaker } from "./light";
import { inRoom, obstaclesIn, type InRoom } from "./roomLightOf";
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

bringRooms(roomOf);
