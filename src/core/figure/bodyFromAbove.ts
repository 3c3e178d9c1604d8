import type { SpacePoint } from "../surface/forms/form";
import { add, dot } from "../surface/vector";
import { ALL_WAYS, WAYS } from "./fromAbove";
import { lampInRoom } from "./light";
import { obstaclesIn } from "./roomLightOf";
import type { StandingFigure } from "./standingFigure";

/** A part of the body is in its own way only from so far on, and its points stand off its ground, mm. */
const [OWN_MM, OFF_MM] = [1, 0.05] as const;

const bodies = new WeakMap<StandingFigure, readonly Float32Array[]>();

/** White sprayed from above on each part of a figure's body, to each point of its mesh: 0…1 of what open level ground takes. */
export function sprayOnBody(standing: StandingFigure): readonly Float32Array[] {
  const known = bodies.get(standing);
  if (known) return known;
  const made = standing.body.map((_, at) => sprayOnPart(standing, at));
  bodies.set(standing, made);
  return made;
}

function sprayOnPart(standing: StandingFigure, part: number): Float32Array {
  const { points, normals } = standing.body[part]!;
  const [obstacles, own] = [obstaclesIn(standing), standing.pieces.length + part];
  const ways = WAYS.map((way) => lampInRoom({ lamp: way }));
  return Float32Array.from({ length: points.length / 3 }, (_, at) => {
    const [point, normal] = [pointOf(points, at), pointOf(normals, at)];
    const from = add(point, normal, OFF_MM);
    const taken = ways.map((way) => {
      const facing = dot(way, normal);
      return facing > 0 && !obstacles.meets(from, way, own, OWN_MM) ? facing : 0;
    });
    return taken.reduce((sum, one) => sum + one, 0) / ALL_WAYS;
  });
}

const pointOf = (values: Float32Array, at: number): SpacePoint => [
  values[at * 3]!,
  values[at * 3 + 1]!,
  values[at * 3 + 2]!,
];
