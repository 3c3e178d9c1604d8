import { execFileSync } from "node:child_process";
import { readFileSync } from "node:fs";
import path from "node:path";
import sharp from "sharp";

/** How finely pages are drawn before they are measured. */
const DPI = 600;
export const PX_PER_MM = DPI / 25.4;

/** A font that ships, as the PDF takes it. */
export const font = (weight: number) =>
  new Uint8Array(
    readFileSync(path.resolve(`node_modules/@fontsource/archivo/files/archivo-latin-${weight}-normal.woff`)),
  );

/** A page as another program draws it. */
export interface Ink {
  readonly width: number;
  readonly height: number;
  dark(x: number, y: number): boolean;
}

/** A picture's ink. */
export async function ink(png: string): Promise<Ink> {
  const { data, info } = await sharp(png, { limitInputPixels: false })
    .greyscale()
    .raw()
    .toBuffer({ resolveWithObject: true });
  return { width: info.width, height: info.height, dark: (x, y) => data[y * info.width + x]! < 128 };
}

/** First and last dark column within a strip of rows, px. */
export function reachX(page: Ink, fromY: number, toY: number, fromX = 0, toX = page.width): [number, number] {
  let [first, last] = [Infinity, -1];
  for (let y = fromY; y < toY; y++) {
    for (let x = fromX; x < toX; x++) {
      if (!page.dark(x, y)) continue;
      first = Math.min(first, x);
      last = Math.max(last, x);
    }
  }
  return [first, last + 1];
}

/** The longest dark run in any row, and where: the base line of the test ruler. */
export function longestRun(page: Ink): { y: number; from: number; length: number } {
  let best = { y: 0, from: 0, length: 0 };
  for (let y = 0; y < page.height; y++) {
    let from = -1;
    for (let x = 0; x <= page.width; x++) {
      const dark = x < page.width && page.dark(x, y);
      if (dark && from < 0) from = x;
      if (!dark && from >= 0) {
        if (x - from > best.length) best = { y, from, length: x - from };
        from = -1;
      }
    }
  }
  return best;
}

/** One page of a PDF as poppler draws it. @param out where its picture goes, without ending */
export async function drawnPage(file: string, page: number, out: string): Promise<Ink> {
  const pages = ["-f", String(page), "-l", String(page), "-singlefile"];
  execFileSync("pdftocairo", ["-png", "-gray", "-r", String(DPI), ...pages, file, out]);
  return ink(`${out}.png`);
}
