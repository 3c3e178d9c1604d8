import type { SurfaceGrid } from "../surface/grid";
import { pieceAt } from "../surface/forms/depth";
import type { Panel } from "./panel";

/** Depths of the panel's cells carried over to the cells of a picture; across a seam nothing is carried. */
export class Carrier {
  private readonly pieces: boolean;
  constructor(
    private readonly panel: Panel,
    private readonly grid: SurfaceGrid,
  ) {
    this.pieces = panel.piece.some((piece) => piece > 0);
  }

  /** Bilinear, from the panel's corners of the cell's own piece. @returns mm per cell of the picture */
  depths(source: Float32Array): Float32Array {
    const { panel, grid } = this;
    const { width, height, pitchMm, originX, originY, inside, turnDeg } = grid;
    const out = new Float32Array(inside.length).fill(-1e6);
    const scale = 1 / panel.pitchMm;
    for (let row = 0; row < height; row++) {
      const v = (originY + row * pitchMm - panel.originY) * scale;
      const j = Math.min(panel.height - 2, Math.max(0, Math.floor(v)));
      const t = v - j;
      for (let column = 0; column < width; column++) {
        const at = row * width + column;
        if (inside[at] === 0) continue;
        const u = (originX + column * pitchMm - panel.originX) * scale;
        const i = Math.min(panel.width - 2, Math.max(0, Math.floor(u)));
        const s = u - i;
        const corner = j * panel.width + i;
        out[at] = this.pieces
          ? this.within(source, corner, s, t, pieceAt(grid.form, turnDeg[at]!))
          : this.mean(source, corner, s, t);
      }
    }
    return out;
  }

  /** Corners outside the panel have no depth of their own: they do not count. */
  private mean(source: Float32Array, corner: number, s: number, t: number): number {
    const { inside, width } = this.panel;
    const [a, b, c, d] = [corner, corner + 1, corner + width, corner + width + 1];
    if (inside[a]! + inside[b]! + inside[c]! + inside[d]! < 4)
      return this.weighed(source, corner, s, t, null);
    return (source[a]! * (1 - s) + source[b]! * s) * (1 - t) + (source[c]! * (1 - s) + source[d]! * s) * t;
  }

  private within(source: Float32Array, corner: number, s: number, t: number, own: number): number {
    const { piece, width } = this.panel;
    const [a, b, c, d] = [corner, corner + 1, corner + width, corner + width + 1];
    if (piece[a] === own && piece[b] === own && piece[c] === own && piece[d] === own)
      return this.mean(source, corner, s, t);
    return this.weighed(source, corner, s, t, own);
  }

  private weighed(source: Float32Array, corner: number, s: number, t: number, own: number | null): number {
    const { inside, piece, width } = this.panel;
    let [sum, weight] = [0, 0];
    for (let k = 0; k < 4; k++) {
      const at = corner + (k & 1) + (k >> 1) * width;
      if (inside[at] === 0 || (own !== null && piece[at] !== own)) continue;
      const share = ((k & 1) === 1 ? s : 1 - s) * (k >> 1 === 1 ? t : 1 - t) + 1e-6;
      sum += share * source[at]!;
      weight += share;
    }
    return weight > 0 ? sum / weight : -1e6;
  }

  /** Nearest mark of a layer, per cell of the picture. */
  numbers(mark: Int32Array): Int32Array {
    const { panel, grid } = this;
    const { width, height, pitchMm, originX, originY, inside } = grid;
    const scale = 1 / panel.pitchMm;
    const out = new Int32Array(inside.length).fill(-1);
    for (let row = 0; row < height; row++) {
      const from = Math.round((originY + row * pitchMm - panel.originY) * scale) * panel.width;
      for (let column = 0; column < width; column++) {
        const at = row * width + column;
        if (inside[at] === 0) continue;
        const across = Math.round((originX + column * pitchMm - panel.originX) * scale);
        out[at] = Math.max(0, mark[from + across] ?? 0);
      }
    }
    return out;
  }
}
