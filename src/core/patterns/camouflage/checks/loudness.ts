import { opticsOfMix } from "../../../colour/appearance";
import { masstone } from "../../../colour/film";
import { spectrumToXyz } from "../../../colour/spaces";
import { figureOf, mixById } from "../../../job";
import { michelson, visibility } from "../../../stats/visibility";
import { formatNumber } from "../../../units";
import { layerKey } from "../keys";
import type { CheckResult } from "../../../checks/finding";
import type { FamilyContext, PatternCheck } from "../../family";
import type { CamouflageLayout, LaidLayer } from "../layout";
import { BASE, type CamouflageParams, type Layer } from "../params";

type Context = FamilyContext<CamouflageParams, CamouflageLayout>;

/** Held in the hand, mm. */
const NEAR_MM = 200;
/** A pattern reads when its contrast is a few times the least the eye can see; below 1 it is not seen at all. */
const READS_FROM = 3;
/** Above this contrast (Michelson, of luminances) a colour shouts, however it is broken up. */
const LOUD_FROM = 0.82;

/** How much a layer stands out: contrast 0…1, and in least visible contrasts near and far. */
export interface Loudness {
  readonly id: string;
  /** Contrast against what it lies on, 0…1. */
  readonly contrast: number;
  /** Times the least visible contrast, in the hand and at the job's viewing distance. */
  readonly near: number;
  readonly far: number;
}

const luminance = ({ job, paints }: Pick<Context, "job" | "paints">, mixId: string) =>
  spectrumToXyz(masstone(opticsOfMix(mixById(job, mixId), paints)))[1];

/** What a layer is seen against: the base, or for dots what they were set on. */
function groundMix({ params }: Context, { layer }: LaidLayer): string {
  const on = layer.kind === "dot" ? layer.over[0] : BASE;
  return params.layers.find((one) => one.id === on)?.mixId ?? params.baseMixId;
}

/** Width over which a layer's marks are seen, mm. */
function widthOf({ layer }: LaidLayer): number {
  return layer.kind === "patch" ? layer.sizeMm / layer.long : layer.sizeMm;
}

/** How loud each layer is, up close and from where the figure is looked at. */
export function loudnessOf(context: Context): Loudness[] {
  return context.layout.laid().layers.map((laid) => {
    const [own, ground] = [
      luminance(context, laid.layer.mixId),
      luminance(context, groundMix(context, laid)),
    ];
    const width = widthOf(laid);
    return {
      id: laid.layer.id,
      contrast: michelson(own, ground),
      near: visibility(own, ground, width, NEAR_MM),
      far: visibility(own, ground, width, figureOf(context.job, context.surface).viewingDistanceMm),
    };
  });
}

type Verdict = Pick<CheckResult, "gravity" | "sentence" | "reason"> & { readonly key: string };

/** What is wrong with how loud one layer is; null where it reads and does not shout. */
function verdictOn({ name }: Layer, { id, contrast, near, far }: Loudness, distance: string): Verdict | null {
  if (near < READS_FROM)
    return {
      key: `${id}/lost`,
      gravity: near < 1 ? "must" : "look",
      sentence: `${name} ${near < 1 ? "cannot be seen" : "hardly shows"} on its ground even in the hand: ${formatNumber(near, 1)} times the least visible contrast.`,
      reason: `From ${READS_FROM} times on a pattern reads. Lighten or darken its mix, or make the marks larger.`,
    };
  if (contrast > LOUD_FROM)
    return {
      key: `${id}/loud`,
      gravity: "look",
      sentence: `${name} shouts: its contrast against its ground is ${formatNumber(contrast * 100, 0)}\u202f% up close.`,
      reason: `From ${formatNumber(LOUD_FROM * 100, 0)}\u202f% on the eye sees this colour alone, from ${distance} cm as well. The base's tone sets how loud everything is.`,
    };
  if (far >= 1) return null;
  return {
    key: `${id}/melts`,
    gravity: "note",
    sentence: `${name} melts into its ground at ${distance} cm: ${formatNumber(far, 1)} times the least visible contrast.`,
    reason: "Good for hiding, no use for reading: larger marks or more contrast would be seen from there.",
  };
}

/** Is every colour seen on its ground, and none too loud? */
export const loudness: PatternCheck<CamouflageParams, CamouflageLayout> = {
  id: "pattern-loudness",
  label: "Colours are seen, none shouts",
  run(context) {
    const { surface, params, job, coats } = context;
    const distance = formatNumber(figureOf(job, surface).viewingDistanceMm / 10, 0);
    return loudnessOf(context).flatMap((loud): CheckResult[] => {
      const layer = params.layers.find((one) => one.id === loud.id)!;
      const verdict = verdictOn(layer, loud, distance);
      if (!verdict) return [];
      const coatId = coats.find(({ role }) => role === layerKey(loud.id))?.id ?? null;
      return [{ ...verdict, coatId, where: `${surface.name}, ${layer.name}`, remedies: [] }];
    });
  },
};
