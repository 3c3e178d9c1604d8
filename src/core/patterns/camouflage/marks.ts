import type { SurfaceGrid } from "../../surface/grid";
import { blurMm } from "../../surface/blur";
import { fieldsOf } from "../../surface/fields";
import { upperQuantile } from "../../surface/quantile";
import type { Dot, Marks, Regions } from "../../techniques/technique";
import { placeOfKey } from "./keys";
import { shownMm, type CamouflageLayout, type LaidLayer, type LaidPattern } from "./layout";
import { Carrier } from "../carrier";
import { BASE } from "./params";
import { smoothNoise } from "./smooth";
import { seamStrokes } from "./seams";
import { SEGMENT, type Shape } from "./shapes";

const NOWHERE: Marks = { kind: "strokes", strokes: [] };

/** Patches, bars and lines along borders as numbered pieces. */
function layerRegions(laid: LaidPattern, layer: LaidLayer, grid: SurfaceGrid): Regions {
  const carrier = new Carrier(laid.panel, grid);
  return { number: carrier.numbers(layer.mark), depthMm: carrier.depths(layer.paintedMm) };
}

const dotOf = ({ segments }: Shape, grown: number): Dot => {
  const [x0, y0, x1, y1, half] = segments.subarray(0, SEGMENT) as unknown as number[];
  const long = Math.hypot(x1! - x0!, y1! - y0!);
  return {
    xMm: (x0! + x1!) / 2,
    yMm: (y0! + y1!) / 2,
    widthMm: (long + 2 * half!) * grown,
    heightMm: 2 * half! * grown,
    angle: Math.atan2(y1! - y0!, x1! - x0!),
  };
};

/** Dots as single touches, all a little larger or smaller, so that together they show the share asked for. */
export function layerDots({ panel }: LaidPattern, layer: LaidLayer): Dot[] {
  const area = layer.shapes.reduce((sum, shape) => {
    const { widthMm, heightMm } = dotOf(shape, 1);
    return sum + (Math.PI / 4) * widthMm * heightMm;
  }, 0);
  const wanted = layer.reached * panel.cells.length * panel.pitchMm * panel.pitchMm;
  const grown = area > 0 ? Math.sqrt(Math.min(1.6, Math.max(0.4, wanted / area))) : 1;
  return layer.shapes.map((shape) => dotOf(shape, grown));
}

/** Share of the piece, by how well it is lit, that gets the lights. */
export const LIT_SHARE = 0.34;
/** Depth that the best lit places count as, mm: the light is feathered over about this. */
const LIT_DEPTH_MM = 0.7;
/** A colour ends this much harder than its light fades out. */
const COLOUR_BORDER = 8;
/** A painter sees volumes, not creases: light is taken over this much, mm. */
const LIT_BLUR_MM = 0.2;
/** Less difference of light than this is none: a smooth piece is lit from above. */
const LEAST_LIGHT = 0.02;

/** On a piece without relief light falls from above, unevenly. */
function fromAbove({ heightMm, form, originX, originY, width, pitchMm }: SurfaceGrid): Float32Array {
  return heightMm.map((up, at) => {
    const [x, y] = [originX + (at % width) * pitchMm, originY + Math.floor(at / width) * pitchMm];
    return up / form.slantMm + 0.25 * smoothNoise(x / 2.4, y / 2.4);
  });
}

/** Light at which the lit share begins, and where it is brightest. */
function litSpan(light: Float32Array, grid: SurfaceGrid): [from: number, high: number] {
  const every = new Int32Array(light.length);
  for (let at = 0; at < every.length; at++) every[at] = at;
  const [from, high] = [LIT_SHARE, 0.03].map((share) => upperQuantile(light, share, every, grid.inside)) as [
    number,
    number,
  ];
  return [from, high];
}

/** Lit depths of the grids asked about last: every colour of a pattern has lights of its own. */
const litOf = new WeakMap<SurfaceGrid, Float32Array>();

/** How deep a cell lies in the lit part of the piece, as if in mm. */
function litDepth(grid: SurfaceGrid): Float32Array {
  const known = litOf.get(grid) ?? litDepthOf(grid);
  litOf.set(grid, known);
  return known;
}

function litDepthOf(grid: SurfaceGrid): Float32Array {
  let light = blurMm(fieldsOf(grid).light, grid, LIT_BLUR_MM);
  let [from, high] = litSpan(light, grid);
  if (high - from < LEAST_LIGHT) {
    light = fromAbove(grid);
    [from, high] = litSpan(light, grid);
  }
  const span = Math.max(1e-6, high - from);
  return light.map((value) => ((value - from) / span) * LIT_DEPTH_MM);
}

/** Lights inside one colour: where it shows and the piece is lit. */
function lightRegions(laid: LaidPattern, k: number, grid: SurfaceGrid): Regions {
  const shown = new Float32Array(laid.panel.inside.length).fill(-1e6);
  for (const at of laid.panel.cells) shown[at] = shownMm(laid, k, at);
  const depths = new Carrier(laid.panel, grid).depths(shown);
  const lit = litDepth(grid);
  for (let at = 0; at < depths.length; at++) depths[at] = Math.min(depths[at]! * COLOUR_BORDER, lit[at]!);
  return { number: new Int32Array(depths.length), depthMm: depths };
}

/** Where a place of the pattern lies. */
export function camouflageMarks(layout: CamouflageLayout, key: string, grid: () => SurfaceGrid): Marks {
  const place = placeOfKey(key);
  if (!place) return NOWHERE;
  if (place.kind === "seams") return { kind: "strokes", strokes: seamStrokes(layout) };
  const k = layout.params.layers.findIndex((one) => one.id === place.id);
  if (k < 0 && !(place.kind === "lights" && place.id === BASE)) return NOWHERE;
  const laid = layout.laid();
  if (place.kind === "lights") return { kind: "regions", regions: lightRegions(laid, k, grid()) };
  const layer = laid.layers[k]!;
  if (layer.layer.kind === "dot") return { kind: "dots", dots: layerDots(laid, layer) };
  return { kind: "regions", regions: layerRegions(laid, layer, grid()) };
}
