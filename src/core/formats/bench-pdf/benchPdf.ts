import fontkit from "@pdf-lib/fontkit";
import { PDFDocument, type PDFFont } from "pdf-lib";
import type { GaugePiece } from "../../plan/gauge";
import { drawCards, type PdfCard } from "./cardPages";
import { PAGE_MM, PT_PER_MM, Sheet } from "./sheet";

export interface BenchPdfInput {
  readonly title: string;
  readonly cautions: readonly string[];
  readonly cards: readonly PdfCard[];
  readonly gauges: readonly { readonly surface: string; readonly pieces: readonly GaugePiece[] }[];
  /** Fonts to embed, as WOFF or TTF bytes. */
  readonly fonts: { readonly regular: Uint8Array; readonly bold: Uint8Array };
}

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

function drawPiece(sheet: Sheet, piece: GaugePiece, x: number, y: number, font: PDFFont): void {
  sheet.text(piece.title, x, y - 2, 9, font);
  const at = ([px, py]: readonly [number, number]) => [x + px, y + py] as const;
  piece.outline.forEach((point, index) => {
    sheet.line(at(point), at(piece.outline[(index + 1) % piece.outline.length]!), 0.15);
  });
  for (const tick of piece.ticks) {
    sheet.line(at(tick.from), at(tick.to), 0.1, tick.kind === "line" ? [0.5, 0.3] : undefined);
  }
}

function drawGauges(document: PDFDocument, input: BenchPdfInput, regular: PDFFont, bold: PDFFont): void {
  for (const { surface, pieces } of input.gauges) {
    let sheet = new Sheet(document.addPage([PAGE_MM.width * PT_PER_MM, PAGE_MM.height * PT_PER_MM]));
    let y = 20;
    const head = () => {
      sheet.text(`${input.title}: ${surface}`, 15, y, 13, bold);
      const used = sheet.paragraph(
        "Gauge strip 1 : 1. Cut along the outline and lay it round the figure, hem to hem. Full ticks are edges of boxes, broken ticks are lines. Cut away from your hand, with a sharp blade.",
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

/** Cards, then a gauge strip for every surface that has one, on A4 upright. */
export async function writeBenchPdf(input: BenchPdfInput): Promise<Uint8Array> {
  const document = await PDFDocument.create();
  document.registerFontkit(fontkit);
  document.setTitle(input.title);
  const regular = await document.embedFont(input.fonts.regular, { subset: true });
  const bold = await document.embedFont(input.fonts.bold, { subset: true });
  await drawCards(document, input.title, input.cautions, input.cards, regular, bold);
  drawGauges(document, input, regular, bold);
  return document.save();
}
