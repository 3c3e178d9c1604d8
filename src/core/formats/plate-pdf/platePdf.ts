import fontkit from "@cantoo/fontkit";
import { PDFDocument, grayscale, type PDFFont, type PDFPage } from "@cantoo/pdf-lib";
import {
  DOTS,
  LINES,
  MARK_MM,
  MARKS,
  PLATE_MM,
  SOLID,
  STROKES,
  THINNED,
  type PlatePoint,
} from "../../plate/layout";
import { PAGE_MM, PT_PER_MM, Sheet } from "../bench-pdf/sheet";

/** Where the plate lies on the page, mm. */
export const PLATE_AT: PlatePoint = [25, 40];
/** Pale enough not to be taken for paint, dark enough to paint along. */
const GUIDE = grayscale(0.8);
const BLACK = grayscale(0);
const WHITE = grayscale(1);

const HOW = [
  "Print it at full size and glue it to a card, or prime a card and copy the rows onto it. Use one dark paint and your finest brush.",
  "Lines: from tick to tick, as fine as you can, in one pull each. Dots: as small as you can, one in each pair of ticks. Strokes: upright, one above each tick, all alike. Note how many seconds a row takes.",
  "Boxes: one even pass over each, the bar too, thinned with the parts of water named under it. Solid: as many coats as it takes.",
  "Let it dry. Photograph it from above with all four ring marks in the picture, in even light, without flash.",
] as const;

/** Draws in mm from the upper left of the plate. */
class PlateSheet {
  constructor(
    private readonly page: PDFPage,
    private readonly font: PDFFont,
  ) {}
  private x(mm: number): number {
    return (PLATE_AT[0] + mm) * PT_PER_MM;
  }
  private y(mm: number): number {
    return (PAGE_MM.height - PLATE_AT[1] - mm) * PT_PER_MM;
  }
  disc([x, y]: PlatePoint, acrossMm: number, color: ReturnType<typeof grayscale>): void {
    this.page.drawCircle({ x: this.x(x), y: this.y(y), size: (acrossMm / 2) * PT_PER_MM, color });
  }
  box([x, y]: PlatePoint, wideMm: number, highMm: number, color: ReturnType<typeof grayscale>): void {
    const [width, height] = [wideMm * PT_PER_MM, highMm * PT_PER_MM];
    this.page.drawRectangle({ x: this.x(x), y: this.y(y + highMm), width, height, color });
  }
  frame([x, y]: PlatePoint, wideMm: number, highMm: number): void {
    const [width, height] = [wideMm * PT_PER_MM, highMm * PT_PER_MM];
    this.page.drawRectangle({
      ...{ x: this.x(x), y: this.y(y + highMm), width, height },
      ...{ borderColor: GUIDE, borderWidth: 0.12 * PT_PER_MM },
    });
  }
  tick([x0, y0]: PlatePoint, [x1, y1]: PlatePoint): void {
    this.page.drawLine({
      ...{ start: { x: this.x(x0), y: this.y(y0) }, end: { x: this.x(x1), y: this.y(y1) } },
      ...{ thickness: 0.14 * PT_PER_MM, color: GUIDE },
    });
  }
  word(text: string, [x, y]: PlatePoint): void {
    this.page.drawText(text, {
      x: this.x(x),
      y: this.y(y),
      size: 5.5,
      font: this.font,
      color: grayscale(0.45),
    });
  }
}

function drawRows(plate: PlateSheet): void {
  const { fromX, lengthMm, ys } = LINES;
  for (const y of ys) {
    plate.tick([fromX - 1.6, y], [fromX - 0.5, y]);
    plate.tick([fromX + lengthMm + 0.5, y], [fromX + lengthMm + 1.6, y]);
  }
  for (const [x, y] of DOTS) {
    plate.tick([x, y - 1.9], [x, y - 1.4]);
    plate.tick([x, y + 1.4], [x, y + 1.9]);
  }
  for (let at = 0; at < STROKES.count; at++) {
    const x = STROKES.fromX + at * STROKES.pitchMm;
    plate.tick([x, STROKES.topY + STROKES.lengthMm + 1.7], [x, STROKES.topY + STROKES.lengthMm + 2.2]);
  }
}

function drawBoxes(plate: PlateSheet): void {
  const { topY, sizeMm, barMm, boxes } = THINNED;
  for (const { x, water } of boxes) {
    plate.box([x + (sizeMm - barMm) / 2, topY], barMm, sizeMm, BLACK);
    plate.frame([x - 0.3, topY - 0.3], sizeMm + 0.6, sizeMm + 0.6);
    plate.word(`${water} : 1 water`, [x - 0.2, topY + sizeMm + 3]);
  }
  plate.frame([SOLID.x - 0.3, SOLID.topY - 0.3], SOLID.sizeMm + 0.6, SOLID.sizeMm + 0.6);
  plate.word("solid", [SOLID.x + 1.6, SOLID.topY + SOLID.sizeMm + 3]);
  plate.word("finest lines", [LINES.fromX, 31.6]);
  plate.word("smallest dots, then even strokes", [STROKES.fromX, 31.6]);
}

function drawMarks(plate: PlateSheet): void {
  MARKS.forEach((mark, at) => {
    plate.disc(mark, MARK_MM.outer, BLACK);
    plate.disc(mark, MARK_MM.inner, WHITE);
    if (at === 0) plate.disc(mark, MARK_MM.dot, BLACK);
  });
}

/** Fonts to embed, as WOFF or TTF bytes. */
export interface PlateFonts {
  readonly regular: Uint8Array;
  readonly bold: Uint8Array;
}

/** The test plate at 1 : 1, with what is to be painted on it. */
export async function writePlatePdf(fonts: PlateFonts): Promise<Uint8Array> {
  const document = await PDFDocument.create();
  document.registerFontkit(fontkit);
  document.setTitle("Test plate");
  const regular = await document.embedFont(fonts.regular, { subset: true });
  const bold = await document.embedFont(fonts.bold, { subset: true });
  const page = document.addPage([PAGE_MM.width * PT_PER_MM, PAGE_MM.height * PT_PER_MM]);
  const sheet = new Sheet(page);
  sheet.text("Test plate: what your hand does", 20, 22, 14, bold);
  sheet.text(
    `${PLATE_MM.width} × ${PLATE_MM.height} mm. Print at full size, without fitting to the page.`,
    20,
    29,
    9,
    regular,
  );
  const plate = new PlateSheet(page, regular);
  plate.frame([0, 0], PLATE_MM.width, PLATE_MM.height);
  drawRows(plate);
  drawBoxes(plate);
  drawMarks(plate);
  let y = PLATE_AT[1] + PLATE_MM.height + 12;
  for (const text of HOW) y += sheet.paragraph(text, 20, y, 170, 9, regular) + 2;
  return document.save();
}
