import boldUrl from "@fontsource/archivo/files/archivo-latin-600-normal.woff?url";
import regularUrl from "@fontsource/archivo/files/archivo-latin-400-normal.woff?url";
import { writeBenchPdf, type BenchPdfInput } from "../core/formats/bench-pdf/benchPdf";
import { writePlatePdf } from "../core/formats/plate-pdf/platePdf";
import { figureOf, type Job, type Paint, type Surface } from "../core/job";
import { familyIn } from "../core/patterns";
import type { Painter } from "../core/painter";
import type { PlanInput } from "./questions/benchPdf";
import { buildForm } from "../core/surface/forms/buildForm";
import { patternOf } from "../core/patterns/bind";
import { InputError } from "../core/errors";
import { heightPost, turningRing } from "../core/plan/handleAids";
import { groundPlan } from "../core/plan/groundPlan";
import { stencilPlan } from "../core/plan/stencilPlan";
import { cardsOf, SITTING_CAUTIONS, type Card } from "../core/plan/cards";
import { cardFacts } from "../core/plan/cardText";
import { cardsInPlan } from "../core/plan/inPlan";
import { entriesOf, listOf, type CardFace, type PrintedPlan } from "../core/plan/printedPlan";
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
): Pick<CardFace, "facts" | "lookAt"> {
  return {
    facts: [...cardFacts(card, paints, painter), ...(adds ? [["Adds", addsText(adds)] as const] : [])],
    lookAt: [
      ...(card.caution ? [`Caution: ${card.caution}`] : []),
      ...card.lookAt,
      ...(adds?.stop ? [stopText(adds.stop)] : []),
    ],
  };
}

/** What each card looks like on paper, by its id; null where it was cancelled. */
async function facesOf(
  { job, paints, painter }: PlanInput,
  cards: readonly Card[],
  simulator: Simulator,
  wanted: StillWanted,
): Promise<Map<string, CardFace> | null> {
  const faces = new Map<string, CardFace>();
  for (const surface of job.surfaces) {
    const own: Card[] = cards.filter((card) => card.surface.id === surface.id);
    if (own.length === 0) continue;
    const request = { job, paints, surfaceId: surface.id, upTo: null, lit: false };
    const laid = await simulator.lay(request, true, () => wanted(faces.size, 2 * cards.length));
    if (!laid) return null;
    const { pictures, adds } = await standingSteps(simulator, request, laid);
    const ordered = own.toSorted((a, b) => a.step - b.step);
    const added = addsOfCards(ordered, adds);
    for (const card of ordered) {
      if (!(await wanted(faces.size, 2 * cards.length))) return null;
      faces.set(card.id, {
        ...toldOn(card, added.get(card.id), paints, painter),
        before: pictures[card.step]!,
        after: pictures[card.step + 1]!,
      });
    }
  }
  return faces;
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

/** All guides of a job. A surface that cannot be built has none; the check says why. */
const allGuides = (job: Job): BenchPdfInput["gauges"] =>
  job.surfaces.flatMap((surface) => {
    try {
      return guidesOf(job, surface);
    } catch (error) {
      if (error instanceof InputError) return [];
      throw error;
    }
  });

/** Cards of a job that its plan still paints, with the batches they are painted from then; and those that are done. */
function plannedCards({ job, paints, painter }: PlanInput, { turns }: PrintedPlan) {
  const all = cardsOf(job, paints, painter);
  const left = cardsInPlan(all, { turns }, paints, painter);
  const inPlan = new Set(left.map(({ id }) => id));
  return { left, done: all.filter(({ id }) => !inPlan.has(id)) };
}

/** The paint that a plan takes, on one page. */
export async function makeListPdf(input: PlanInput, plan: PrintedPlan): Promise<Uint8Array> {
  const { left, done } = plannedCards(input, plan);
  return writeBenchPdf({
    ...{ title: input.job.name, cautions: [], cards: [], gauges: [], fonts: await bothFonts() },
    list: listOf(input.job.name, left.length > 0 ? left : done, input.paints),
  });
}

/** List, cards in the order of the plan and gauge strips of a job as one PDF; null where it was cancelled. */
export async function makeBenchPdf(
  input: PlanInput,
  plan: PrintedPlan,
  simulator: Simulator,
  wanted: StillWanted,
): Promise<Uint8Array | null> {
  const { job, paints } = input;
  const { left, done } = plannedCards(input, plan);
  const cards = [...left, ...done];
  const faces = await facesOf(input, cards, simulator, wanted);
  if (!faces) return null;
  return writeBenchPdf(
    {
      ...{ title: job.name, cautions: SITTING_CAUTIONS, fonts: await bothFonts() },
      list: listOf(job.name, left.length > 0 ? left : done, paints),
      cards: entriesOf(plan, cards, ({ id }) => faces.get(id)!),
      gauges: allGuides(job),
    },
    (written) => wanted(cards.length + Math.min(written, cards.length), 2 * cards.length),
  );
}
