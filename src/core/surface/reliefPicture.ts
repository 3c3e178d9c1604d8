import type { ReliefUse } from "../job";
import type { Place, SurfaceForm } from "./forms/form";

/** A greyscale picture of heights: 0 is low, 1 stands out. Row-major from the top left. */
export interface HeightMap {
  readonly width: number;
  readonly height: number;
  readonly values: Float32Array;
}

/** Value between the cells, by straight lines; the picture repeats beyond its rim. */
function heightAt(map: HeightMap, x: number, y: number): number {
  const { width, height, values } = map;
  const wrap = (value: number, size: number) => ((value % size) + size) % size;
  const [u, v] = [wrap(x, width), wrap(y, height)];
  const [i, j] = [Math.floor(u), Math.floor(v)];
  const [s, t] = [u - i, v - j];
  const [right, below] = [(i + 1) % width, (j + 1) % height];
  const top = values[j * width + i]! * (1 - s) + values[j * width + right]! * s;
  const bottom = values[below * width + i]! * (1 - s) + values[below * width + right]! * s;
  return top * (1 - t) + bottom * t;
}

/**
 * A form with a picture's heights on top of its own relief. The picture starts at the top of the first seam, is as
 * wide as the painter says in mm along the middle of the piece, and repeats.
 */
export function withHeightMap(form: SurfaceForm, use: ReliefUse, map: HeightMap): SurfaceForm {
  const perMm = map.width / use.widthMm;
  const middle = form.lengthAt(form.slantMm / 2);
  const extra = ({ turnDeg, heightMm }: Place) =>
    use.depthMm * heightAt(map, (turnDeg / form.turnDeg) * middle * perMm, (form.slantMm - heightMm) * perMm);
  return { ...form, relief: (place) => form.relief(place) + extra(place) };
}
