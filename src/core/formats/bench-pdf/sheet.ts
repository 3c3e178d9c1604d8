import { rgb, type PDFFont, type PDFPage } from "@cantoo/pdf-lib";

/** Points of a PDF per millimetre. */
export const PT_PER_MM = 72 / 25.4;
export const PAGE_MM = { width: 210, height: 297 } as const;
/** The two weights in which everything is set. */
export interface Fonts {
  readonly regular: PDFFont;
  readonly bold: PDFFont;
}
const INK = rgb(0, 0, 0);

/** Draws in millimetres from the top left of a page. */
export class Sheet {
  readonly page: PDFPage;
  constructor(page: PDFPage) {
    this.page = page;
  }
  private x(mm: number): number {
    return mm * PT_PER_MM;
  }
  private y(mm: number): number {
    return (PAGE_MM.height - mm) * PT_PER_MM;
  }
  line(
    from: readonly [number, number],
    to: readonly [number, number],
    widthMm: number,
    dashMm?: readonly number[],
  ): void {
    this.page.drawLine({
      start: { x: this.x(from[0]), y: this.y(from[1]) },
      end: { x: this.x(to[0]), y: this.y(to[1]) },
      thickness: widthMm * PT_PER_MM,
      color: INK,
      ...(dashMm ? { dashArray: dashMm.map((mm) => mm * PT_PER_MM) } : {}),
    });
  }
  /** A closed outline. */
  ring(points: readonly (readonly [number, number])[], widthMm: number, dashMm?: readonly number[]): void {
    const path = points.map(([x, y], at) => `${at === 0 ? "M" : "L"}${this.x(x)} ${this.x(y)}`).join(" ");
    this.page.drawSvgPath(`${path} Z`, {
      x: 0,
      y: this.y(0),
      borderColor: INK,
      borderWidth: widthMm * PT_PER_MM,
      ...(dashMm ? { borderDashArray: dashMm.map((mm) => mm * PT_PER_MM) } : {}),
    });
  }
  /** The thin no-break space before units is no glyph of the printed font: a plain one takes its place. */
  text(text: string, xMm: number, yMm: number, sizePt: number, font: PDFFont): void {
    this.page.drawText(text.replaceAll("\u202f", " "), {
      x: this.x(xMm),
      y: this.y(yMm),
      size: sizePt,
      font,
      color: INK,
    });
  }
  /** Sets text in lines that fit a width; returns the height used, mm. */
  paragraph(text: string, xMm: number, yMm: number, widthMm: number, sizePt: number, font: PDFFont): number {
    const lines = linesOf(text, widthMm, sizePt, font);
    lines.forEach((line, at) => this.text(line, xMm, yMm + at * lineMm(sizePt), sizePt, font));
    return lines.length * lineMm(sizePt);
  }
}

/** Height of a line of text, mm. */
export const lineMm = (sizePt: number): number => (sizePt * 1.35) / PT_PER_MM;

/** Widths of words at one point, by font: cards say much in the same words, and setting a word is slow. */
const widths = new WeakMap<PDFFont, Map<string, number>>();

function widthOf(word: string, sizePt: number, font: PDFFont): number {
  const known = widths.get(font) ?? new Map<string, number>();
  widths.set(font, known);
  const width = known.get(word) ?? font.widthOfTextAtSize(word, 1);
  known.set(word, width);
  return width * sizePt;
}

/** Breaks text into lines that fit a width. */
export function linesOf(text: string, widthMm: number, sizePt: number, font: PDFFont): string[] {
  const lines: string[] = [];
  const most = widthMm * PT_PER_MM;
  const space = widthOf(" ", sizePt, font);
  let [line, used] = ["", 0];
  for (const word of text.split(/[ \n]+/)) {
    const width = widthOf(word, sizePt, font);
    if (line === "" || used + space + width <= most) {
      used += line === "" ? width : space + width;
      line = line === "" ? word : `${line} ${word}`;
    } else {
      lines.push(line);
      [line, used] = [word, width];
    }
  }
  return line === "" ? lines : [...lines, line];
}
