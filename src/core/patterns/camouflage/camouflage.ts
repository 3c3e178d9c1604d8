import type { PatternFamily } from "../family";
import { baseSeen } from "./checks/baseSeen";
import { loudness } from "./checks/loudness";
import { shares } from "./checks/shares";
import { unit } from "./checks/unit";
import {
  camouflageCoats,
  camouflageCrossings,
  camouflageMeets,
  camouflagePlaces,
  camouflageTones,
} from "./coats";
import { completeCamouflage } from "./colours";
import { camouflageFacts } from "./facts";
import { camouflageGuides } from "./guides";
import { placeOfKey } from "./keys";
import { layoutCamouflage, type CamouflageLayout } from "./layout";
import { camouflageMarks } from "./marks";
import { camouflageSchema, type CamouflageParams } from "./params";
import { presets, startFrom } from "./presets";
import { forFigure, forUnit, withBase } from "./unit";
import { camouflageCounts, camouflageLookAt, camouflageMarkSets, camouflageWork } from "./work";

/** Camouflage: layers of irregular patches, bars, dots and lined borders over a base. */
export const camouflage: PatternFamily<CamouflageParams, CamouflageLayout> = {
  id: "camouflage",
  version: 1,
  label: "Camouflage",
  about:
    "Layers of irregular patches, bars or dots over a base, each with its share; truly uneven, cut at seams.",
  schema: camouflageSchema,
  start: ({ figure, hand, seed }) => startFrom(presets[0]!, figure, hand.finestLineMm, seed % 1000),
  layout: layoutCamouflage,
  complete: completeCamouflage,
  coats: camouflageCoats,
  places: camouflagePlaces,
  marks: camouflageMarks,
  tones: camouflageTones,
  meets: (_layout, key, tone) => camouflageMeets(key, tone),
  crossings: camouflageCrossings,
  work: camouflageWork,
  followsLight: (key) => placeOfKey(key)?.kind === "lights",
  lookAt: camouflageLookAt,
  counts: camouflageCounts,
  mapMixes(params, change) {
    const maybe = (mixId: string | null) => (mixId === null ? null : change(mixId));
    return {
      ...params,
      baseMixId: change(params.baseMixId),
      layers: params.layers.map((layer) => ({ ...layer, mixId: change(layer.mixId) })),
      lights: params.lights.map((light) => ({ ...light, mixId: change(light.mixId) })),
      figures: params.figures.map((one) => ({ ...one, baseMixId: maybe(one.baseMixId) })),
      washMixId: maybe(params.washMixId),
      lineMixId: maybe(params.lineMixId),
    };
  },
  filmParams: ({ layers, seams, seed }, key) => [
    ...[seams, seed, key],
    // Names and colours move nothing.
    layers.map((layer) => ({ ...layer, mixId: "", name: "", colour: "" })),
  ],
  markSets: camouflageMarkSets,
  facts: camouflageFacts,
  forFigure,
  forUnit,
  withBase,
  checks: [shares, loudness, baseSeen, unit],
  guides: {
    title: "Placement guide",
    use: "Cut along the outline, lay it on the piece, and prick or trace what you want to keep to. Full, broken and dotted outlines are different colours.",
    of: camouflageGuides,
  },
};
