import path from "node:path";
import sharp from "sharp";
import type { Job, Paint } from "../../src/core/job";
import { startKernel } from "../../src/core/simulate/compositor";
import { Simulator, type LaidSurface, type Specimen } from "../../src/core/simulate/simulator";

const SURROUND = { r: 0x8c, g: 0x8c, b: 0x8c, alpha: 1 };
const simulator = startKernel().then((kernel) => new Simulator(kernel));

/** A surface, simulated and lit, as PNG bytes of one width, px. */
export async function surfacePng(
  job: Job,
  paints: readonly Paint[],
  surfaceId: string,
  size: { width: number; height: number },
  upTo: number | null = null,
): Promise<Buffer> {
  const sim = await simulator;
  const request = { job, paints, surfaceId, upTo, lit: true };
  const laid = await sim.lay(request, false, () => Promise.resolve(true));
  return toPng(sim.picture(request, laid!), size);
}

/** Films that were laid by hand, lit, as PNG bytes. */
export async function laidPng(
  job: Job,
  paints: readonly Paint[],
  laid: LaidSurface,
  size: { width: number; height: number },
): Promise<Buffer> {
  const request = { job, paints, surfaceId: "", upTo: null, lit: true };
  return toPng((await simulator).picture(request, laid), size);
}

function toPng(picture: Specimen, size: { width: number; height: number }): Promise<Buffer> {
  return sharp(Buffer.from(picture.rgba.buffer), {
    raw: { width: picture.width, height: picture.height, channels: 4 },
  })
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
