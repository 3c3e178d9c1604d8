import { FAR_MM } from "./field";

/** One layer as the shares see it: how deep a cell lies in its marks, and where it may not go. */
export interface ShareLayer {
  /** mm, per cell; cells outside the panel do not count. */
  readonly depthMm: Float32Array;
  /** Cells that are to show it; null: it takes what its marks have. */
  readonly wanted: number | null;
  /** Earlier layers it must leave, by place in the list; −1 is the base. */
  readonly leaves: readonly number[];
  readonly gapMm: number;
  /** A line along part of another layer's border; null for marks of their own. */
  readonly follows: Follows | null;
}

/** Which layer's border an edge lines, how wide and how much of it. */
export interface Follows {
  /** Place of the layer whose border it follows. */
  readonly layer: number;
  /** Half the line's width, mm, per cell. */
  readonly halfMm: Float32Array;
  /** Smooth chance, per cell: where it is highest, the border is lined. */
  readonly chance: Float32Array;
  /** Share of the border that is lined, 0…1. */
  readonly part: number;
}

/** Layers laid to the shares they were asked for, and what is left of the base. */
export interface Shared {
  /** Per layer: how deep a cell lies in what is painted, mm. */
  readonly painted: readonly Float32Array[];
  /** Cells of the panel that show each layer in the end. */
  readonly shown: readonly number[];
}

const BINS = 4096;
const MOST_MM = 40;
/** Layers that leave others free depend on those, and those on what lies over them: looked at again this often. */
const ROUNDS = 4;

/** How deep a cell lies in what shows of one of the layers below `before`; of the base for −1. */
function shownDepth(painted: readonly Float32Array[], layer: number, before: number, at: number): number {
  let over = FAR_MM;
  for (let k = layer + 1; k < before; k++) {
    const depth = painted[k]![at]!;
    if (depth > over) over = depth;
  }
  if (layer < 0) return -over;
  const own = painted[layer]![at]!;
  return own < -over ? own : -over;
}

/** How far every cell lies from what a layer must leave, mm, less the gap. */
function fillRoom(
  { leaves, gapMm }: ShareLayer,
  painted: readonly Float32Array[],
  k: number,
  inside: Int32Array,
  roomMm: Float32Array,
): void {
  for (let c = 0; c < inside.length; c++) {
    const at = inside[c]!;
    let nearest = MOST_MM;
    for (let l = 0; l < leaves.length; l++) {
      const away = -shownDepth(painted, leaves[l]!, k, at);
      if (away < nearest) nearest = away;
    }
    roomMm[at] = nearest - gapMm;
  }
}

/**
 * The depth above which a number of the given cells lies, to a thousandth of a bin; cells without room do not count.
 * All of them where there are too few.
 */
function thresholdFor(depthMm: Float32Array, cells: Int32Array, count: number, wanted: number): number {
  let [low, high] = [Infinity, -Infinity];
  for (let k = 0; k < count; k++) {
    const value = depthMm[cells[k]!]!;
    if (value < low) low = value;
    if (value > high) high = value;
  }
  if (count === 0 || wanted <= 0) return MOST_MM;
  if (wanted >= count) return low - 1e-3;
  const bins = new Int32Array(BINS);
  const scale = (BINS - 1) / Math.max(1e-9, high - low);
  for (let k = 0; k < count; k++) bins[Math.floor((depthMm[cells[k]!]! - low) * scale)]!++;
  let above = 0;
  for (let bin = BINS - 1; bin >= 0; bin--) {
    const here = bins[bin]!;
    if (above + here >= wanted) return low + (bin + 1 - (wanted - above) / here) / scale;
    above += here;
  }
  return low;
}

/** Cells this near to a border count as part of it, mm. */
const BORDER_MM = 0.12;
/** What a step of the chance is worth where a line ends, mm. */
const CHANCE_MM = 1;

/** The line along part of the border of what shows of another layer, as depths. */
function lineDepth(
  { layer, halfMm, chance, part }: Follows,
  painted: readonly Float32Array[],
  k: number,
  inside: Int32Array,
  depthMm: Float32Array,
): void {
  const border = Int32Array.from(
    inside.filter((at) => Math.abs(shownDepth(painted, layer, k, at)) < BORDER_MM),
  );
  const from = thresholdFor(chance, border, border.length, part * border.length);
  for (const at of inside) {
    const away = Math.abs(shownDepth(painted, layer, k, at));
    depthMm[at] = Math.min(halfMm[at]! - away, (chance[at]! - from) * CHANCE_MM);
  }
}

/**
 * Cuts every layer's marks at the depth at which just the share asked for shows in the end: from the last layer down,
 * each over the cells that no later one covers. A layer that must leave others free has only their outside to go to.
 * @param inside cells of the panel
 */
export function shareOut(layers: readonly ShareLayer[], inside: Int32Array): Shared {
  const painted = layers.map(({ depthMm }) => depthMm.slice());
  const shown = layers.map(() => 0);
  const buffers: Buffers = {
    free: new Int32Array(inside.length),
    over: new Float32Array(layers[0]?.depthMm.length ?? 0),
    room: new Float32Array(layers[0]?.depthMm.length ?? 0),
  };
  const bound = layers.some(({ leaves, follows }) => leaves.length > 0 || follows !== null);
  for (let round = 0; round < (bound ? ROUNDS : 1); round++) {
    buffers.over.fill(FAR_MM);
    for (let k = layers.length - 1; k >= 0; k--) shown[k] = cutLayer(layers, painted, k, inside, buffers);
  }
  return { painted, shown };
}

interface Buffers {
  /** Cells that no later layer covers. */
  readonly free: Int32Array;
  /** Depth within what lies over a layer, mm. */
  readonly over: Float32Array;
  readonly room: Float32Array;
}

/** Cuts one layer, the later ones being cut. @returns cells that show it */
function cutLayer(
  layers: readonly ShareLayer[],
  painted: readonly Float32Array[],
  k: number,
  inside: Int32Array,
  { free, over, room: roomMm }: Buffers,
): number {
  const { depthMm, wanted, leaves, follows } = layers[k]!;
  const own = painted[k]!;
  if (follows) lineDepth(follows, painted, k, inside, depthMm);
  const bound = leaves.length > 0;
  if (bound) fillRoom(layers[k]!, painted, k, inside, roomMm);
  let count = 0;
  for (let c = 0; c < inside.length; c++) {
    const at = inside[c]!;
    if (over[at]! <= 0 && (!bound || roomMm[at]! > 0)) free[count++] = at;
  }
  const cut = wanted === null ? 0 : thresholdFor(depthMm, free, count, wanted);
  let shown = 0;
  for (let c = 0; c < inside.length; c++) {
    const at = inside[c]!;
    const depth = bound ? Math.min(depthMm[at]! - cut, roomMm[at]!) : depthMm[at]! - cut;
    own[at] = depth;
    if (depth > 0 && over[at]! <= 0) shown++;
    if (depth > over[at]!) over[at] = depth;
  }
  return shown;
}
