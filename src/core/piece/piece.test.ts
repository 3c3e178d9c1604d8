import { describe, expect, it } from "vitest";
import { decodeSrgb } from "../colour/spaces";
import { completeParams } from "../params";
import { formIds, forms, type FormId } from "../surface/forms";
import type { SpacePoint, SurfaceForm } from "../surface/forms/form";
import { buildSheet } from "../surface/forms/sheet";
import { buildGrid, lampVector } from "../surface/grid";
import { flakesOf, METAL } from "../simulate/surfaceFinish";
import { meshOf } from "./mesh";
import { eyeAt } from "./raster";
import { dot } from "../surface/vector";
import { lightOn } from "./shade";
import { lampInSpace, looksMm, usualTilt } from "./stance";
import type { PieceSkin } from "./skin";
import { drawPiece, type PiecePicture, type PieceView } from "./still";

const FROM_RIGHT = { fromDeg: 0, heightDeg: 45 };
const WHITE = decodeSrgb(200 / 255);

const formOf = (id: FormId, values: Readonly<Record<string, number>> = {}): SurfaceForm =>
  forms[id].build(completeParams(forms[id].params, values), 3);

/** A piece all of one light grey, with nothing on its relief. */
function grey(form: SurfaceForm, lamp = FROM_RIGHT, pitchMm = 0.05): PieceSkin {
  const grid = buildGrid(form, pitchMm, lamp);
  const rgba = new Uint8ClampedArray(grid.inside.length * 4);
  grid.inside.forEach((inside, at) => rgba.set([200, 200, 200, inside > 0 ? 255 : 0], at * 4));
  return { grid, rgba, heights: grid.relief, gloss: null, lit: true };
}

const ahead = (change: Partial<PieceView> = {}): PieceView => ({
  ...{ turnDeg: 0, tiltDeg: 0, pxPerMm: 20, mostPx: 2000 },
  ...change,
});

/** Light of a pixel as a share of what the paint itself gives back under full light. */
const lightOf = ({ rgba, width }: PiecePicture, x: number, y: number): number =>
  decodeSrgb(rgba[(y * width + x) * 4]! / 255) / WHITE;
const filledMm2 = ({ rgba, pxPerMm }: PiecePicture): number => {
  let sum = 0;
  for (let at = 3; at < rgba.length; at += 4) sum += rgba[at]! / 255;
  return sum / (pxPerMm * pxPerMm);
};

/** Room and lamp on ground that sees all of both, written out anew. */
const lambert = (normal: SpacePoint, lamp: SpacePoint): number =>
  0.34 * (0.45 + 0.55 * (0.5 + 0.5 * normal[1])) + 0.98 * Math.max(0, dot(normal, lamp));

const tube = formOf("limb", { roundMm: 20, lengthMm: 8, creases: 0, creaseMm: 0 });
const board = (reliefMm: (x: number) => number): SurfaceForm =>
  buildSheet({
    id: "panel",
    lengthMm: 12,
    widthMm: 6,
    closed: false,
    relief: (along) => reliefMm(along - 6),
  });

describe("a piece in space", () => {
  it.each(formIds)("%s has its painted side outwards, as its form says", (id) => {
    const form = formOf(id);
    const grid = buildGrid(form, 0.12);
    const mesh = meshOf(grid, grid.relief, 40_000);
    let [agree, all] = [0, 0];
    for (let at = 0; at < mesh.holds.length; at++) {
      if (mesh.holds[at] !== 2) continue;
      const column = (at % mesh.columns) * mesh.step;
      const cell = Math.floor(at / mesh.columns) * mesh.step * grid.width + column;
      const place = { turnDeg: grid.turnDeg[cell]!, heightMm: grid.heightMm[cell]! };
      const lies = usualTilt(form) > 30;
      const out = form.facing?.(place) ?? (lies ? ([0, 1, 0] as const) : ([0, 0, 1] as const));
      const normal: SpacePoint = [
        mesh.normals[at * 3]!,
        mesh.normals[at * 3 + 1]!,
        mesh.normals[at * 3 + 2]!,
      ];
      all++;
      if (dot(normal, out) > 0) agree++;
    }
    expect(all).toBeGreaterThan(300);
    expect(agree / all).toBeGreaterThan(0.97);
  });

  it.each([
    ["limb", { creases: 0, creaseMm: 0 }],
    ["cone-band", { pleats: 0 }],
    ["dome", { seams: 1 }],
  ] as const)("a smooth %s faces what its closed form faces, within a degree", (id, values) => {
    const form = { ...formOf(id, values), relief: () => 0 };
    const grid = buildGrid(form, 0.05);
    const mesh = meshOf(grid, grid.relief, 90_000);
    const offs: number[] = [];
    for (let at = 0; at < mesh.holds.length; at++) {
      if (mesh.holds[at] !== 2) continue;
      const cell = Math.floor(at / mesh.columns) * mesh.step * grid.width + (at % mesh.columns) * mesh.step;
      const out = form.facing!({ turnDeg: grid.turnDeg[cell]!, heightMm: grid.heightMm[cell]! });
      const normal: SpacePoint = [
        mesh.normals[at * 3]!,
        mesh.normals[at * 3 + 1]!,
        mesh.normals[at * 3 + 2]!,
      ];
      offs.push((Math.acos(Math.min(1, dot(normal, out))) * 180) / Math.PI);
    }
    offs.sort((a, b) => a - b);
    expect(offs[Math.floor(offs.length / 2)]).toBeLessThan(1);
  });

  it("has paint on it: what raises the ground moves it outwards by just that", () => {
    const grid = buildGrid(tube, 0.1);
    const bare = meshOf(grid, grid.relief, 40_000);
    const raised = meshOf(
      grid,
      grid.relief.map((mm) => mm + 0.5),
      40_000,
    );
    const radius = ({ points }: typeof bare, at: number) =>
      Math.hypot(points[at * 3]!, points[at * 3 + 2]! + 20 / 2 / Math.PI);
    const at = Math.floor(bare.rows / 2) * bare.columns + Math.floor(bare.columns / 2);
    expect(radius(raised, at) - radius(bare, at)).toBeCloseTo(0.5, 2);
  });
});

describe("its still picture", () => {
  it("fills what a tube fills: its width by its length, and nothing beside it", () => {
    const picture = drawPiece(grey(tube), ahead());
    expect(filledMm2(picture) / ((20 / Math.PI) * 8)).toBeCloseTo(1, 1.7);
    const { rgba, width, height } = picture;
    for (let x = 0; x < width; x++) {
      expect(rgba[x * 4 + 3]).toBe(0);
      expect(rgba[((height - 1) * width + x) * 4 + 3]).toBe(0);
    }
    const middle = Math.floor(height / 2);
    for (let x = 8; x < width - 8; x++) expect(rgba[(middle * width + x) * 4 + 3]).toBe(255);
  });

  it("is lit as Lambert's law says, all over a tube that faces the lamp on one side", () => {
    const skin = grey(tube);
    const picture = drawPiece(skin, ahead());
    const lamp = lampInSpace(tube, lampVector(FROM_RIGHT));
    const radius = 20 / 2 / Math.PI;
    const row = Math.floor(picture.height / 2);
    for (const share of [-0.8, -0.4, -0.1, 0, 0.2, 0.5, 0.8]) {
      const x = Math.round(picture.width / 2 + share * radius * picture.pxPerMm - 0.5);
      const sine = (x + 0.5 - picture.width / 2) / picture.pxPerMm / radius;
      const normal: SpacePoint = [sine, 0, Math.sqrt(1 - sine * sine)];
      const expected = Math.min(1 / WHITE, lambert(normal, lamp));
      expect(Math.abs(lightOf(picture, x, row) / expected - 1), `at ${share}`).toBeLessThan(0.025);
    }
  });

  it("shows the shade a wall casts: as long as it is high under a lamp at 45 degrees, room light in it", () => {
    const wall = board((x) => (Math.abs(x) < 0.3 ? 1.2 : 0));
    const picture = drawPiece(grey(wall, FROM_RIGHT, 0.03), ahead());
    const row = Math.floor(picture.height / 2);
    const at = (mm: number) => lightOf(picture, Math.round(picture.width / 2 + mm * picture.pxPerMm), row);
    const open = at(-4.5);
    expect(at(-0.9) / open).toBeLessThan(0.45);
    expect(at(4.5) / open).toBeCloseTo(1, 1);
    let shadedMm = 0;
    for (let mm = -5; mm < -0.35; mm += 1 / picture.pxPerMm)
      if (at(mm) < 0.65 * open) shadedMm += 1 / picture.pxPerMm;
    expect(shadedMm).toBeGreaterThan(1.2 * 0.9);
    expect(shadedMm).toBeLessThan(1.2 * 1.1);
  });

  it("shows the paint's own colour all over where it is not lit, as for maps and plain colour", () => {
    const picture = drawPiece({ ...grey(tube), lit: false }, ahead());
    const row = Math.floor(picture.height / 2);
    for (let x = 8; x < picture.width - 8; x += 5) expect(lightOf(picture, x, row)).toBeCloseTo(1, 2);
  });

  it("turns: from behind a board shows its other side, which nobody painted", () => {
    const skin = grey(board(() => 0));
    const [front, behind] = [drawPiece(skin, ahead()), drawPiece(skin, ahead({ turnDeg: 180 }))];
    expect(filledMm2(behind)).toBeCloseTo(filledMm2(front), 0);
    const middle = ({ width, height }: PiecePicture) =>
      [Math.floor(width / 2), Math.floor(height / 2)] as const;
    expect(lightOf(behind, ...middle(behind))).toBeLessThan(0.1 * lightOf(front, ...middle(front)));
    const aside = drawPiece(skin, ahead({ turnDeg: 60 }));
    expect(aside.width / front.width).toBeCloseTo(0.5, 1);
  });

  it.each(formIds)("%s looks as large as is told before it is drawn", (id) => {
    const form = formOf(id);
    const told = looksMm(form);
    const picture = drawPiece(grey(form, FROM_RIGHT, 0.12), { ...ahead(), tiltDeg: null, pxPerMm: 12 });
    const margins = 9;
    expect(Math.abs((picture.width - margins) / 12 / told.widthMm - 1)).toBeLessThan(0.05);
    expect(Math.abs((picture.height - margins) / 12 / told.heightMm - 1)).toBeLessThan(0.07);
  });

  it("is drawn smaller where it would be larger than allowed, and says how large it is", () => {
    const picture = drawPiece(grey(tube), ahead({ pxPerMm: 200, mostPx: 160 }));
    expect(Math.max(picture.width, picture.height)).toBeLessThanOrEqual(160);
    expect(picture.pxPerMm).toBeLessThan(25);
    expect(filledMm2(picture) / ((20 / Math.PI) * 8)).toBeCloseTo(1, 1);
  });

  it("shines where its paint is glossy and mirrors the lamp, and nowhere else", () => {
    const skin = grey(tube);
    const gloss = new Float32Array(skin.grid.inside.length).fill(0.9);
    const [matt, glossy] = [drawPiece(skin, ahead()), drawPiece({ ...skin, gloss }, ahead())];
    let [brighter, darker, same] = [0, 0, 0];
    for (let at = 0; at < matt.rgba.length; at += 4) {
      const more = glossy.rgba[at]! - matt.rgba[at]!;
      if (more > 2) brighter++;
      else if (more < 0) darker++;
      else same++;
    }
    expect(brighter).toBeGreaterThan(100);
    expect(darker).toBe(0);
    expect(same).toBeGreaterThan(brighter);
  });

  it("of metal is brighter where it mirrors the lamp and darker aside, in its own colour", () => {
    const skin = grey(tube);
    for (let at = 0; at < skin.rgba.length; at += 4) skin.rgba.set([140, 100, 50], at);
    const gloss = new Float32Array(skin.grid.inside.length).fill(-1);
    const [plain, metal] = [drawPiece(skin, ahead()), drawPiece({ ...skin, gloss }, ahead())];
    let [brighter, darker, off] = [0, 0, 0];
    for (let at = 0; at < plain.rgba.length; at += 4) {
      if (plain.rgba[at + 3]! < 255) continue;
      const [red, blue] = [decodeSrgb(metal.rgba[at]! / 255), decodeSrgb(metal.rgba[at + 2]! / 255)];
      if (metal.rgba[at]! > plain.rgba[at]! + 4) brighter++;
      if (metal.rgba[at]! < plain.rgba[at]! - 4) darker++;
      // White would be added to gloss; a metal's red stays as much above its blue as its paint's is.
      const own = decodeSrgb(140 / 255) / decodeSrgb(50 / 255);
      if (red < 0.98 && blue > 0.01 && Math.abs(red / blue / own - 1) > 0.1) off++;
    }
    expect(brighter).toBeGreaterThan(100);
    expect(darker).toBeGreaterThan(brighter);
    expect(off).toBe(0);
    // Half of the highlight is left at 22° from the mirror's direction.
    const high = (facing: number) => flakesOf(1, facing) - METAL.aside;
    expect(high(Math.cos((22 * Math.PI) / 180)) / high(1)).toBeCloseTo(0.5, 1);
    expect(flakesOf(0, 0.7)).toBe(1);
  });

  it("shows fine relief between the points of its mesh", () => {
    const ribbed = board((x) => 0.02 * Math.sin((2 * Math.PI * x) / 0.4));
    const skin = grey(ribbed, FROM_RIGHT, 0.02);
    const picture = drawPiece(skin, ahead({ pxPerMm: 40 }));
    expect(meshOf(skin.grid, skin.heights, 90_000).step).toBeGreaterThan(1);
    const row = Math.floor(picture.height / 2);
    const values = Array.from({ length: 200 }, (_, k) => lightOf(picture, 140 + k, row));
    expect(Math.max(...values) - Math.min(...values)).toBeGreaterThan(0.2);
  });
});

describe("its lamp", () => {
  it("is the job's own, a unit vector, for every form", () => {
    for (const id of formIds) {
      const lamp = lampInSpace(formOf(id), lampVector({ fromDeg: 133, heightDeg: 45 }));
      expect(Math.hypot(...lamp)).toBeCloseTo(1, 6);
    }
  });

  it("shines on what lies on the table as on what is laid flat: from behind the light comes from above and beyond", () => {
    const base = formOf("base");
    expect(usualTilt(base)).toBeGreaterThan(30);
    const [, up, ahead] = lampInSpace(base, lampVector({ fromDeg: 90, heightDeg: 45 }));
    expect(up).toBeCloseTo(Math.SQRT1_2, 2);
    expect(ahead).toBeCloseTo(-Math.SQRT1_2, 2);
  });

  it("is dimmed by half where half of it is hidden, and leaves what looks away to the room", () => {
    const [lamp, eye]: SpacePoint[] = [[0, 0, 1], eyeAt(0, 0).towards];
    const shade = (normal: SpacePoint, free = 1) => {
      const out = new Float64Array(2);
      lightOn(normal, lamp!, eye!, free, 1, 0, out);
      return out[0]!;
    };
    const [lit, room] = [shade([0, 0, 1]), shade([0, 0, -1])];
    expect(shade([0, 0, 1], 0.5)).toBeCloseTo((lit + room) / 2, 9);
    expect(shade([0, 1, 0])).toBeGreaterThan(shade([0, -1, 0]));
  });
});

describe("fewer cells", () => {
  it("make the same picture but for its finest marks", () => {
    const form = formOf("cloak");
    const [fine, coarse] = [0.04, 0.12].map((pitchMm) => grey(form, FROM_RIGHT, pitchMm));
    expect(fine!.grid.inside.length).toBeGreaterThan(5 * coarse!.grid.inside.length);
    const [a, b] = [fine!, coarse!].map((skin) => drawPiece(skin, ahead({ pxPerMm: 8 })));
    expect(filledMm2(b!) / filledMm2(a!)).toBeCloseTo(1, 1);
    const mean = ({ rgba }: PiecePicture) => {
      let [sum, all] = [0, 0];
      for (let at = 0; at < rgba.length; at += 4) {
        sum += decodeSrgb(rgba[at]! / 255) * rgba[at + 3]!;
        all += rgba[at + 3]!;
      }
      return sum / all;
    };
    expect(mean(b!) / mean(a!)).toBeCloseTo(1, 1);
  });
});
