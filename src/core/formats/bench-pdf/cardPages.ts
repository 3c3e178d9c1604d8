import type { PDFDocument, PDFFont, PDFImage } from "@cantoo/pdf-lib";
import { lineMm, linesOf, PAGE_MM, PT_PER_MM, Sheet, type Fonts } from "./sheet";

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

/** What stands on pages of cards, one below the other. */
export type PdfEntry =
  | (PdfCard & { readonly kind: "card" })
  /** What follows belongs together: a sitting, with when it is and how long. */
  | { readonly kind: "heading"; readonly title: string; readonly note: string }
  /** A card that is printed already is painted once more. */
  | { readonly kind: "again"; readonly number: number; readonly text: string };

const LEAST_CARD_MM = 48;
const LEFT = 15;
const PICTURE_MM = 40;
/** Most of a picture's height, and where it begins below the top of its card, mm. */
const [PICTURE_HIGH_MM, PICTURE_TOP_MM] = [34, 11];

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

const scaleOf = ({ width, height }: PDFImage): number =>
  Math.min(PICTURE_MM / width, PICTURE_HIGH_MM / height);

function drawPicture(
  sheet: Sheet,
  image: PDFImage,
  x: number,
  y: number,
  label: string,
  font: PDFFont,
): void {
  const scale = scaleOf(image);
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
/** From the top of a card to its facts, and from its pictures to what stands under them, mm. */
const FACTS_TOP_MM = 5;
const UNDER_MM = 4.5;

const rowMm = (value: string, bold: PDFFont): number =>
  Math.max(LEAST_ROW_MM, linesOf(value, VALUE_MM, SIZE_PT, bold).length * lineMm(SIZE_PT));

/** Pictures of a card, ready to be drawn. */
type Pair = readonly [before: PDFImage, after: PDFImage];

/** Where the text under the pictures of a card begins, mm below its top. */
const underMm = (pair: Pair): number =>
  PICTURE_TOP_MM + Math.max(...pair.map((image) => image.height * scaleOf(image))) + UNDER_MM;

/** Height a card needs, mm. */
function heightOf({ facts, lookAt }: PdfCard, pair: Pair, { regular, bold }: Fonts): number {
  const beside = facts.reduce((sum, [, value]) => sum + rowMm(value, bold), FACTS_TOP_MM);
  const under = lookAt.reduce(
    (sum, line) => sum + linesOf(line, 2 * PICTURE_MM + 3, SIZE_PT, regular).length * lineMm(SIZE_PT),
    underMm(pair),
  );
  return Math.max(LEAST_CARD_MM, beside + 4, under + 3);
}

function drawCard(sheet: Sheet, card: PdfCard, pair: Pair, y: number, { regular, bold }: Fonts): void {
  sheet.text(`${card.number}  ${card.title}`, LEFT, y + 6, 11, bold);
  pair.forEach((image, at) => {
    const x = LEFT + at * (PICTURE_MM + 3);
    drawPicture(sheet, image, x, y + PICTURE_TOP_MM, at === 0 ? "before" : "after", regular);
  });
  let down = y + FACTS_TOP_MM;
  for (const [name, value] of card.facts) {
    sheet.text(name, FACTS_X, down, SIZE_PT, regular);
    sheet.paragraph(value, FACTS_X + NAME_MM, down, VALUE_MM, SIZE_PT, bold);
    down += rowMm(value, bold);
  }
  let under = y + underMm(pair);
  for (const line of card.lookAt)
    under += sheet.paragraph(line, LEFT, under, 2 * PICTURE_MM + 3, SIZE_PT, regular);
}

const HEADING_MM = 13;
const AGAIN_PT = 9;
const NUMBER_MM = 9;
const AGAIN_MM = PAGE_MM.width - 2 * LEFT - NUMBER_MM;

/** An entry with its height, mm, ready to be drawn. */
interface SetEntry {
  readonly mm: number;
  draw(sheet: Sheet, y: number): void;
}

async function setEntry(
  entry: PdfEntry,
  fonts: Fonts,
  pictureOf: ReturnType<typeof picturesOf>,
): Promise<SetEntry> {
  const { regular, bold } = fonts;
  const line = (sheet: Sheet, y: number, widthMm: number) =>
    sheet.line([LEFT, y], [PAGE_MM.width - LEFT, y], widthMm);
  if (entry.kind === "card") {
    const pair = [await pictureOf(entry.before), await pictureOf(entry.after)] as const;
    return {
      mm: heightOf(entry, pair, fonts),
      draw(sheet, y) {
        line(sheet, y, 0.1);
        drawCard(sheet, entry, pair, y, fonts);
      },
    };
  }
  if (entry.kind === "heading")
    return {
      mm: HEADING_MM,
      draw(sheet, y) {
        line(sheet, y, 0.4);
        sheet.text(entry.title, LEFT, y + 6, 12, bold);
        sheet.text(entry.note, LEFT, y + 10.5, 8.5, regular);
      },
    };
  return {
    mm: linesOf(entry.text, AGAIN_MM, AGAIN_PT, regular).length * lineMm(AGAIN_PT) + 4,
    draw(sheet, y) {
      line(sheet, y, 0.1);
      sheet.text(String(entry.number), LEFT, y + 5, 11, bold);
      sheet.paragraph(entry.text, LEFT + NUMBER_MM, y + 5, AGAIN_MM, AGAIN_PT, regular);
    },
  };
}

/** What stands on the pages of cards. */
interface CardPages {
  readonly title: string;
  readonly cautions: readonly string[];
  readonly cards: readonly PdfEntry[];
}

/**
 * Cards one below the other, none broken over two pages, no heading alone at the foot of one, after the job's title and
 * cautions.
 * @returns false where it was stopped
 */
export async function drawCards(
  document: PDFDocument,
  { title, cautions, cards }: CardPages,
  fonts: Fonts,
  goOn: GoOn,
): Promise<boolean> {
  const { regular, bold } = fonts;
  const pictureOf = picturesOf(document);
  let sheet: Sheet | null = null;
  let y = Infinity;
  for (const [done, entry] of cards.entries()) {
    if (!(await goOn(done))) return false;
    const set = await setEntry(entry, fonts, pictureOf);
    const next = entry.kind === "heading" ? cards[done + 1] : undefined;
    const needed = set.mm + (next ? (await setEntry(next, fonts, pictureOf)).mm : 0);
    if (sheet === null || y + needed > PAGE_MM.height - 8) {
      const first: boolean = sheet === null;
      sheet = new Sheet(document.addPage([PAGE_MM.width * PT_PER_MM, PAGE_MM.height * PT_PER_MM]));
      sheet.text(title, LEFT, 18, 14, bold);
      y = 24;
      if (first)
        for (const caution of cautions) y += sheet.paragraph(`Caution: ${caution}`, LEFT, y, 180, 8, regular);
      y += 3;
    }
    set.draw(sheet, y);
    y += set.mm;
  }
  return true;
}
