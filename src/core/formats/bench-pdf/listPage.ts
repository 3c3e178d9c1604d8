import type { PDFDocument } from "@cantoo/pdf-lib";
import { lineMm, linesOf, PAGE_MM, PT_PER_MM, Sheet, type Fonts } from "./sheet";

/** One line of a list: what, how much, and what is to be known of it. */
export interface ListItem {
  readonly name: string;
  /** Set at the end of the name's line, or below where there is no room. */
  readonly amount: string;
  readonly note: string;
}

/** Everything that is taken from the shelf and everything that is mixed. */
export interface PdfList {
  readonly title: string;
  readonly pots: readonly ListItem[];
  /** In the order of mixing. */
  readonly mixes: readonly ListItem[];
}

const [LEFT, TOP, BOTTOM, COLUMN, GAP] = [15, 24, 285, 86, 8];
/** Largest and least size of its letters: as large as lets it stand on one page. */
const [LARGEST_PT, LEAST_PT, STEP_PT] = [9, 5, 0.5] as const;

/** One line as it is set. */
interface SetLine {
  readonly text: string;
  readonly bold: boolean;
  /** Stands at the right end of the same line. */
  readonly end: string;
  /** A piece of the list begins here: some room before it. */
  readonly begins: boolean;
}

const plain = (text: string, more: Partial<SetLine> = {}): SetLine => ({
  ...{ text, bold: false, end: "", begins: false },
  ...more,
});

/** Lines of an item, at a size. */
function itemLines({ name, amount, note }: ListItem, sizePt: number, { regular, bold }: Fonts): SetLine[] {
  const beside = amount !== "" && linesOf(`${name}  ${amount}`, COLUMN - 2, sizePt, bold).length === 1;
  const [first, ...more] = linesOf(name, COLUMN, sizePt, bold);
  const below = [...(beside ? [] : [amount]), note].filter((text) => text !== "");
  return [
    plain(first ?? "", { bold: true, begins: true, end: beside ? amount : "" }),
    ...more.map((text) => plain(text, { bold: true })),
    ...below.flatMap((text) => linesOf(text, COLUMN, sizePt, regular)).map((text) => plain(text)),
  ];
}

/** Pieces of a list that stay together, each some lines. */
function piecesAt({ pots, mixes }: PdfList, sizePt: number, fonts: Fonts): SetLine[][] {
  const part = (heading: string, items: readonly ListItem[]) => {
    const [first, ...others] = items.map((item) => itemLines(item, sizePt, fonts));
    const head = plain(heading, { bold: true, begins: true });
    return first ? [[head, ...first], ...others] : [];
  };
  return [...part("Out of the pots", pots), ...part("Mix, in this order", mixes)];
}

const heightMm = (piece: readonly SetLine[], sizePt: number): number =>
  piece.reduce((sum, { begins }) => sum + lineMm(sizePt) * (begins ? 1.35 : 1), 0);

/** Pieces in columns as high as a page. */
function columnsOf(pieces: readonly SetLine[][], sizePt: number): SetLine[][][] {
  const columns: SetLine[][][] = [];
  let used = Infinity;
  for (const piece of pieces) {
    const height = heightMm(piece, sizePt);
    if (used + height > BOTTOM - TOP) {
      columns.push([]);
      used = 0;
    }
    columns.at(-1)!.push(piece);
    used += height;
  }
  return columns;
}

/** Columns at the largest size that fits one page; at the least where none does. */
function fitted(list: PdfList, fonts: Fonts): { columns: SetLine[][][]; sizePt: number } {
  for (let sizePt: number = LARGEST_PT; ; sizePt -= STEP_PT) {
    const columns = columnsOf(piecesAt(list, sizePt, fonts), sizePt);
    if (columns.length <= 2 || sizePt <= LEAST_PT) return { columns, sizePt };
  }
}

/** The list, on one page where it fits one in letters that can be read. */
export function drawList(document: PDFDocument, list: PdfList, fonts: Fonts): void {
  const { columns, sizePt } = fitted(list, fonts);
  for (let at = 0; at < columns.length; at += 2) {
    const sheet = new Sheet(document.addPage([PAGE_MM.width * PT_PER_MM, PAGE_MM.height * PT_PER_MM]));
    sheet.text(list.title, LEFT, 18, 14, fonts.bold);
    columns.slice(at, at + 2).forEach((pieces, side) => {
      const x = LEFT + side * (COLUMN + GAP);
      let y = TOP;
      for (const { text, bold, end, begins } of pieces.flat()) {
        y += lineMm(sizePt) * (begins ? 1.35 : 1);
        sheet.text(text, x, y, sizePt, bold ? fonts.bold : fonts.regular);
        const endMm = fonts.regular.widthOfTextAtSize(end.replaceAll("\u202f", " "), sizePt) / PT_PER_MM;
        if (end !== "") sheet.text(end, x + COLUMN - endMm, y, sizePt, fonts.regular);
      }
    });
  }
}
