import { describe, expect, it } from "vitest";
import type { PieceMesh } from "../piece/mesh";
import { Obstacles } from "../rays/obstacles";
import { forms, type FormId } from "../surface/forms";
import type { SpacePoint, SurfaceForm } from "../surface/forms/form";
import { fieldsOf } from "../surface/fields";
import { buildGrid } from "../surface/grid";
import { type RoomLight, type SurfaceLight } from "../surface/roomLight";
import { USUAL_LAMP } from "../job";
import { unit } from "../surface/vector";
import { inRoom, obstaclesOf } from "./roomLightOf";
import type { Seating } from "./seated";
import { ball, drum, solidMesh } from "./solids";

const LAMP: SpacePoint = unit([-0.5, 0.6, 0.62]);
const upright: Seating = (point) => point;
/** Nothing that could stand in the way: a speck far off. */
const SPECK = solidMesh(ball([], [0, -500, 0], [0.1, 0.1, 0.1]));

const lit = (light: RoomLight): SurfaceLight => ({
  ...{ key: "test", roomKey: "test", lamp: USUAL_LAMP, sheds: [] },
  room: () => light,
});

/** Field of light on a form that stands by itself in the room. */
function litOn(form: SurfaceForm, seating: Seating = upright, others: readonly PieceMesh[] = [SPECK]) {
  const light = inRoom(form, seating, { obstacles: obstaclesOf(others), own: others.length }).under(LAMP);
  const grid = buildGrid(form, 0.1, lit(light));
  return { grid, lit: fieldsOf(grid).lit, sky: fieldsOf(grid).sky, light };
}

/** Greatest difference of the light from Lambert's cosine to a normal told by place, away from the rim. */
function worst(form: SurfaceForm, normalAt: (turnDeg: number, heightMm: number) => SpacePoint): number {
  const { grid, lit: field } = litOn(form);
  let most = 0;
  for (let at = 0; at < field.length; at++) {
    if (grid.inside[at]! < 1) continue;
    const [x, y, z] = normalAt(grid.turnDeg[at]!, grid.heightMm[at]!);
    const wanted = Math.max(0, x * LAMP[0] + y * LAMP[1] + z * LAMP[2]);
    most = Math.max(most, Math.abs(field[at]! - wanted));
  }
  return most;
}

/** A form with every setting that is not told at its least: no folds, no dents. */
function plain(id: FormId, sizes: Readonly<Record<string, number>>): SurfaceForm {
  const least = Object.entries(forms[id].params).map(([name, spec]) => [name, spec.range[0]] as const);
  return forms[id].build({ ...Object.fromEntries(least), ...sizes }, 1);
}

const band = (waistMm: number, hemMm: number) =>
  plain("cone-band", { waistMm, hemMm, slantMm: 12, pleatDepthMm: 0, seams: 1 });
/** A ball's cap, without the slight unevenness that every cast one has. */
const dome = (overMm: number): SurfaceForm => ({
  ...plain("dome", { roundMm: 40, overMm }),
  relief: () => 0,
});
const panel = (mm: number) => plain("panel", { lengthMm: mm, widthMm: mm });
/** Turn of the front from the first seam, radians. */
const ahead = (turnDeg: number) => ((turnDeg - 180) * Math.PI) / 180;

describe("light on plain bodies", () => {
  it("of a cylinder is Lambert's, to a hundredth", () => {
    expect(worst(band(40, 40), (turn) => [Math.sin(ahead(turn)), 0, Math.cos(ahead(turn))])).toBeLessThan(
      0.01,
    );
  });

  it("of a cone is Lambert's, to a hundredth", () => {
    const sine = (60 - 30) / (2 * Math.PI) / 12;
    const cosine = Math.sqrt(1 - sine * sine);
    const normal = (turn: number): SpacePoint => [
      cosine * Math.sin(ahead(turn)),
      sine,
      cosine * Math.cos(ahead(turn)),
    ];
    expect(worst(band(30, 60), normal)).toBeLessThan(0.01);
  });

  it("of a ball is Lambert's, to a hundredth", () => {
    const form = dome(16);
    // A ball looks out along its own radius.
    const normal = (turnDeg: number, heightMm: number): SpacePoint => form.facing!({ turnDeg, heightMm });
    expect(worst(form, normal)).toBeLessThan(0.01);
  });

  it("has a lit and a dark side on a smooth sleeve, skirt and ball", () => {
    for (const form of [band(40, 40), band(30, 60), dome(18)]) {
      const { grid, lit: field } = litOn(form);
      const on = field.filter((_, at) => grid.inside[at]! > 0);
      expect(Math.max(...on)).toBeGreaterThan(0.75);
      expect(on.filter((light) => light < 0.02).length / on.length).toBeGreaterThan(0.08);
    }
  });

  it("has no seam where two parts meet at one angle", () => {
    const left = litOn(panel(10), ([x, y, z]) => [x - 5, y, z]);
    const right = litOn(panel(10), ([x, y, z]) => [x + 5, y, z]);
    const mean = ({ grid, lit: field }: typeof left, from: number, to: number) => {
      let [sum, count] = [0, 0];
      for (let at = 0; at < field.length; at++) {
        const x = grid.originX + (at % grid.width) * grid.pitchMm;
        if (grid.inside[at]! < 1 || x < from || x > to) continue;
        sum += field[at]!;
        count++;
      }
      return sum / count;
    };
    expect(mean(left, 4, 4.9)).toBeCloseTo(mean(right, -4.9, -4), 2);
  });
});

describe("what stands in the way", () => {
  it("a ball throws shade of the area that its outline has on the plane", () => {
    const radius = 4;
    const obstacles = new Obstacles([solidMesh(ball([], [0, 8, 0], [radius, radius, radius]))]);
    let shaded = 0;
    const step = 0.1;
    for (let x = -20; x < 20; x += step)
      for (let z = -20; z < 20; z += step) if (obstacles.meets([x, 0, z], LAMP, 9, 0)) shaded += step * step;
    // A ball's shade on a level plane is an ellipse: its circle over the sine of the lamp's height.
    const wanted = (Math.PI * radius * radius) / LAMP[1];
    expect(Math.abs(shaded / wanted - 1)).toBeLessThan(0.02);
  });

  it("leaves under a disc the open room that a view factor tells", () => {
    // Laid level, its painted side up, its middle at the origin.
    const level: Seating = ([x, y, z]) => [x, z, 12 - y];
    for (const [radius, height] of [
      [4, 4],
      [6, 3],
      [3, 6],
    ] as const) {
      const disc = solidMesh(drum([], [0, height, 0], [0, height + 0.01, 0], radius));
      const { light } = litOn(panel(24), level, [disc]);
      const column = Math.round(-light.originX / light.pitchMm);
      const row = Math.round((-12 - light.originY) / light.pitchMm);
      const sky = light.open()[row * light.columns + column]!;
      const wanted = 1 - radius ** 2 / (radius ** 2 + (height - 0.12) ** 2);
      expect(Math.abs(sky - wanted)).toBeLessThan(0.03);
    }
  });

  it("is looked for once, whatever lamp stands in it", () => {
    const way = { obstacles: obstaclesOf([SPECK]), own: 1 };
    const piece = inRoom(panel(10), upright, way);
    const [one, other] = [piece.under(LAMP), piece.under(unit([0.5, 0.6, 0.62]))];
    expect(one.values).not.toEqual(other.values);
    expect(one.open()).toBe(other.open());
  });

  it("looks past the piece's own relief near by, and not past anything else", () => {
    const near = solidMesh(ball([], [0, 3, 0], [1, 1, 1]));
    const obstacles = new Obstacles([near]);
    const up: SpacePoint = [0, 1, 0];
    expect(obstacles.meets([0.13, 0, 0.07], up, 0, 1)).toBe(true);
    expect(obstacles.meets([0.13, 0, 0.07], up, 0, 10)).toBe(false);
    expect(obstacles.meets([0.13, 0, 0.07], up, 1, 10)).toBe(true);
    const behind = new Obstacles([near, solidMesh(ball([], [0, 8, 0], [1, 1, 1]))]);
    expect(behind.meets([0.13, 0, 0.07], up, 0, 10)).toBe(true);
  });
});
