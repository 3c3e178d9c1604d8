import { figureOf, type Job, type Surface } from "../job";
import { asideUnder, type RoomLight, type SurfaceLight } from "../surface/roomLight";
import { lampVector } from "../surface/grid";
import type { SpacePoint } from "../surface/forms/form";
import type { Figure } from "../job";
import { obstaclesOf, roomLightOf } from "./roomLightOf";
import type { Obstacles } from "./rays";
import { figureKey, standingFigure, type StandingFigure } from "./standingFigure";

/** The job's lamp in the figure's room, a unit vector: x right, y up, z towards you. */
export function lampInRoom({ lamp }: Pick<Figure, "lamp">): SpacePoint {
  const [x, y, z] = lampVector(lamp);
  return [x, -y, z];
}

/** Short names of stands: they are parts of many keys. */
const numbers = new Map<string, number>();

function numberOf(key: string): number {
  const known = numbers.get(key);
  if (known !== undefined) return known;
  const number = numbers.size + 1;
  numbers.set(key, number);
  return number;
}

const obstacles = new WeakMap<StandingFigure, Obstacles>();

/** Everything of a figure, its pieces first, as what stands in light's way. */
function obstaclesIn(standing: StandingFigure): Obstacles {
  const known = obstacles.get(standing);
  if (known) return known;
  const made = obstaclesOf([...standing.pieces.map(({ mesh }) => mesh), ...standing.body]);
  obstacles.set(standing, made);
  return made;
}

/** Light worked out before, by the key of the surface's light. */
const lights = new Map<string, RoomLight | null>();
const MOST_LIGHTS = 48;

function roomOf(job: Job, surface: Surface, key: string): RoomLight | null {
  const known = lights.get(key);
  if (known !== undefined) return known;
  const figure = figureOf(job, surface);
  const standing = standingFigure(job, figure);
  const own = standing?.pieces.findIndex((piece) => piece.surface.id === surface.id) ?? -1;
  const piece = standing?.pieces[own];
  const made =
    standing && piece
      ? roomLightOf(piece.form, piece.seating, { obstacles: obstaclesIn(standing), own }, lampInRoom(figure))
      : null;
  lights.set(key, made);
  if (lights.size > MOST_LIGHTS) lights.delete(lights.keys().next().value!);
  return made;
}

/** The light a surface of a job stands in: that of its figure's room where it is seated, else as if it faced you. */
export function lightOf(job: Job, surface: Surface): SurfaceLight {
  const figure = figureOf(job, surface);
  if (!surface.seat || !figure.body) return asideUnder(figure.lamp);
  const key = JSON.stringify([figure.lamp, surface.id, numberOf(figureKey(job, figure))]);
  return { key, lamp: figure.lamp, room: () => roomOf(job, surface, key) };
}
