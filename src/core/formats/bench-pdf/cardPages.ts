import type { PDFDocument, PDFFont } from "pdf-lib";
import { PAGE_MM, PT_PER_MM, Sheet } from "./sheet";

/** One card as printed. */
export interface PdfCard {
  readonly number: number;
  readonly title: string;
  /** Name and value, one line each. */
  readonly facts: readonly (readonly [string, string])[];
  readonly lookAt: readonly string[];
  /** PNG pictures of the surface before and after this coat. */
  readonly before: Uint8Array;
  readonly after: Uint8Array;
}

const CARD_MM = 62;
const LEFT = 15;
const PICTURE_MM = 44;

async function drawPicture(
  document: PDFDocument,
  sheet: Sheet,
  png: Uint8Array,
  x: number,
  y: number,
  label: string,
  font: PDFFont,
): Promise<void> {
  const image = await document.embedPng(png);
  const scale = Math.min(PICTURE_MM / image.width, 34 / image.height);
  sheet.page.drawImage(image, {
    x: x * PT_PER_MM,
    y: (PAGE_MM.height - y - image.height * scale) * PT_PER_MM,
    width: image.width * scale * PT_PER_MM,
    height: image.height * scale * PT_PER_MM,
  });
  sheet.text(label, x, y - 1.5, 7.5, font);
}

function drawFacts(sheet: Sheet, card: PdfCard, y: number, regular: PDFFont, bold: PDFFont): void {
  const x = LEFT + 2 * PICTURE_MM + 8;
  const width = PAGE_MM.width - LEFT - x;
  let down = y + 9;
  for (const [name, value] of card.facts) {
    sheet.text(name, x, down, 8, regular);
    down += Math.max(4, sheet.paragraph(value, x + 24, down, width - 24, 8, bold));
  }
  let under = y + 41;
  for (const line of card.lookAt) under += sheet.paragraph(line, LEFT, under, 2 * PICTURE_MM + 4, 8, regular);
}

/** Four cards to the page, after the job's title and cautions. */
export async function drawCards(
  document: PDFDocument,
  title: string,
  cautions: readonly string[],
  cards: readonly PdfCard[],
  regular: PDFFont,
  bold: PDFFont,
): Promise<void> {
  let sheet: Sheet | null = null;
  let y = Infinity;
  for (const card of cards) {
    if (sheet === null || y + CARD_MM > PAGE_MM.height - 10) {
      const first: boolean = sheet === null;
      sheet = new Sheet(document.addPage([PAGE_MM.width * PT_PER_MM, PAGE_MM.height * PT_PER_MM]));
      sheet.text(title, LEFT, 18, 14, bold);
      y = 24;
      if (first)
        for (const caution of cautions) y += sheet.paragraph(`Caution: ${caution}`, LEFT, y, 180, 8, regular);
      y += 3;
    }
    sheet.line([LEFT, y], [PAGE_MM.width - LEFT, y], 0.1);
    sheet.text(`${card.number}  ${card.title}`, LEFT, y + 6, 11, bold);
    await drawPicture(document, sheet, card.before, LEFT, y + 11, "before", regular);
    await drawPicture(document, sheet, card.after, LEFT + PICTURE_MM + 3, y + 11, "after", regular);
    drawFacts(sheet, card, y, regular, bold);
    y += CARD_MM;
  }
}
