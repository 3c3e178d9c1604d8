import type { Hand } from "../../job";
import { createRandom, type Random } from "../../random";
import type { SurfaceForm } from "../../surface/forms/form";
import type { PlacedMark } from "../../techniques/singleMarks";
import type { PatternRoom } from "../family";
import { emptyField, FAR_MM, splat, warpOf, type Field, type Warp } from "./field";
import { panelOf, xOf, yOf, type Panel } from "../panel";
import { BASE, type CamouflageParams, type Layer } from "./params";
import { Seats } from "./scatter";
import { placedMarks } from "./placed";
import { barShape, bridge, dotShape, patchShape, wrapped, type Shape } from "./shapes";
import { shareOut, type Follows, type ShareLayer } from "./shares";
import { smoothNoise } from "./smooth";

/** One layer as it lies on the panel. */
export interface LaidLayer {
  readonly layer: Layer;
  readonly shapes: readonly Shape[];
  /** Depth within what is painted of it, mm, per cell of the panel. */
  readonly paintedMm: Float32Array;
  /** Mark that is nearest, per cell; −1 for none. */
  readonly mark: Int32Array;
  /** Share of the panel that shows it in the end, 0…1, and what was asked. */
  readonly reached: number;
  readonly asked: number | null;
  /** Its marks as they show in the end. */
  readonly marks: readonly PlacedMark[];
}

/** Every mark of the pattern where it lies. */
export interface LaidPattern {
  readonly panel: Panel;
  readonly layers: readonly LaidLayer[];
  /** Share of the panel on which the base still shows, 0…1. */
  readonly baseShown: number;
}

/** A pattern on its form; laid out when it is first asked for, since that takes long. */
export interface CamouflageLayout {
  readonly form: SurfaceForm;
  readonly hand: Hand;
  readonly params: CamouflageParams;
  /** Made when first asked for: what only names coats and places does not wait for it. */
  laid(): LaidPattern;
}

/** Most marks of a layer: more could not be painted by hand. */
const MOST_MARKS = 1500;
/** Marks are laid until so much more than the share asked for is covered; the cut then takes it back exactly. */
const MORE = 1.04;
/** Dots stand apart by their seats: their distances matter close by only. */
const DOT_PAD_MM = 0.25;

interface Room {
  readonly panel: Panel;
  readonly finestMm: number;
  readonly random: Random;
}

function shapeOf(
  { panel, finestMm, random }: Room,
  layer: Layer,
  seat: Parameters<typeof patchShape>[2],
): Shape {
  const make = layer.kind === "bar" ? barShape : layer.kind === "dot" ? dotShape : patchShape;
  return wrapped(panel, make(panel, layer, seat, finestMm, random));
}

/** What earlier layers a layer must leave, by place; −1 for the base. */
function leavesOf(layers: readonly Layer[], k: number): number[] {
  const { over, kind } = layers[k]!;
  // A line along a border lies on both sides of it by nature.
  if (kind === "edge") return [];
  const base = over.includes(BASE) ? [] : [-1];
  return [...base, ...layers.slice(0, k).flatMap((one, at) => (over.includes(one.id) ? [] : [at]))];
}

/** Whether a cell lies on something a layer may cover, told from the marks laid so far. */
function allowedOn(fields: readonly Field[], leaves: readonly number[]): (at: number) => boolean {
  if (leaves.length === 0) return () => true;
  return (at) => {
    let top = -1;
    fields.forEach((field, k) => {
      if (field.depthMm[at]! > 0) top = k;
    });
    return !leaves.includes(top);
  };
}

interface Scattered {
  readonly shapes: Shape[];
  readonly field: Field;
}

/** Odd small marks between the others, where there is most room. */
function addOdd(
  room: Room,
  layer: Layer,
  warp: Warp,
  { shapes, field }: Scattered,
  allowed: (at: number) => boolean,
): void {
  const { panel, random } = room;
  for (let count = 0; count < layer.odd; count++) {
    let [best, deepest] = [-1, Infinity];
    for (let tried = 0; tried < 200; tried++) {
      const at = panel.cells[Math.floor(random.next() * panel.cells.length)]!;
      if (allowed(at) && field.depthMm[at]! < deepest) [best, deepest] = [at, field.depthMm[at]!];
    }
    if (best < 0) return;
    const small = {
      ...layer,
      sizeMm: layer.sizeMm * random.range(0.25, 0.55),
      turn: 90,
      long: 1 + random.next() * 2,
    };
    const seat = { x: xOf(panel, best), y: yOf(panel, best), piece: panel.piece[best]! };
    shapes.push(shapeOf(room, small, seat));
    splat(panel, field, warp, shapes.at(-1)!, shapes.length - 1);
  }
}

/** Joins the nearest pairs of marks into one each. */
function mergeNearest(shapes: readonly Shape[], pairs: number, halfMm: number): Shape[] {
  const left = [...shapes];
  for (let pair = 0; pair < pairs && left.length > 2; pair++) {
    let [a, b, least] = [-1, -1, Infinity];
    for (let i = 0; i < left.length; i++)
      for (let j = i + 1; j < left.length; j++) {
        const [one, other] = [left[i]!, left[j]!];
        // One that is joined already stays as it is, so that not all end in one.
        if (one.piece !== other.piece || one.joined || other.joined) continue;
        const away = Math.hypot(one.x - other.x, one.y - other.y);
        if (away < least) [a, b, least] = [i, j, away];
      }
    if (a < 0) break;
    const joined = bridge(left[a]!, left[b]!, halfMm);
    left.splice(b, 1);
    left.splice(a, 1, joined);
  }
  return left;
}

/** Marks of one layer, until they cover the cells wanted where they are allowed. */
function scatter(
  room: Room,
  layer: Layer,
  wanted: number,
  warp: Warp,
  allowed: (at: number) => boolean,
): Scattered {
  const { panel, random } = room;
  const field = emptyField(panel);
  const shapes: Shape[] = [];
  const seats = new Seats(panel, layer, random.fork("seats"), allowed);
  const own = { ...room, random: random.fork("shapes") };
  const pad = layer.kind === "dot" ? DOT_PAD_MM : undefined;
  let covered = 0;
  while (covered < wanted * MORE && shapes.length < MOST_MARKS) {
    const seat = seats.next(layer.sizeMm / 2, shapes, field);
    if (!seat) break;
    const shape = shapeOf(own, layer, seat);
    covered += splat(panel, field, warp, shape, shapes.length, pad);
    shapes.push(shape);
  }
  if (layer.merged === 0 && layer.odd === 0) return { shapes, field };
  const merged = mergeNearest(shapes, layer.merged, (layer.sizeMm / layer.long) * 0.3);
  const redone = { shapes: merged, field: emptyField(panel) };
  merged.forEach((shape, number) => splat(panel, redone.field, warp, shape, number));
  addOdd(own, layer, warp, redone, allowed);
  return redone;
}

/** A line's own width and where it is laid, cell by cell. */
function followsOf(
  panel: Panel,
  layers: readonly Layer[],
  k: number,
  finestMm: number,
  shift: number,
): Follows {
  const layer = layers[k]!;
  const target = layers.findIndex((one) => one.id === layer.follows);
  const halfMm = new Float32Array(panel.inside.length);
  const chance = new Float32Array(panel.inside.length);
  for (const at of panel.cells) {
    const [x, y] = [xOf(panel, at), yOf(panel, at)];
    const width = layer.sizeMm * Math.exp((layer.spread / 100) * smoothNoise(x / 0.8 + shift, y / 0.8));
    halfMm[at] = Math.max(finestMm, width) / 2;
    chance[at] = smoothNoise(x / 2.1 + shift, y / 2.1 + 31) + 0.25 * smoothNoise(x / 0.7, y / 0.7 + shift);
  }
  return { layer: target, halfMm, chance, part: layer.share / 100 };
}

interface Laid {
  readonly scattered: Scattered[];
  readonly shareLayers: ShareLayer[];
}

function layLayers(panel: Panel, params: CamouflageParams, hand: Hand, random: Random): Laid {
  const layers = params.layers;
  const scattered: Scattered[] = [];
  const shareLayers: ShareLayer[] = [];
  const shares = layers.map((layer) => (layer.kind === "edge" ? 0 : layer.share / 100));
  layers.forEach((layer, k) => {
    const own = random.fork(layer.id);
    const leaves = leavesOf(layers, k);
    const wanted = shares[k]! * panel.cells.length;
    const usual = { leaves, gapMm: layer.gapMm, follows: null };
    if (layer.kind === "edge") {
      const field = emptyField(panel);
      scattered.push({ shapes: [], field });
      const follows = followsOf(panel, layers, k, hand.finestLineMm, own.range(0, 60));
      // A layer that is not there any more has no border to follow.
      const there = follows.layer >= 0 && follows.layer < k;
      shareLayers.push({ ...usual, depthMm: field.depthMm, wanted: null, follows: there ? follows : null });
      return;
    }
    const later = shares.slice(k + 1).reduce((sum, share) => sum + share, 0);
    const raw = Math.min(0.97, shares[k]! / Math.max(0.05, 1 - later));
    const allowed = allowedOn(
      scattered.map((one) => one.field),
      leaves,
    );
    const room = { panel, finestMm: hand.finestLineMm, random: own };
    // Dots lie as they were set: those kept to a ground are not covered again.
    const cells = layer.kind === "dot" ? wanted : raw * panel.cells.length;
    const laid = scatter(room, layer, cells, warpOf(panel, own.range(0, 60)), allowed);
    scattered.push(laid);
    shareLayers.push({ ...usual, depthMm: laid.field.depthMm, wanted });
  });
  return { scattered, shareLayers };
}

function layPattern(params: CamouflageParams, { form, hand, seed }: PatternRoom): LaidPattern {
  const panel = panelOf(form, params.seams === "cut");
  const random = createRandom(seed).fork(`camouflage/${params.seed}`);
  const { scattered, shareLayers } = layLayers(panel, params, hand, random);
  const { painted, shown } = shareOut(shareLayers, panel.cells);
  const all = panel.cells.length;
  const layers = params.layers.map((layer, k): LaidLayer => {
    const { field, shapes } = scattered[k]!;
    return {
      ...{ layer, shapes, mark: field.mark, paintedMm: painted[k]! },
      reached: shown[k]! / all,
      asked: layer.kind === "edge" ? null : layer.share / 100,
      marks: placedMarks(panel, painted, field.mark, k),
    };
  });
  return { panel, layers, baseShown: 1 - shown.reduce((sum, cells) => sum + cells, 0) / all };
}

/** Where every mark of the pattern lies on a panel. Same settings, same marks, at every pitch of a picture. */
export function layoutCamouflage(params: CamouflageParams, room: PatternRoom): CamouflageLayout {
  let laid: LaidPattern | null = null;
  const { form, hand } = room;
  return { form, hand, params, laid: () => (laid ??= layPattern(params, room)) };
}

/** How deep a cell lies in what shows of a layer in the end, mm; −1 is the base. */
export function shownMm({ layers }: LaidPattern, k: number, at: number): number {
  let over = FAR_MM;
  for (let above = k + 1; above < layers.length; above++)
    over = Math.max(over, layers[above]!.paintedMm[at]!);
  return k < 0 ? -over : Math.min(layers[k]!.paintedMm[at]!, -over);
}
