import fontkit from "@cantoo/fontkit";
import { PDFDocument, type PDFFont } from "@cantoo/pdf-lib";
import { nameAt, type GaugePiece } from "../../plan/gaugePiece";
import { drawCards, type GoOn, type PdfEntry } from "./cardPages";
import { drawList, type PdfList } from "./listPage";
import { PAGE_MM, PT_PER_MM, Sheet } from "./sheet";

/** What is printed: the list of paint, a job's cards, and guides at 1 : 1. */
export interface BenchPdfInput {
  readonly title: string;
  readonly cautions: readonly string[];
  /** Left out where none is wanted. */
  readonly list?: PdfList;
  readonly cards: readonly PdfEntry[];
  readonly gauges: readonly {
    /** Empty where it belongs to none. */
    readonly surface: string;
    /** What the printed piece is called, and how it is used. */
    readonly title: string;
    readonly use: string;
    readonly pieces: readonly GaugePiece[];
  }[];
  /** Fonts to embed, as WOFF or TTF bytes. */
  readonly fonts: { readonly regular: Uint8Array; readonly bold: Uint8Array };
}

const always: GoOn = () => Promise.resolve(true);

/** Outlines of different colours are told apart by their line: full, broken, dotted. */
const GROUP_DASHES: readonly (readonly number[] | undefined)[] = [
  undefined,
  [0.8, 0.4],
  [0.25, 0.35],
  [1.2, 0.3, 0.2, 0.3],
];

/** The 50 mm test ruler; its ends are the outer ends of the base line. */
function drawRuler(sheet: Sheet, x: number, y: number, font: PDFFont): void {
  sheet.line([x, y], [x + 50, y], 0.15);
  for (let at = 0; at <= 50; at += 5) sheet.line([x + at, y], [x + at, y - (at % 10 === 0 ? 3.5 : 2)], 0.15);
  sheet.text(
    "50 mm. Measure this line before you cut; print at full size, without fitting to the page.",
    x,
    y + 5,
    8,
    font,
  );
}

/** Small enough for stripes of a millimetre. */
const NAME_PT = 3;

function drawPiece(sheet: Sheet, piece: GaugePiece, x: number, y: number, font: PDFFont): void {
  sheet.text(piece.title, x, y - 2, 9, font);
  const at = ([px, py]: readonly [number, number]) => [x + px, y + py] as const;
  piece.outline.forEach((point, index) => {
    sheet.line(at(point), at(piece.outline[(index + 1) % piece.outline.length]!), 0.15);
  });
  for (const tick of piece.ticks) {
    sheet.line(at(tick.from), at(tick.to), 0.1, tick.kind === "line" ? [0.5, 0.3] : undefined);
    if (tick.name === "") continue;
    const [nx, ny] = at(nameAt(tick));
    sheet.text(tick.name, nx - 0.35 * tick.name.length, ny + 0.35, NAME_PT, font);
  }
  for (const area of piece.areas) {
    for (const ring of area.rings)
      sheet.ring(ring.map(at), 0.1, GROUP_DASHES[area.group % GROUP_DASHES.length]);
    const [ax, ay] = at(area.at);
    sheet.text(area.label, ax - 0.5, ay + 0.6, 4.5, font);
  }
}

function drawGauges(document: PDFDocument, input: BenchPdfInput, regular: PDFFont, bold: PDFFont): void {
  for (const { surface, title, use, pieces } of input.gauges) {
    let sheet = new Sheet(document.addPage([PAGE_MM.width * PT_PER_MM, PAGE_MM.height * PT_PER_MM]));
    let y = 20;
    const head = () => {
      sheet.text(surface === "" ? input.title : `${input.title}: ${surface}`, 15, y, 13, bold);
      const used = sheet.paragraph(
        `${title} 1 : 1. ${use} Cut away from your hand, with a sharp blade.`,
        15,
        y + 7,
        180,
        9,
        regular,
      );
      drawRuler(sheet, 15, y + 7 + used + 6, regular);
      y += 7 + used + 24;
    };
    head();
    for (const piece of pieces) {
      if (y + piece.heightMm > PAGE_MM.height - 15) {
        sheet = new Sheet(document.addPage([PAGE_MM.width * PT_PER_MM, PAGE_MM.height * PT_PER_MM]));
        y = 20;
        head();
      }
      drawPiece(sheet, piece, 15, y, regular);
      y += piece.heightMm + 14;
    }
  }
}

/**
 * The list, cards, then the guides of every surface that has some, on A4 upright.
 * @param goOn asked after each card, with how many are written; where it says no, nothing comes of it
 */
export async function writeBenchPdf(input: BenchPdfInput): Promise<Uint8Array>;
export async function writeBenchPdf(input: BenchPdfInput, goOn: GoOn): Promise<Uint8Array | null>;
export async function writeBenchPdf(input: BenchPdfInput, goOn: GoOn = always): Promise<Uint8Array | null> {
  const document = await PDFDocument.create();
  document.registerFontkit(fontkit);
  document.setTitle(input.title);
  const regular = await document.embedFont(input.fonts.regular, { subset: true });
  const bold = await document.embedFont(input.fonts.bold, { subset: true });
  if (input.list) drawList(document, input.list, { regular, bold });
  if (!(await drawCards(document, input, { regular, bold }, goOn))) return null;
  drawGauges(document, input, regular, bold);
  return document.save();
}
