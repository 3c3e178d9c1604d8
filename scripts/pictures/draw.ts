import "../../src/core/figure/rooms";
import path from "node:path";
import sharp from "sharp";
import type { Job, Paint } from "../../src/core/job";
import { drawPiece } from "../../src/core/piece/still";
import { startKernel } from "../../src/core/simulate/compositor";
import { Simulator, type LaidSurface, type Specimen } from "../../src/core/simulate/simulator";

const SURROUND = { r: 0x8c, g: 0x8c, b: 0x8c, alpha: 1 };
const simulator = startKernel().then((kernel) => new Simulator(kernel));

/** A surface, simulated, on its form under the lamp, turned by so much, as PNG bytes of one size, px. */
export async function surfacePng(
  job: Job,
  paints: readonly Paint[],
  surfaceId: string,
  size: Size,
  upTo: number | null = null,
  turnDeg = 15,
): Promise<Buffer> {
  const sim = await simulator;
  const request = { job, paints, surfaceId, upTo, lit: true };
  const laid = await sim.lay(request, false, () => Promise.resolve(true));
  const mostPx = Math.min(size.width, size.height) - 8;
  const view = { turnDeg, tiltDeg: null, pxPerMm: 400, mostPx: Math.max(mostPx, widthFor(laid!, size)) };
  return contained(drawPiece(sim.skin(request, laid!), view), size);
}

/** Longest side a piece may have so that a long one fills the width of its place, px. */
function widthFor({ grid }: LaidSurface, { width, height }: Size): number {
  const { minX, maxX, minY, maxY } = grid.form.bounds;
  return grid.form.facing ? 0 : Math.min(width - 8, ((height - 8) * (maxX - minX)) / (maxY - minY));
}

/** Films that were laid by hand, lit, as PNG bytes. */
export async function laidPng(
  job: Job,
  paints: readonly Paint[],
  laid: LaidSurface,
  size: Size,
): Promise<Buffer> {
  const request = { job, paints, surfaceId: "", upTo: null, lit: true };
  return contained((await simulator).picture(request, laid), size);
}

interface Size {
  readonly width: number;
  readonly height: number;
}

/** Bytes of a picture for sharp. */
export const bytesOf = ({ rgba, width, height }: Pick<Specimen, "rgba" | "width" | "height">) =>
  sharp(Buffer.from(rgba.buffer), { raw: { width, height, channels: 4 } });

/** A picture in the middle of its place, as PNG bytes of one size, px. */
export function contained(picture: Pick<Specimen, "rgba" | "width" | "height">, size: Size): Promise<Buffer> {
  return bytesOf(picture)
    .resize({ ...size, fit: "contain", background: SURROUND, kernel: "lanczos3" })
    .flatten({ background: SURROUND })
    .png()
    .toBuffer();
}

const escaped = (text: string) => text.replaceAll("&", "&amp;").replaceAll("<", "&lt;");

/** Lays pictures out in rows, each with its name below, and writes one PNG. */
export async function writeSheet(
  file: string,
  cells: readonly { name: string; png: Buffer }[],
  layout: { columns: number; width: number; height: number },
): Promise<void> {
  const { columns, width, height } = layout;
  const [gap, label] = [10, 24];
  const rows = Math.ceil(cells.length / columns);
  const whole = { width: columns * (width + gap) + gap, height: rows * (height + label + gap) + gap };
  const at = (index: number) => ({
    left: gap + (index % columns) * (width + gap),
    top: gap + Math.floor(index / columns) * (height + label + gap),
  });
  const names = cells
    .map(({ name }, index) => {
      const { left, top } = at(index);
      return `<text x="${left}" y="${top + height + 17}" font-size="14" font-family="sans-serif" fill="#1d1d1d">${escaped(name)}</text>`;
    })
    .join("");
  const text = Buffer.from(
    `<svg xmlns="http://www.w3.org/2000/svg" width="${whole.width}" height="${whole.height}">${names}</svg>`,
  );
  await sharp({ create: { ...whole, channels: 3, background: "#fafafa" } })
    .composite([
      ...cells.map(({ png }, index) => ({ input: png, ...at(index) })),
      { input: text, left: 0, top: 0 },
    ])
    .png({ compressionLevel: 9 })
    .toFile(path.resolve(file));
}
