import { describe, expect, it } from "vitest";
import { completeParams } from "../params";
import { formIds, forms } from "../surface/forms";
import { buildGrid } from "../surface/grid";
import { meshOf } from "./mesh";
import { eyeAt } from "./raster";
import { dot } from "../surface/vector";
import { seenPlace } from "./seenPlace";

const eye = eyeAt(25, 20);

describe("a place on the flat", () => {
  it.each(formIds)("%s: is seen where the piece's mesh has it, from its painted side only", (id) => {
    const form = forms[id].build(completeParams(forms[id].params, {}), 3);
    const grid = buildGrid(form, 0.1, { fromDeg: 30, heightDeg: 50 });
    const mesh = meshOf(grid, grid.relief, Infinity);
    let [alike, all] = [0, 0];
    for (let at = 0; at < mesh.holds.length; at += 331) {
      // The very middle of a round piece has no direction of its own.
      if (mesh.holds[at] !== 2 || (form.round && grid.heightMm[at]! > 0.99 * form.slantMm)) continue;
      const [row, column] = [Math.floor(at / mesh.columns), at % mesh.columns];
      const flat = [grid.originX + column * 0.1, grid.originY + row * 0.1] as const;
      const vector = (values: Float32Array) =>
        [values[at * 3]!, values[at * 3 + 1]!, values[at * 3 + 2]!] as const;
      const { rightMm, upMm, faces } = seenPlace(form, eye, flat);
      const point = vector(mesh.points);
      expect(Math.abs(rightMm - dot(point, eye.right))).toBeLessThan(0.02);
      expect(Math.abs(upMm - dot(point, eye.up))).toBeLessThan(0.02);
      const facing = dot(vector(mesh.normals), eye.towards);
      // Near the silhouette and on steep relief the two look at other neighbours.
      if (Math.abs(facing) < 0.3) continue;
      all++;
      if (faces === facing > 0) alike++;
    }
    expect(all).toBeGreaterThan(10);
    expect(alike / all).toBeGreaterThan(0.93);
  });
});
