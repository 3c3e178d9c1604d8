import boldUrl from "@fontsource/archivo/files/archivo-latin-600-normal.woff?url";
import regularUrl from "@fontsource/archivo/files/archivo-latin-400-normal.woff?url";
import { writeBenchPdf, type BenchPdfInput } from "../core/formats/bench-pdf/benchPdf";
import { writePlatePdf } from "../core/formats/plate-pdf/platePdf";
import type { PdfCard } from "../core/formats/bench-pdf/cardPages";
import { figureOf, type Job, type Paint, type Surface } from "../core/job";
import { familyIn } from "../core/patterns";
import type { Painter } from "../core/painter";
import { buildForm } from "../core/surface/forms/buildForm";
import { patternOf } from "../core/patterns/bind";
import { InputError } from "../core/errors";
import { heightPost, turningRing } from "../core/plan/handleAids";
import { groundPlan } from "../core/plan/groundPlan";
import { stencilPlan } from "../core/plan/stencilPlan";
import { cardsOf, SITTING_CAUTIONS, type Card } from "../core/plan/cards";
import { cardFacts } from "../core/plan/cardText";
import { paintPose, posePiece, type PiecePicture } from "../core/piece/still";
import type { LaidSurface, Simulator, SpecimenRequest, StillWanted } from "../core/simulate/simulator";
import { addsOfCards, addsText, stopText, type CardAdds } from "../core/plan/stopping";
import { addsOf, type CoatAdds } from "../core/simulate/adding";
import { stepPictures } from "./steps";

const SURROUND = "#8c8c8c";

/** Good enough that no grain of it is seen on paper; the file takes it as it is. */
const JPEG_QUALITY = 0.93;

/** A picture on the neutral surround, as JPEG. */
async function toJpeg({ rgba, width, height }: PiecePicture): Promise<Uint8Array> {
  const canvas = new OffscreenCanvas(width, height);
  const context = canvas.getContext("2d")!;
  const picture = new OffscreenCanvas(width, height);
  picture.getContext("2d")!.putImageData(new ImageData(rgba, width, height), 0, 0);
  context.fillStyle = SURROUND;
  context.fillRect(0, 0, width, height);
  context.drawImage(picture, 0, 0);
  const blob = await canvas.convertToBlob({ type: "image/jpeg", quality: JPEG_QUALITY });
  return new Uint8Array(await blob.arrayBuffer());
}

async function fontBytes(url: string): Promise<Uint8Array> {
  const response = await fetch(url);
  return new Uint8Array(await response.arrayBuffer());
}

/** From where pieces are looked at on cards, and how large. */
const VIEW = { turnDeg: 0, tiltDeg: null, pxPerMm: 200, mostPx: 420 } as const;

/**
 * The piece on its form, primed and after every coat. It is posed once, with the relief that all its paint gives it: what
 * changes from card to card is its colour.
 */
async function standingSteps(
  simulator: Simulator,
  request: SpecimenRequest,
  laid: LaidSurface,
): Promise<{ readonly pictures: Uint8Array[]; readonly adds: CoatAdds[] }> {
  const { grid, heights } = simulator.skin(request, laid);
  const pose = posePiece({ grid, heights, gloss: null, lit: true }, VIEW);
  // What lies before one coat is what lay after the one before it: each picture is made once.
  const pictures: Uint8Array[] = [];
  const steps = stepPictures(simulator, request, laid);
  for (const rgba of steps) pictures.push(await toJpeg(paintPose(pose, [rgba])));
  const surface = request.job.surfaces.find(({ id }) => id === request.surfaceId);
  const { viewingDistanceMm } = figureOf(request.job, surface);
  const ids = laid.coats.map(({ coat }) => coat.id);
  return { pictures, adds: addsOf(ids, steps, grid, viewingDistanceMm) };
}

/** Everything a printed card says. */
function toldOn(
  card: Card,
  adds: CardAdds | undefined,
  paints: readonly Paint[],
  painter: Painter,
): Pick<PdfCard, "facts" | "lookAt"> {
  return {
    facts: [...cardFacts(card, paints, painter), ...(adds ? [["Adds", addsText(adds)] as const] : [])],
    lookAt: [
      ...(card.caution ? [`Caution: ${card.caution}`] : []),
      ...card.lookAt,
      ...(adds?.stop ? [stopText(adds.stop)] : []),
    ],
  };
}

async function printedCards(
  job: Job,
  paints: readonly Paint[],
  painter: Painter,
  simulator: Simulator,
  wanted: StillWanted,
): Promise<PdfCard[] | null> {
  const cards = cardsOf(job, paints, painter);
  const out: PdfCard[] = [];
  for (const surface of job.surfaces) {
    const own: Card[] = cards.filter((card) => card.surface.id === surface.id);
    if (own.length === 0) continue;
    const request = { job, paints, surfaceId: surface.id, upTo: null, lit: false };
    const laid = await simulator.lay(request, true, () => wanted(out.length, 2 * cards.length));
    if (!laid) return null;
    const { pictures, adds } = await standingSteps(simulator, request, laid);
    const added = addsOfCards(own, adds);
    for (const card of own) {
      if (!(await wanted(out.length, 2 * cards.length))) return null;
      out.push({
        number: out.length + 1,
        title: job.surfaces.length > 1 ? `${surface.name}: ${card.title}` : card.title,
        ...toldOn(card, added.get(card.id), paints, painter),
        before: pictures[card.step]!,
        after: pictures[card.step + 1]!,
      });
    }
  }
  return out;
}

/** Most figures of a unit whose guides are printed one by one. */
const MOST_PRINTED = 12;

/** A pattern's guides, for each figure of a unit where they differ. */
function patternGuides(job: Job, surface: Surface): BenchPdfInput["gauges"] {
  const family = familyIn(surface);
  const { pattern: use } = surface;
  const { count } = figureOf(job, surface);
  if (!use || !family?.guides) return [];
  const figures = family.forFigure ? Math.min(MOST_PRINTED, count) : 1;
  return Array.from({ length: figures }, (_, at) => {
    const params = family.forFigure && figures > 1 ? family.forFigure(use.params, at + 1) : use.params;
    const own = figures > 1 ? { ...surface, pattern: { ...use, params } } : surface;
    const pattern = patternOf(job, own, buildForm(surface))!;
    const name = figures > 1 ? `${surface.name}, figure ${at + 1} of ${count}` : surface.name;
    const guides = family.guides!;
    return { surface: name, title: guides.title, use: guides.use, pieces: guides.of(pattern.layout).pieces };
  });
}

/** What is printed of a surface at 1 : 1: what is built on it, its pattern's guides, its masks. @throws InputError where it cannot be built */
function guidesOf(job: Job, surface: Surface): BenchPdfInput["gauges"] {
  const own = [groundPlan(surface, buildForm(surface)), stencilPlan(surface)].flatMap((plan) => plan ?? []);
  return [...own.map((plan) => ({ surface: surface.name, ...plan })), ...patternGuides(job, surface)];
}

const bothFonts = async () => {
  const [regular, bold] = await Promise.all([fontBytes(regularUrl), fontBytes(boldUrl)]);
  return { regular, bold };
};

/** A ring for the handle and a height post, cut from card, as one PDF. */
export async function makeAidsPdf(handleMm: number, postMm: number): Promise<Uint8Array> {
  const card = "Print on card or glue the paper to some.";
  return writeBenchPdf({
    ...{ title: "For the handle and the table", cautions: [], cards: [], fonts: await bothFonts() },
    gauges: [
      {
        surface: "",
        title: "Turning ring",
        use: `${card} Cut out the middle, push the ring on the handle, and make one mark on the handle: it reads the turn in degrees, clockwise from above.`,
        pieces: [turningRing(handleMm)],
      },
      {
        surface: "",
        title: "Height post",
        use: `${card} Fold at 0 and stand it beside the figure: rest the brush at a height and turn the figure for a level line.`,
        pieces: [heightPost(postMm)],
      },
    ],
  });
}

/** The test plate as PDF. */
export const makePlatePdf = async (): Promise<Uint8Array> => writePlatePdf(await bothFonts());

/** Cards and gauge strips of a job as one PDF; null where it was cancelled. */
export async function makeBenchPdf(
  job: Job,
  paints: readonly Paint[],
  painter: Painter,
  simulator: Simulator,
  wanted: StillWanted,
): Promise<Uint8Array | null> {
  const cards = await printedCards(job, paints, painter, simulator, wanted);
  if (!cards) return null;
  const gauges = job.surfaces.flatMap((surface) => {
    try {
      return guidesOf(job, surface);
    } catch (error) {
      // A surface that cannot be built has no gauge; the check says why.
      if (error instanceof InputError) return [];
      throw error;
    }
  });
  const input = { title: job.name, cautions: SITTING_CAUTIONS, cards, gauges, fonts: await bothFonts() };
  return writeBenchPdf(input, (done) => wanted(cards.length + done, 2 * cards.length));
}
