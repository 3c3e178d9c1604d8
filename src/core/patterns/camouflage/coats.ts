import { mixById, type Place } from "../../job";
import type { FamilyContext, PatternPlace, PatternTone, PlannedCoat } from "../family";
import { litIds } from "./colours";
import { layerKey, lightsKey, placeOfKey, SEAM_LINES } from "./keys";
import type { CamouflageLayout } from "./layout";
import { inZones } from "../../job";
import { BASE, type CamouflageParams, type Layer } from "./params";

type Context = FamilyContext<CamouflageParams, CamouflageLayout>;

const use = (id: string, params: Record<string, number> = {}) => ({ id, version: 1, params });
const to = (key: string): Place => ({ kind: "pattern", key });
const everywhere: Place = { kind: "everywhere" };

/** How far borders are drawn out with a damp brush, mm. */
const SOFT_MM: Readonly<Record<Layer["kind"], number>> = { patch: 0.05, bar: 0.03, dot: 0, edge: 0.02 };
export const LIGHT_SOFT_MM = 0.6;

const nameOf = ({ params }: Context, id: string) =>
  id === BASE ? "base" : (params.layers.find((layer) => layer.id === id)?.name ?? id).toLowerCase();

function baseCoats({ params }: Context): PlannedCoat[] {
  const base = { name: "Base", technique: use("base-coat"), place: everywhere, mixId: params.baseMixId };
  return [{ role: "base", ...base, water: 1, passes: 2 }];
}

const lightOf = (params: CamouflageParams, id: string) =>
  params.lights.find((light) => light.id === id)?.mixId ?? params.baseMixId;

/** The base shaded before the pattern goes on: a wash, then its lights again. */
function shadeBefore({ params }: Context): PlannedCoat[] {
  const { shading, washMixId } = params;
  if (shading !== "before" && shading !== "both") return [];
  const wash = {
    ...{ role: "wash-before", name: "Wash", technique: use("wash"), place: everywhere },
    ...{ mixId: washMixId ?? "", water: 4, passes: 1 },
  };
  const lights = {
    ...{ role: "lights-before", name: "Base lights again", technique: use("layer") },
    ...{ place: inZones(["lit"], 0, { fall: 1.6 }), mixId: lightOf(params, BASE), water: 2, passes: 1 },
  };
  return [...(washMixId === null ? [] : [wash]), lights];
}

function layerCoat({ params }: Context, layer: Layer): PlannedCoat {
  const dots = layer.kind === "dot";
  const mixId = layer.mixId === "" ? params.baseMixId : layer.mixId;
  return {
    role: layerKey(layer.id),
    name: layer.name,
    // Dots were sized with the pattern; the brush does not make them larger by itself.
    technique: dots ? use("dot", { size: 100, variation: 0 }) : use("fill", { soften: SOFT_MM[layer.kind] }),
    place: to(layerKey(layer.id)),
    mixId,
    water: dots ? 0.5 : 1,
    passes: layer.kind === "edge" || dots ? 1 : 2,
  };
}

/** The finished pattern shaded: a thin wash, then lights inside each colour, never one veil over all. */
function shadeAfter(context: Context): PlannedCoat[] {
  const { params } = context;
  const { shading, washMixId } = params;
  if (shading !== "after" && shading !== "both") return [];
  const wash = {
    ...{ role: "wash-after", name: "Wash over the pattern", technique: use("wash"), place: everywhere },
    ...{ mixId: washMixId ?? "", water: 5, passes: 1 },
  };
  const lights = litIds(params).map((id) => ({
    role: lightsKey(id),
    name: `Lights in the ${nameOf(context, id)}`,
    technique: use("fill", { soften: LIGHT_SOFT_MM, unevenness: 26 }),
    place: to(lightsKey(id)),
    mixId: lightOf(params, id),
    water: 2,
    passes: 2,
  }));
  return [...(washMixId === null ? [] : [wash]), ...lights];
}

/** Base, wash, lights; the layers colour by colour; shading over all; seams and hem drawn again. */
export function camouflageCoats(context: Context): PlannedCoat[] {
  const { params } = context;
  const lines = {
    ...{ role: SEAM_LINES, name: "Seams and hem drawn again", technique: use("line") },
    ...{ place: to(SEAM_LINES), mixId: params.lineMixId ?? "", water: 1, passes: 1 },
  };
  return [
    ...baseCoats(context),
    ...shadeBefore(context),
    ...params.layers.map((layer) => layerCoat(context, layer)),
    ...shadeAfter(context),
    ...(params.lineMixId === null ? [] : [lines]),
  ].filter((coat) => mixById(context.job, coat.mixId) !== undefined || coat.role === "base");
}

/** Every place of the pattern. */
export function camouflagePlaces({ params }: CamouflageLayout): PatternPlace[] {
  const layers = params.layers.map((layer) => ({
    key: layerKey(layer.id),
    label: `${layer.name.toLowerCase()} of the pattern`,
    lays: layer.kind === "dot" ? ("dots" as const) : ("regions" as const),
    covers: true,
  }));
  const lights = litIds(params).map((id) => ({
    key: lightsKey(id),
    label: `lit places of the ${id === BASE ? "base" : params.layers.find((one) => one.id === id)!.name.toLowerCase()}`,
    lays: "regions" as const,
    covers: false,
  }));
  return [
    ...layers,
    ...lights,
    { key: SEAM_LINES, label: "along seams and hem", lays: "strokes", covers: false },
  ];
}

/** One tone for the base, one for each layer. */
export const camouflageTones = ({ params }: CamouflageLayout): PatternTone[] => [
  { key: BASE, label: "base" },
  ...params.layers.map(({ id, name }) => ({ key: id, label: name.toLowerCase() })),
];

/** A layer and its lights lie on their own tone; seams run over all. */
export function camouflageMeets(key: string, tone: string): boolean {
  const place = placeOfKey(key);
  if (!place) return false;
  return place.kind === "seams" || place.id === tone;
}

/** Lights of one colour lie beside those of the others; the lines cross any of them. */
export const camouflageCrossings = ({ params }: CamouflageLayout): string[][] =>
  litIds(params).map((id) => [lightsKey(id), SEAM_LINES]);
