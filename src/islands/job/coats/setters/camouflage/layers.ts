import {
  BASE,
  MOST_LAYERS,
  usualLayer,
  type CamouflageParams,
  type Layer,
  type LayerKind,
} from "../../../../../core/patterns/camouflage/params";

/** Kinds of layers as they are called. */
export const KIND_NAMES: Readonly<Record<LayerKind, string>> = {
  patch: "Patches",
  bar: "Bars",
  dot: "Dots",
  edge: "Edge lines",
};

const START: Readonly<Record<LayerKind, Partial<Layer> & { colour: string }>> = {
  patch: { colour: "#5d5a3c", share: 12 },
  bar: { colour: "#4f4a36", share: 12, sizeMm: 0.7, long: 6, turn: 6, spread: 38, apart: 60 },
  dot: { colour: "#3a322a", share: 3, sizeMm: 0.28, long: 1.3, spread: 26, apart: 30, gapMm: 0.05 },
  edge: { colour: "#4a3226", share: 40, sizeMm: 0.14 },
};

/** The settings with one layer changed. */
export const withLayer = (
  params: CamouflageParams,
  id: string,
  part: Partial<Layer>,
): Partial<CamouflageParams> => ({
  layers: params.layers.map((layer) => (layer.id === id ? { ...layer, ...part } : layer)),
});

/** The settings with a layer more, over all others; the same where there is no room. */
export function withNewLayer(params: CamouflageParams, kind: LayerKind): Partial<CamouflageParams> {
  if (params.layers.length >= MOST_LAYERS) return {};
  let number = params.layers.length + 1;
  while (params.layers.some((layer) => layer.id === `${kind}${number}`)) number++;
  const follows =
    kind === "edge" ? (params.layers.findLast((layer) => layer.kind !== "edge")?.id ?? null) : null;
  const layer = usualLayer({
    ...START[kind],
    ...{ id: `${kind}${number}`, name: KIND_NAMES[kind], kind, follows },
    over: [BASE, ...params.layers.map((one) => one.id)],
  });
  return { layers: [...params.layers, layer] };
}

/** The settings without a layer; what named it names it no more. */
export const withoutLayer = (params: CamouflageParams, id: string): Partial<CamouflageParams> => ({
  lights: params.lights.filter((light) => light.id !== id),
  layers: params.layers
    .filter((layer) => layer.id !== id)
    .map((layer) => ({
      ...layer,
      over: layer.over.filter((one) => one !== id),
      follows: layer.follows === id ? null : layer.follows,
    })),
});

/** An edge can only follow a layer that is painted before it. */
const followingEarlier = (layer: Layer, earlier: readonly Layer[]): Layer =>
  layer.follows === null || earlier.some(({ id }) => id === layer.follows)
    ? layer
    : { ...layer, follows: earlier.findLast(({ kind }) => kind !== "edge")?.id ?? null };

/** A layer painted one earlier (−1) or later (1); what it covers follows: earlier layers only. */
export function movedLayer(params: CamouflageParams, id: string, by: -1 | 1): Partial<CamouflageParams> {
  const at = params.layers.findIndex((layer) => layer.id === id);
  const to = at + by;
  if (at < 0 || to < 0 || to >= params.layers.length) return {};
  const layers = params.layers.toSpliced(at, 1).toSpliced(to, 0, params.layers[at]!);
  const [lower, upper] = [layers[Math.min(at, to)]!, layers[Math.max(at, to)]!];
  const moved = layers.map((layer) => {
    if (layer.id === lower.id) return { ...layer, over: layer.over.filter((one) => one !== upper.id) };
    return layer.id === upper.id && !layer.over.includes(lower.id)
      ? { ...layer, over: [...layer.over, lower.id] }
      : layer;
  });
  return { layers: moved.map((layer, place) => followingEarlier(layer, moved.slice(0, place))) };
}

const withoutLight = ({ lights }: CamouflageParams, id: string) => lights.filter((light) => light.id !== id);

/** A layer in another mix; its light is mixed anew, lighter than that. */
export const withLayerMix = (
  params: CamouflageParams,
  id: string,
  mixId: string,
): Partial<CamouflageParams> => ({
  ...withLayer(params, id, { mixId }),
  lights: withoutLight(params, id),
});

/** Another base; its light, and the wash and lines that shade it, are mixed anew where there are some. */
export const withBaseMix = (params: CamouflageParams, baseMixId: string): Partial<CamouflageParams> => ({
  baseMixId,
  lights: withoutLight(params, BASE),
  washMixId: params.washMixId === null ? null : "",
  lineMixId: params.lineMixId === null ? null : "",
});
