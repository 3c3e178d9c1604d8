import { fieldsOf } from "../surface/fields";
import type { SurfaceGrid } from "../surface/grid";
import { eachLight } from "../surface/roomLight";
import type { Sculpted } from "../surface/sculpted";

/** The light on the scales or locks of a hide, per thing. */
export interface LightOnThings {
  /** How much it faces the light, 0…1. */
  readonly lit: Float32Array;
  /** Unit vector on the flat towards the light, y downwards. */
  readonly x: Float32Array;
  readonly y: Float32Array;
}

/** A lamp that stands less far aside than this has no side: then what is higher on the flat is lit. */
const LEAST_ASIDE = 0.12;

/** By the cells it falls on: every coat and pass of them is lit alike. */
const lights = new WeakMap<SurfaceGrid, LightOnThings>();

/** Mean light of every thing of a hide, and from where it comes. */
export function lightOnThings(grid: SurfaceGrid, hide: Sculpted): LightOnThings {
  const known = lights.get(grid) ?? lightOf(grid, hide);
  lights.set(grid, known);
  return known;
}

function lightOf(grid: SurfaceGrid, hide: Sculpted): LightOnThings {
  const count = hide.things.length;
  const [lit, x, y, cells] = Array.from({ length: 4 }, () => new Float32Array(count));
  const { litShare } = fieldsOf(grid);
  const room = grid.room();
  const add = (at: number, lampX: number, lampY: number) => {
    const number = hide.thing[at]!;
    if (number < 0 || grid.inside[at] === 0) return;
    lit![number]! += litShare[at]!;
    x![number]! += lampX;
    y![number]! += lampY;
    cells![number]! += 1;
  };
  if (room) eachLight(room, grid, 1, (at, lampX, lampY) => add(at, lampX, lampY));
  else for (let at = 0; at < hide.thing.length; at++) add(at, grid.lamp[0], grid.lamp[1]);
  for (let number = 0; number < count; number++) {
    const many = Math.max(1, cells![number]!);
    lit![number]! /= many;
    const [ax, ay] = [x![number]! / many, y![number]! / many];
    const long = Math.hypot(ax, ay);
    x![number] = long < LEAST_ASIDE ? 0 : ax / long;
    y![number] = long < LEAST_ASIDE ? -1 : ay / long;
  }
  return { lit: lit!, x: x!, y: y! };
}
