import { ciede2000 } from "../colour/difference";
import { opticsOfMix } from "../colour/appearance";
import { masstone } from "../colour/film";
import { spectrumToLab, type Triple } from "../colour/spaces";
import { lightOf } from "../figure/light";
import { mixById, type Coat, type ShedSpan } from "../job";
import { LEAST_GLOW } from "../schemes/glowCoats";
import type { SampledCoat } from "../simulate/sampled";
import { techniques } from "../techniques";
import { formatNumber } from "../units";
import type { Check, CheckContext } from "./check";
import { coatChange, type CheckResult, type Remedy } from "./finding";

/** Coloured light on ground of nearly its own hue is seen by its lightness alone: hues nearer than this, degrees, of chroma above that. */
const [SAME_HUE_DEG, COLOURED] = [14, 18] as const;
/** A glow that rises by so much is seen whatever its hue, L*. */
const CLEARLY = 14;
/** A light that covers less of a surface than this does not reach it, share. */
const REACHED = 0.001;

interface Glow {
  readonly coat: Coat;
  readonly shed: ShedSpan;
  readonly sampled: SampledCoat;
}

const hueOf = ([, a, b]: Triple): number => (Math.atan2(b, a) * 180) / Math.PI;
const chromaOf = ([, a, b]: Triple): number => Math.hypot(a, b);
const hueApart = (one: Triple, other: Triple): number =>
  Math.abs(((hueOf(one) - hueOf(other) + 540) % 360) - 180);
const l = (value: number): string => formatNumber(value, 0);

/** Lightness of a mix laid thick. */
const lightnessOf = ({ job, paints }: CheckContext, mixId: string): number =>
  spectrumToLab(masstone(opticsOfMix(mixById(job, mixId), paints)))[0];

/** The job's darkest mix that paints no light; null where there is none. */
function darkestMix(context: CheckContext): string | null {
  const { job } = context;
  const coats = job.surfaces.flatMap((one) => one.coats);
  const lights = new Set(coats.filter(({ event }) => event === "glowing").map(({ mixId }) => mixId));
  const others = job.mixes.map(({ id }) => id).filter((id) => !lights.has(id));
  return others.sort((a, b) => lightnessOf(context, a) - lightnessOf(context, b))[0] ?? null;
}

/** A layer of the darkest mix below the glow, over all the light reaches and a little beyond. */
function groundBelow({ coat, shed }: Glow, id: string, mixId: string): Coat | null {
  if (coat.place.kind !== "zones") return null;
  const { fade } = shed;
  const wider = { ...shed, from: Math.max(0.01, shed.from - fade / 2), fade: Math.min(0.3, fade) };
  return {
    ...coat,
    ...{ id, name: "Ground darkened for the light", mixId, water: 2, role: null, event: null },
    place: { ...coat.place, zones: [], shed: wider },
    technique: { id: "layer", version: techniques.layer.version, params: { feather: 100, waver: 20 } },
  };
}

function darkened(context: CheckContext, glow: Glow): Remedy[] {
  const { job, surface } = context;
  const { id: of } = glow.coat;
  const [mixId, id] = [darkestMix(context), `${of}-below`.slice(-60)];
  const below = mixId !== null && groundBelow(glow, id, mixId);
  if (!below || surface.coats.some((one) => one.id === id)) return [];
  const path = ["surfaces", surface.id, "coats"];
  const order = surface.coats.flatMap((one) => (one.id === of ? [id, of] : [one.id]));
  const name = mixById(job, mixId)?.name ?? "the darkest mix";
  return [1, 2, 3].map((passes) => ({
    label: `Darken its ground first with ${name}, ${passes} ${passes === 1 ? "coat" : "coats"}`,
    ladder: "darken",
    changes: [
      { path, value: { ...below, passes } },
      { path, value: order },
    ],
  }));
}

/** Brighter mixes of the job of nearly the same hue, the nearest in lightness first. */
function brighter(context: CheckContext, { coat }: Glow): Remedy[] {
  const { job, paints, surface } = context;
  const labOf = (mixId: string) => spectrumToLab(masstone(opticsOfMix(mixById(job, mixId), paints)));
  const own = labOf(coat.mixId);
  return job.mixes
    .map((mix) => ({ mix, lab: labOf(mix.id) }))
    .filter(
      ({ lab }) =>
        lab[0] > own[0] + LEAST_GLOW && hueApart(lab, own) < 40 && chromaOf(lab) > 0.4 * chromaOf(own),
    )
    .sort((a, b) => a.lab[0] - b.lab[0])
    .map(({ mix }) => ({
      label: `Paint it in ${mix.name}`,
      ladder: "mix",
      changes: [{ path: ["surfaces", surface.id, "coats", coat.id, "mixId"], value: mix.id }],
    }));
}

const thicker = ({ surface }: CheckContext, { coat }: Glow): Remedy[] =>
  [2, 3, 4, 6]
    .filter((passes) => passes > coat.passes)
    .map((passes) => ({
      label: `Lay ${passes} coats`,
      ladder: "passes",
      changes: [coatChange(surface.id, coat.id, "passes", passes)],
    }));

function cannotShow(context: CheckContext, glow: Glow): CheckResult {
  const { surface } = context;
  const { coat, sampled } = glow;
  const [ground, after] = [sampled.before[0], sampled.after[0]];
  const own = lightnessOf(context, coat.mixId);
  const most = own - LEAST_GLOW - 2;
  return {
    ...{ key: coat.id, gravity: "must", coatId: coat.id, where: `${surface.name}, ${coat.name}` },
    sentence: `${coat.name} cannot show here: its ground is L* ${l(ground)}, and it comes to L* ${l(after)}.`,
    reason: `Light is brighter than what it falls on. Its mix is L* ${l(own)} where it covers: the ground may be L* ${l(Math.max(0, most))} at most, or the light has to be painted brighter.`,
    remedies: [...thicker(context, glow), ...darkened(context, glow), ...brighter(context, glow)],
  };
}

function sameColour(context: CheckContext, { coat, sampled }: Glow): CheckResult[] {
  const { before, after } = sampled;
  const rises = after[0] - before[0];
  const isColoured = chromaOf(before) > COLOURED && chromaOf(after) > COLOURED;
  if (!isColoured || rises >= CLEARLY || hueApart(before, after) >= SAME_HUE_DEG) return [];
  return [
    {
      ...{
        key: `${coat.id}-hue`,
        gravity: "note",
        coatId: coat.id,
        where: `${context.surface.name}, ${coat.name}`,
      },
      sentence: `${coat.name} has the hue of the paint below it: only ${l(rises)} L* tell it apart (${formatNumber(ciede2000(before, after), 1)} in all).`,
      reason:
        "Light in the colour of what it falls on reads as a highlight. Let it turn towards yellow or white close by, or choose another colour of light.",
      remedies: [],
    },
  ];
}

/** Coats that follow a painted light, looked at. */
function glowsOf({ sampled }: CheckContext): Glow[] {
  return sampled().coats.flatMap((one) => {
    const { place } = one.coat;
    return place.kind === "zones" && place.shed ? [{ coat: one.coat, shed: place.shed, sampled: one }] : [];
  });
}

function judged(context: CheckContext, glow: Glow, isFirst: boolean): CheckResult[] {
  const { job, surface } = context;
  const { coat, shed, sampled } = glow;
  const at = { coatId: coat.id, where: `${surface.name}, ${coat.name}`, remedies: [] };
  if (!lightOf(job, surface).sheds.some(({ id }) => id === shed.lightId))
    return [
      {
        ...{ ...at, key: `${coat.id}-gone`, gravity: "must" },
        sentence: `${coat.name} follows a painted light that is not on this figure any more.`,
        reason: "It lies nowhere. Choose another light for its place, or remove the coat.",
      },
    ];
  if (sampled.coveredShare < REACHED)
    return [
      {
        ...{ ...at, key: `${coat.id}-dark`, gravity: "look" },
        sentence: `${coat.name} lies nowhere: its light does not reach this surface so strongly.`,
        reason: "Move the light nearer, let it reach further, or let the coat begin at less of it.",
      },
    ];
  // Lines on edges cover so little of each cell that their lightness tells nothing.
  if (coat.technique.id === "edge-line") return [];
  // A coat that darkens the ground for a light is no light, and does not say that it is one.
  if (coat.event !== "glowing" && lightnessOf(context, coat.mixId) < sampled.before[0]) return [];
  return sampled.after[0] - sampled.before[0] < LEAST_GLOW
    ? [cannotShow(context, glow)]
    : isFirst
      ? sameColour(context, glow)
      : [];
}

/** Whether a coat is the first of its light that glows. */
const isFirstOf = (all: readonly Glow[], at: number): boolean =>
  !all
    .slice(0, at)
    .some(({ coat, shed }) => coat.event === "glowing" && shed.lightId === all[at]!.shed.lightId);

/** Is a painted light brighter than what it falls on? */
export const glowShows: Check = {
  id: "glow-shows",
  label: "Painted light is brighter than its ground",
  concerns: (_form, { coats }) => coats.some(({ place }) => place.kind === "zones" && place.shed !== null),
  run: (context) =>
    context.coats.some(({ place }) => place.kind === "zones" && place.shed !== null)
      ? glowsOf(context).flatMap((glow, at, all) =>
          // Further coats of a light lie on its first ones, and have their hue.
          judged(context, glow, isFirstOf(all, at)),
        )
      : [],
};
