import type { Told } from "../ageing/told";
import { covers, findMix } from "../colour/chosenMix";
import { hexToLab, labToHex, type Triple } from "../colour/spaces";
import type { Job, Mix, Paint, Surface } from "../job";
import { buildForm } from "../surface/forms/buildForm";
import { sampledSurface } from "../simulate/sampled";
import { historyCoats } from "./historyCoats";
import { HISTORY_TONES, TOLD, type HistoryTone, type HistoryToneId } from "./historyTones";
import { tone, type SchemeCoat } from "./scheme";
import { coatsOf, roomFor, withMixes, type FoundTone, type StartPlan, type StartProgress } from "./start";

/** Whether a coat, or a mix, is of the told history of a surface. */
export const isTold = (surfaceId: string, id: string): boolean => id.startsWith(`${surfaceId}-${TOLD}`);

/** Takes the told history of a surface off: it is as it was before. Mixes of it go where nothing else names them. */
export function takeHistoryOff(job: Job, surfaceId: string): Job {
  const { mixes, ...rest } = job;
  const surfaces = job.surfaces.map((one) =>
    one.id === surfaceId ? { ...one, coats: one.coats.filter(({ id }) => !isTold(surfaceId, id)) } : one,
  );
  const named = JSON.stringify({ ...rest, surfaces });
  const stays = ({ id }: Mix) => !isTold(surfaceId, id) || named.includes(JSON.stringify(id));
  return { ...job, surfaces, mixes: mixes.filter(stays) };
}

const owned = ({ state }: Paint): boolean => state === "have" || state === "low";

/** How a tone is to be seen, L*a*b*. @param own the surface's colour before anything happened to it */
function goalOf(of: HistoryTone, own: Triple, dust: string): Triple {
  if (of.kind === "as") {
    const [l, chroma, hueDeg] = of.lch;
    const hue = (hueDeg * Math.PI) / 180;
    return [l, chroma * Math.cos(hue), chroma * Math.sin(hue)];
  }
  const [l, a, b] = of.kind === "own" ? own : hexToLab(dust);
  const chroma = of.kind === "own" ? of.chroma : 1;
  return [Math.min(94, Math.max(6, l + of.lighter)), a * chroma, b * chroma];
}

/** Places at which a piece is looked at for iron, across and along: a nail's head is small. */
const LOOKED_AT = 160;

/** Share of a piece that is iron fixed to it, 0…1. */
function fittedShare(surface: Surface): number {
  const form = buildForm(surface);
  const { fitting, turnDeg, slantMm } = form;
  if (!fitting || surface.hide) return 0;
  let [iron, all] = [0, 0];
  for (let row = 0; row < LOOKED_AT; row++)
    for (let column = 0; column < LOOKED_AT; column++) {
      const place = {
        turnDeg: ((column + 0.5) / LOOKED_AT) * turnDeg,
        heightMm: ((row + 0.5) / LOOKED_AT) * slantMm,
      };
      if (form.rim && form.rim(place) < 0) continue;
      all++;
      iron += fitting(place);
    }
  return iron / Math.max(1, all);
}

/** The mean colour of a surface as it looks, L*a*b*. */
function colourOf(job: Job, surface: Surface, paints: readonly Paint[]): Triple {
  const { final } = sampledSurface(job, surface, paints);
  const mean = (axis: 0 | 1 | 2) =>
    final.reduce((sum, lab) => sum + lab[axis], 0) / Math.max(1, final.length);
  return [mean(0), mean(1), mean(2)];
}

/**
 * Works the told history of a surface out in a painter's own pots: its coats in the order in which things happened, over
 * what is painted already; told one tone after another, as each takes a search. A history that was told before counts as
 * gone.
 * @throws RangeError where the surface is missing, InputError where it cannot be built
 */
export function* historySteps(
  given: Job,
  surfaceId: string,
  told: Told,
  paints: readonly Paint[],
): Generator<StartProgress, StartPlan> {
  const job = takeHistoryOff(given, surfaceId);
  const surface = job.surfaces.find(({ id }) => id === surfaceId);
  if (!surface) throw new RangeError(`the job has no surface "${surfaceId}"`);
  const powders = paints.filter((pot) => pot.kind === "powder" && owned(pot));
  const own = colourOf(job, surface, paints);
  const room = roomFor(job, surface, { age: "used", look: "plain", colour: labToHex(own) });
  const coats = historyCoats({
    ...{ ...room, told, hasPowder: powders.length > 0 },
    ...{ fittings: fittedShare(surface), ownL: own[0] },
  });
  const used = [...new Set(coats.map((coat) => coat.tone))];
  const [opaque, flakes] = [
    paints.filter(covers),
    paints.filter((pot) => pot.kind === "metal" && owned(pot)),
  ];
  const inUse = new Set(job.mixes.flatMap(({ parts }) => parts.map(({ paintId }) => paintId)));
  const tones: FoundTone[] = [];
  for (const key of used) {
    yield { done: tones.length, total: used.length };
    const found = toneFor(key, { own, told, inUse, flakes, pots: isPowder(coats, key) ? powders : opaque });
    found.parts.forEach(({ paintId }) => inUse.add(paintId));
    tones.push(found);
  }
  return { volumes: surface.volumes, hide: surface.hide, tones, coats: coats.map(keyed) };
}

const isPowder = (coats: readonly SchemeCoat<HistoryToneId>[], key: HistoryToneId): boolean =>
  coats.some(({ tone: of, technique }) => of === key && technique === "powder");

/** Tones of a history have names of their own among the mixes of a job. */
const keyed = (coat: SchemeCoat<HistoryToneId>): SchemeCoat => ({ ...coat, tone: `${TOLD}${coat.tone}` });

interface Asked {
  readonly own: Triple;
  readonly told: Told;
  readonly inUse: ReadonlySet<string>;
  readonly pots: readonly Paint[];
  /** Owned pots of metal. */
  readonly flakes: readonly Paint[];
}

/** A pot of metal is taken for one this far from its goal, CIEDE2000: its flakes make up for it where they mirror the lamp. */
const METAL_NEAR = 16;

function toneFor(key: HistoryToneId, { own, told, inUse, pots, flakes }: Asked): FoundTone {
  const of: HistoryTone = HISTORY_TONES[key];
  const goal = goalOf(of, own, told.dust);
  const metal = of.kind === "as" && of.metal ? findMix(flakes, goal, { kind: "thick" }, inUse) : null;
  const mix = metal && metal.difference <= METAL_NEAR ? metal : findMix(pots, goal, { kind: "thick" }, inUse);
  const hex = labToHex(goal);
  return {
    ...{ key: `${TOLD}${key}`, tone: tone(of.name, goal[0] - own[0]), goal: hex, paint: hex },
    ...{ parts: mix?.parts ?? [], difference: mix?.difference ?? 0 },
  };
}

/** The same at once. */
export function planHistory(...asked: Parameters<typeof historySteps>): StartPlan {
  const planning = historySteps(...asked);
  for (let step = planning.next(); ; step = planning.next()) if (step.done) return step.value;
}

/** Lays a history over a surface, after all its other coats; one that was told before makes room. */
export function layHistory(job: Job, surfaceId: string, plan: StartPlan): Job {
  const before = takeHistoryOff(job, surfaceId);
  const surface = before.surfaces.find(({ id }) => id === surfaceId);
  if (!surface) return job;
  const { mixes, mixOf } = withMixes(before, plan, surface);
  const coats = [...surface.coats, ...coatsOf(plan, surface, mixOf)];
  return {
    ...before,
    mixes,
    surfaces: before.surfaces.map((one) => (one.id === surfaceId ? { ...one, coats } : one)),
  };
}
