// Brings the light of figures' rooms to wherever this is imported: workers, scripts and tests.
import { figureOf, type Job, type Surface } from "../job";
import type { RoomLight } from "../surface/roomLight";
import { bringRooms, lampInRoom } from "./light";
import type { Obstacles } from "./rays";
import { obstaclesOf, roomLightOf } from "./roomLightOf";
import { standingFigure, type StandingFigure } from "./standingFigure";

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

bringRooms(roomOf);
