import { figureOf, type Job, type Surface } from "../job";
import { asideUnder, type RoomLight, type SurfaceLight } from "../surface/roomLight";
import { lampVector } from "../surface/grid";
import type { SpacePoint } from "../surface/forms/form";
import type { Figure } from "../job";
import { figureKey } from "./standingFigure";

/** The job's lamp in the figure's room, a unit vector: x right, y up, z towards you. */
export function lampInRoom({ lamp }: Pick<Figure, "lamp">): SpacePoint {
  const [x, y, z] = lampVector(lamp);
  return [x, -y, z];
}

/** Short names of stands: they are parts of many keys. A number is never given twice. */
const numbers = new Map<string, number>();
const MOST_NUMBERS = 200;
let given = 0;

function numberOf(key: string): number {
  const known = numbers.get(key);
  if (known !== undefined) return known;
  const number = ++given;
  numbers.set(key, number);
  if (numbers.size > MOST_NUMBERS) numbers.delete(numbers.keys().next().value!);
  return number;
}

/** What the light of a surface's room is remembered by: where the surface is, and under which lamp. */
export interface RoomKeys {
  readonly place: string;
  readonly light: string;
}

/** Works out the light of a surface's room. */
export type RoomMaker = (job: Job, surface: Surface, keys: RoomKeys) => RoomLight | null;

let maker: RoomMaker | null = null;

/**
 * Says who works out the light of rooms: `figure/rooms`, wherever surfaces are painted. Looking along rays is heavy, and
 * pages that only tell of surfaces do without.
 */
export function bringRooms(make: RoomMaker): void {
  maker = make;
}

/** @throws Error where nobody was brought: a wrong light would be worse than none */
function roomOf(job: Job, surface: Surface, keys: RoomKeys): RoomLight | null {
  if (!maker)
    throw new Error("The light of a figure's room is worked out where surfaces are painted, not here.");
  return maker(job, surface, keys);
}

/** A short name for a figure as it stands: equal while neither its pose nor a piece's form or seat changes. */
export const standName = (job: Job, figure: Figure): number => numberOf(figureKey(job, figure));

/** The light a surface of a job stands in: that of its figure's room where it is seated, else as if it faced you. */
export function lightOf(job: Job, surface: Surface): SurfaceLight {
  const figure = figureOf(job, surface);
  if (!surface.seat || !figure.body) return asideUnder(figure.lamp);
  const place = JSON.stringify([surface.id, standName(job, figure)]);
  const light = JSON.stringify([figure.lamp, place]);
  return { key: light, lamp: figure.lamp, room: () => roomOf(job, surface, { place, light }) };
}
