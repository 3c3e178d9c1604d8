import { buildUp } from "../core/simulate/planes";
import { referenceCompositor, startKernel } from "../core/simulate/compositor";
import { cutSection } from "../core/simulate/section";
import { Simulator, type LaidSurface } from "../core/simulate/simulator";
import { prepareTextures } from "../core/techniques/texture";
import { parseRequest, type WorkerAnswer, type WorkerRequest } from "./protocol";
import { bringHeights } from "./heights";
import { takeSteps } from "./steps";

declare const self: DedicatedWorkerGlobalScope;

// Without WebAssembly SIMD the plain compositor does the same, slower.
const simulator = startKernel().then(
  (kernel) => new Simulator(kernel),
  () => new Simulator(referenceCompositor),
);

// While the page is still waiting for its job, the worker has time for what every picture needs.
void simulator.then(prepareTextures);

/** Newest specimen asked for; older ones stop at their next coat. */
let newest = 0;
const cancelled = new Set<number>();
/** What the section cuts: the surface as last laid, coarse until the fine one is there. */
let laidLast: LaidSurface | null = null;

const send = (answer: WorkerAnswer, transfer: Transferable[] = []) => self.postMessage(answer, transfer);

/** Lets waiting messages in, so that a newer request can stop an older one. */
const breathe = () =>
  new Promise<void>((resolve) => {
    const channel = new MessageChannel();
    channel.port1.onmessage = () => {
      channel.port1.close();
      resolve();
    };
    channel.port2.postMessage(null);
  });

const wantedFor = (id: number, isNewest: boolean) => async (done: number, total: number) => {
  send({ kind: "progress", id, done, total });
  await breathe();
  return !cancelled.has(id) && (!isNewest || newest === id);
};

async function specimen({ id, request, full }: Extract<WorkerRequest, { kind: "specimen" }>): Promise<void> {
  const sim = await simulator;
  const wanted = wantedFor(id, true);
  await bringHeights(
    request.job.surfaces.filter((surface) => surface.id === request.surfaceId),
    sim.heights,
  );
  const coarse = await sim.lay(request, true, wanted);
  if (!coarse) {
    send({ kind: "dropped", id });
    return;
  }
  const preview = sim.picture(request, coarse);
  send({ kind: "preview", id, specimen: preview }, [preview.rgba.buffer]);
  if (!full) {
    // Small pictures of the desk need no more than this.
    send({ kind: "dropped", id });
    return;
  }
  if (laidLast?.grid.form.id !== coarse.grid.form.id) laidLast = coarse;
  if (!(await wanted(0, coarse.coats.length))) {
    send({ kind: "dropped", id });
    return;
  }
  const fine = await sim.lay(request, false, wanted);
  if (!fine) {
    send({ kind: "dropped", id });
    return;
  }
  laidLast = fine;
  const picture = sim.picture(request, fine);
  const films = fine.coats.map((one) => one.film);
  const mostUm = buildUp(films, fine.grid.inside.length).reduce((most, um) => Math.max(most, um), 0);
  send({ kind: "full", id, specimen: picture, mostUm }, [picture.rgba.buffer]);
  // What each coat did is read after the picture is there: it takes as long as a few coats.
  if (!(await wanted(0, coarse.coats.length))) {
    send({ kind: "dropped", id });
    return;
  }
  const steps = takeSteps(sim, request, coarse);
  send(
    { kind: "steps", id, steps },
    steps.pictures.map((picture) => picture.buffer),
  );
}

async function benchPdf(message: Extract<WorkerRequest, { kind: "bench-pdf" }>): Promise<void> {
  const { id, job, paints, painter } = message;
  // The PDF writer is large and seldom wanted: it must not delay the first picture.
  const { makeBenchPdf } = await import("./benchPdfTask");
  const sim = await simulator;
  await bringHeights(job.surfaces, sim.heights);
  const pdf = await makeBenchPdf(job, paints, painter, sim, wantedFor(id, false));
  if (!pdf) {
    send({ kind: "dropped", id });
    return;
  }
  const bytes = new Uint8Array(pdf);
  send({ kind: "bench-pdf", id, pdf: bytes }, [bytes.buffer]);
}

type PaletteTask = Extract<
  WorkerRequest,
  { kind: "mixes" | "glazes" | "start" | "picture" | "main-colours" }
>;

async function paletteTask(message: PaletteTask): Promise<void> {
  // Loaded when first asked for, as the PDF writer is.
  const tasks = await import("./paletteTasks");
  const { kind, id } = message;
  const wanted = wantedFor(id, false);
  if (kind === "picture") send({ kind, id, picture: await tasks.scalePicture(message.file) });
  else if (kind === "main-colours") send({ kind, id, colours: await tasks.answerColours(message) });
  else if (kind === "start") {
    const plan = await tasks.answerStart(message, wanted);
    send(plan ? { kind, id, plan } : { kind: "dropped", id });
  } else if (kind === "glazes") {
    const glazes = await tasks.answerGlazes(message, wanted);
    send(glazes ? { kind, id, glazes } : { kind: "dropped", id });
  } else {
    const answer = await tasks.answerMixes(message, wanted);
    send(answer ? { kind, id, answer } : { kind: "dropped", id });
  }
}

async function handle(message: WorkerRequest): Promise<void> {
  switch (message.kind) {
    case "specimen":
      newest = message.id;
      return specimen(message);
    case "section":
      if (!laidLast) {
        send({ kind: "dropped", id: message.id });
        return;
      }
      {
        send({
          kind: "section",
          id: message.id,
          section: cutSection(laidLast, message.line, message.samples),
        });
        return;
      }
    case "mixes":
    case "glazes":
    case "start":
    case "picture":
    case "main-colours":
      return paletteTask(message);
    case "bench-pdf":
      return benchPdf(message);
    case "cancel":
      cancelled.add(message.id);
  }
}

self.onmessage = (event: MessageEvent<unknown>) => {
  const id = (event.data as { id?: unknown } | null)?.id;
  const answerId = typeof id === "number" ? id : -1;
  const fail = (error: unknown) =>
    send({ kind: "failed", id: answerId, message: error instanceof Error ? error.message : String(error) });
  try {
    handle(parseRequest(event.data)).catch(fail);
  } catch (error) {
    fail(error);
  }
};
