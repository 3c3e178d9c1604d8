import { useEffect } from "react";
import { create } from "zustand";
import { asItWas } from "../../core/ageing/asItWas";
import type { Time } from "../../core/ageing/events";
import { asFigure } from "../../core/edits/figures";
import { activeCoats, type Job, type Paint } from "../../core/job";
import type { StandingPiece } from "../../core/piece/standing";
import type { StillPiece } from "../../core/piece/still";
import type { Section, SectionLine } from "../../core/simulate/section";
import type { Specimen } from "../../core/simulate/simulator";
import { useGraphics } from "../../ui/graphics";
import { lastOf } from "../../ui/lastOf";
import { MOST_CELLS, usePrefs } from "../../ui/prefs";
import { simulationWorker } from "../../worker/client";
import type { Hearing } from "../../worker/workerClient";
import type { SpecimenInput, SpecimenPart } from "../../worker/questions/specimen";
import type { Steps } from "../../worker/steps";
import { useJobStore } from "./jobStore";
import { stillAsked, type StillAsked } from "./stillAsked";
import { useView, type LightShown } from "./viewStore";

interface Simulation {
  readonly specimen: Specimen | null;
  /** How it stands in space; null while it is looked at flat. */
  readonly standing: StandingPiece | null;
  /** Its newest still picture in space, where the page does not draw it. */
  readonly still: StillPiece | null;
  /** Whether the newest edit can be seen, if only as a small picture; or cannot be drawn. */
  readonly seen: boolean;
  /** Whether the picture is the full one of the newest edit. */
  readonly fine: boolean;
  readonly steps: Steps | null;
  /** Whether the steps too are those of the newest edit. */
  readonly settled: boolean;
  readonly mostUm: number | null;
  readonly progress: { readonly done: number; readonly total: number } | null;
  readonly failure: string | null;
  /** Whether the painter stopped the full picture; the small one stays. */
  readonly stopped: boolean;
  readonly section: Section | null;
  /** Counts full pictures, so that what is cut from them can be cut anew. */
  readonly round: number;
}

export const useSimulation = create<Simulation>()(() => ({
  specimen: null,
  standing: null,
  still: null,
  seen: true,
  fine: false,
  steps: null,
  settled: false,
  mostUm: null,
  progress: null,
  failure: null,
  stopped: false,
  section: null,
  round: 0,
}));

/** Progress is shown only for work that takes longer than this. */
const PATIENCE_MS = 400;

/** The newest picture asked for. */
let asked = { id: 0, surfaceId: "" };

const paintedOf = ({ specimen, standing, still }: SpecimenPart) => ({ specimen, standing, still });

/** What still comes for an older edit bridges the wait, but is never the full picture of the newest one. */
function bridge(part: SpecimenPart, surfaceId: string): void {
  if (surfaceId === asked.surfaceId) useSimulation.setState(paintedOf(part));
}

function show(part: SpecimenPart, started: number): void {
  const { setState, getState } = useSimulation;
  performance.mark(`crenna-${part.kind}`, { detail: performance.now() - started });
  if (part.kind === "preview") {
    setState({ ...paintedOf(part), seen: true, fine: false, failure: null });
    return;
  }
  setState({
    ...paintedOf(part),
    seen: true,
    fine: true,
    mostUm: part.mostUm,
    progress: null,
    failure: null,
    round: getState().round + 1,
  });
}

function listen(started: number, surfaceId: string): Hearing<"specimen"> {
  const { setState, getState } = useSimulation;
  const newest = (id: number) => id === asked.id;
  return {
    part: (part, id) => (newest(id) ? show(part, started) : bridge(part, surfaceId)),
    answer: (steps, id) => {
      if (newest(id)) setState({ steps, settled: true, round: getState().round + 1 });
    },
    progress: (done, total, id) => {
      if (newest(id) && !getState().fine && performance.now() - started > PATIENCE_MS)
        setState({ progress: { done, total } });
    },
    failed: (failure, id) => {
      if (newest(id)) setState({ failure, seen: true, progress: null });
    },
    dropped: (id) => {
      if (newest(id)) setState({ progress: null, seen: true, stopped: !getState().fine });
    },
  };
}

/** What was asked last, for when a stopped picture is wanted after all. */
let lastAsked: SpecimenInput | null = null;

function send(input: SpecimenInput): void {
  useSimulation.setState({ seen: false, fine: false, settled: false, stopped: false });
  const { surfaceId } = input.request;
  const id = simulationWorker().ask("specimen", input, listen(performance.now(), surfaceId));
  lastAsked = input;
  asked = { id, surfaceId };
}

/** Stops the full picture on its way; the small one stays. */
export const stopDrawing = (): void => simulationWorker().cancel(asked.id);
/** Asks again for the picture that was stopped. */
export const drawAgain = (): void => {
  if (lastAsked) send(lastAsked);
};

/** Asks for a still picture of the piece in space from elsewhere, painted as the newest picture is. */
export function turnStill(wanted: StillAsked): void {
  if (!lastAsked) return;
  const { request } = lastAsked;
  const { view, lit } = wanted;
  lastAsked = { ...lastAsked, still: wanted };
  const input = { request: { ...request, lit }, view, full: useSimulation.getState().fine };
  simulationWorker().ask("piece", input, {
    // Of an older edit or of another surface it would take the place of the newest.
    answer: (still) => lastAsked?.request === request && useSimulation.setState({ still }),
  });
}

/** Asks the worker for the picture of a surface; it replaces the one asked for before. */
export function askSpecimen(job: Job, paints: readonly Paint[], surfaceId: string, shown: Shown): void {
  const { upTo, light, distanceMm, standing, still, veilCoatId } = shown;
  const request = {
    job,
    paints,
    surfaceId,
    upTo,
    lit: light === "lit",
    map: light === "colour" || light === "lit" ? null : light,
    veilCoatId,
    viewMm: distanceMm,
    mostCells: shown.mostCells,
  };
  send({ request, full: true, standing, ...(still && { still }) });
}

interface Shown {
  readonly upTo: number | null;
  readonly light: LightShown;
  readonly distanceMm: number | null;
  readonly mostCells: number;
  /** The coat whose place lies over the picture; null for none. */
  readonly veilCoatId: string | null;
  readonly standing: boolean;
  readonly still: StillAsked | null;
}

/** Everything the picture depends on; names and notes do not count. Asked whenever anything is stored. */
const pictureKey = lastOf((job: Job) =>
  JSON.stringify([
    job.figures.map(({ id, primer, lamp }) => [id, primer, lamp]),
    job.hand,
    job.mixes,
    job.surfaces,
  ]),
);

const atTime = (job: Job, surfaceId: string, time: Time | null): Job =>
  time === null ? job : asItWas(job, surfaceId, time);

/** After which coat the surface is shown: on its form before the chosen one while that is held, with the relief of then. */
function useUpTo(surfaceId: string | null): number | null {
  const { upTo, shape, before, coatId, time } = useView();
  const job = useJobStore((state) => state.job);
  if (!before || shape === "flat" || !job || surfaceId === null) return upTo;
  const surface = atTime(job, surfaceId, time).surfaces.find((one) => one.id === surfaceId);
  const at = surface ? activeCoats(surface).findIndex((coat) => coat.id === coatId) : -1;
  return at < 0 ? upTo : at;
}

/** Keeps the simulated picture in step with the job. Used once, by the job's frame. */
export function useKeepSimulated(surfaceId: string | null): void {
  const key = useJobStore((state) => (state.job ? pictureKey(state.job) : ""));
  const paints = useJobStore((state) => state.paints);
  const upTo = useUpTo(surfaceId);
  const onForm = useView((view) => view.shape === "form");
  const standing = useGraphics() && onForm;
  // On its form the piece is lit as it stands: its own paint must come unlit.
  const light = useView((view) => (onForm && view.light === "lit" ? "colour" : view.light));
  const distanceMm = useView((view) => view.distanceMm);
  const figure = useView((view) => view.figure);
  const time = useView((view) => view.time);
  const veilCoatId = useView((view) => (view.veil ? view.coatId : null));
  const mostCells = usePrefs((prefs) => MOST_CELLS[prefs.fineness]);
  useEffect(() => {
    const { job } = useJobStore.getState();
    if (job && surfaceId !== null && key !== "")
      askSpecimen(atTime(asFigure(job, paints, figure), surfaceId, time), paints, surfaceId, {
        ...{ upTo, light, distanceMm, mostCells, standing, veilCoatId },
        still: onForm && !standing ? stillAsked(surfaceId) : null,
      });
  }, [
    key,
    paints,
    surfaceId,
    upTo,
    light,
    distanceMm,
    mostCells,
    onForm,
    standing,
    veilCoatId,
    figure,
    time,
  ]);
}

let sectionAsked = 0;

/** Asks for the cut along a line; only the newest answer counts. */
export function askSection(line: SectionLine): void {
  const worker = simulationWorker();
  if (sectionAsked > 0) worker.forget(sectionAsked);
  sectionAsked = worker.ask(
    "section",
    { line, samples: 700 },
    {
      answer: (section) => useSimulation.setState({ section }),
    },
  );
}
