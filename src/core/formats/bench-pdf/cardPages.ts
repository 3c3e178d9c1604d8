import type { PDFDocument, PDFFont, PDFImage } from "@cantoo/pdf-lib";
import { lineMm, linesOf, PAGE_MM, PT_PER_MM, Sheet } from "./sheet";

/** One card as printed. */
export interface PdfCard {
  readonly number: number;
  readonly title: string;
  /** Name and value, one line each. */
  readonly facts: readonly (readonly [string, string])[];
  readonly lookAt: readonly string[];
  /** Pictures of the surface before and after this coat, PNG or JPEG; one that serves twice is written once. */
  readonly before: Uint8Array;
  readonly after: Uint8Array;
}

const LEAST_CARD_MM = 56;
const LEFT = 15;
const PICTURE_MM = 40;

/** Told how many cards are written; resolves to false where no more are wanted. */
export type GoOn = (done: number) => Promise<boolean>;

/** What a JPEG begins with. */
const JPEG_FIRST = 0xff;

/** Pictures put into the file, each once. */
function picturesOf(document: PDFDocument): (bytes: Uint8Array) => Promise<PDFImage> {
  const known = new Map<Uint8Array, Promise<PDFImage>>();
  return (bytes) => {
    const image =
      known.get(bytes) ?? (bytes[0] === JPEG_FIRST ? document.embedJpg(bytes) : document.embedPng(bytes));
    known.set(bytes, image);
    return image;
  };
}

function drawPicture(
  sheet: Sheet,
  image: PDFImage,
  x: number,
  y: number,
  label: string,
  font: PDFFont,
): void {
  const scale = Math.min(PICTURE_MM / image.width, 34 / image.height);
  sheet.page.drawImage(image, {
    x: x * PT_PER_MM,
    y: (PAGE_MM.height - y - image.height * scale) * PT_PER_MM,
    width: image.width * scale * PT_PER_MM,
    height: image.height * scale * PT_PER_MM,
  });
  sheet.text(label, x, y - 1.5, 7.5, font);
}

/** Where the facts stand, and how wide their values are set, mm. */
const FACTS_X = LEFT + 2 * PICTURE_MM + 7;
const NAME_MM = 18;
const VALUE_MM = PAGE_MM.width - LEFT - FACTS_X - NAME_MM;
const SIZE_PT = 7.5;
const LEAST_ROW_MM = 3.7;
/** From the top of a card to its facts, and to what stands under its pictures, mm. */
const FACTS_TOP_MM = 5;
const UNDER_MM = 41;

const rowMm = (value: string, bold: PDFFont): number =>
  Math.max(LEAST_ROW_MM, linesOf(value, VALUE_MM, SIZE_PT, bold).length * lineMm(SIZE_PT));

/** Height a card needs, mm. */
function heightOf({ facts, lookAt }: PdfCard, regular: PDFFont, bold: PDFFont): number {
  const beside = facts.reduce((sum, [, value]) => sum + rowMm(value, bold), FACTS_TOP_MM);
  const under = lookAt.reduce(
    (sum, line) => sum + linesOf(line, 2 * PICTURE_MM + 3, SIZE_PT, regular).length * lineMm(SIZE_PT),
    UNDER_MM,
  );
  return Math.max(LEAST_CARD_MM, beside + 4, under + 3);
}

function drawFacts(sheet: Sheet, card: PdfCard, y: number, regular: PDFFont, bold: PDFFont): void {
  let down = y + FACTS_TOP_MM;
  for (const [name, value] of card.facts) {
    sheet.text(name, FACTS_X, down, SIZE_PT, regular);
    sheet.paragraph(value, FACTS_X + NAME_MM, down, VALUE_MM, SIZE_PT, bold);
    down += rowMm(value, bold);
  }
  let under = y + UNDER_MM;
  for (const line of card.lookAt)
    under += sheet.paragraph(line, LEFT, under, 2 * PICTURE_MM + 3, SIZE_PT, regular);
}

/** What stands on the pages of cards. */
interface CardPages {
  readonly title: string;
  readonly cautions: readonly string[];
  readonly cards: readonly PdfCard[];
}

/**
 * Cards one below the other, none broken over two pages, after the job's title and cautions.
 * @returns false where it was stopped
 */
export async function drawCards(
  document: PDFDocument,
  { title, cautions, cards }: CardPages,
  { regular, bold }: { readonly regular: PDFFont; readonly bold: PDFFont },
  goOn: GoOn,
): Promise<boolean> {
  const pictureOf = picturesOf(document);
  let sheet: Sheet | null = null;
  let y = Infinity;
  for (const [done, card] of cards.entries()) {
    if (!(await goOn(done))) return false;
    const height = heightOf(card, regular, bold);
    if (sheet === null || y + height > PAGE_MM.height - 8) {
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
    drawPicture(sheet, await pictureOf(card.before), LEFT, y + 11, "before", regular);
    drawPicture(sheet, await pictureOf(card.after), LEFT + PICTURE_MM + 3, y + 11, "after", regular);
    drawFacts(sheet, card, y, regular, bold);
    y += height;
  }
  return true;
}
