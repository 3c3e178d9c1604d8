import { figureOf, type Job, type PaintedLight, type Surface } from "../job";
import type { RoomLight, ShedSource, SurfaceLight } from "../surface/roomLight";
import type { ShedLight } from "../surface/shedLight";
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

/** Works out what a painted light sheds on a surface; null where it sits on nothing that is there. */
export type ShedMaker = (job: Job, surface: Surface, light: PaintedLight, key: string) => ShedLight | null;

/** Who works out light. */
export interface LightMakers {
  readonly room: RoomMaker;
  readonly shed: ShedMaker;
}

let makers: LightMakers | null = null;

/**
 * Says who works out the light of rooms: `figure/rooms`, wherever surfaces are painted. Looking along rays is heavy, and
 * pages that only tell of surfaces do without.
 */
export function bringRooms(make: LightMakers): void {
  makers = make;
}

/** @throws Error where nobody was brought: a wrong light would be worse than none */
function made(): LightMakers {
  if (!makers)
    throw new Error("The light of a figure's room is worked out where surfaces are painted, not here.");
  return makers;
}

/** Painted lights that could reach a surface: on a figure all of them, else those that sit on the surface itself. */
function shedsOn(job: Job, surface: Surface, place: string): ShedSource[] {
  const figure = figureOf(job, surface);
  const seated = surface.seat !== null && figure.body !== null;
  return figure.lights
    .filter(({ surfaceId }) => seated || surfaceId === surface.id)
    .map((light) => {
      const { surfaceId, along, up, outMm, widthMm, reachMm, sheds } = light;
      const key = JSON.stringify([place, surfaceId, along, up, outMm, widthMm, reachMm, sheds]);
      return { id: light.id, key, of: () => made().shed(job, surface, light, key) };
    });
}

const withSheds = (
  light: Omit<SurfaceLight, "key" | "sheds">,
  sheds: readonly ShedSource[],
): SurfaceLight => ({
  ...light,
  sheds,
  key: sheds.length === 0 ? light.roomKey : JSON.stringify([light.roomKey, ...sheds.map(({ key }) => key)]),
});

/** A short name for a figure as it stands: equal while neither its pose nor a piece's form or seat changes. */
export const standName = (job: Job, figure: Figure): number => numberOf(figureKey(job, figure));

/** The light a surface of a job stands in: that of its figure's room where it is seated, else as if it faced you. */
export function lightOf(job: Job, surface: Surface): SurfaceLight {
  const figure = figureOf(job, surface);
  const { lamp } = figure;
  if (!surface.seat || !figure.body) {
    const sheds = shedsOn(job, surface, JSON.stringify([surface.id, surface.form]));
    return withSheds({ roomKey: JSON.stringify(lamp), lamp, room: () => null }, sheds);
  }
  const place = JSON.stringify([surface.id, standName(job, figure)]);
  const light = JSON.stringify([lamp, place]);
  const room = () => made().room(job, surface, { place, light });
  return withSheds({ roomKey: light, lamp, room }, shedsOn(job, surface, place));
}
