import { createRandom } from "../../random";
import type { SurfaceForm } from "../../surface/forms/form";
import { clamp } from "../../units";
import type { PatternRoom } from "../family";
import { panelOf, type Panel } from "../panel";
import { blocksOf, type Block } from "./blocks";
import { likings } from "./liking";
import { sharesAsked, type PatchedParams } from "./params";
import { shareOut } from "./shareOut";

/** Every block of the coat where it lies. */
export interface LaidCoat {
  readonly panel: Panel;
  /** Number of the colour that has a cell; 255 off the panel. */
  readonly owner: Uint8Array;
  readonly blocks: readonly Block[];
  /** Per colour: how deep a cell lies in its blocks, mm, below 0 outside; cut short at DEEPEST_MM. */
  readonly depthMm: readonly Float32Array[];
  /** Shares of the surface that each colour has, and was asked to have, 0…1. */
  readonly reached: readonly number[];
  readonly asked: readonly number[];
}

/** A coat on its form; laid out when it is first asked for, since that takes long. */
export interface PatchedLayout {
  readonly form: SurfaceForm;
  readonly params: PatchedParams;
  laid(): LaidCoat;
}

/** Cells a coat is laid out on: its borders go under hairs, and need to be no finer than those. */
const CELLS = 22_000;

/** Depths are told no further than this, mm: beyond it nothing depends on them. */
export const DEEPEST_MM = 1.2;
/** Where likings hardly change, a border is told no farther away than by this, per mm. */
const LEAST_SLOPE = 0.12;

/** How far one colour is ahead of the best of the others, per cell. */
function leadOf(liked: readonly Float32Array[], offsets: readonly number[], k: number, cells: Int32Array) {
  const lead = new Float32Array(liked[k]!.length);
  for (const at of cells) {
    let other = -Infinity;
    for (let j = 0; j < liked.length; j++) if (j !== k) other = Math.max(other, liked[j]![at]! + offsets[j]!);
    lead[at] = liked[k]![at]! + offsets[k]! - other;
  }
  return lead;
}

/** Distances to the border, mm: the lead over its slope, to the first order. */
function depthFrom(lead: Float32Array, { cells, inside, width, pitchMm }: Panel): Float32Array {
  const depth = new Float32Array(lead.length).fill(-DEEPEST_MM);
  const slope = (at: number, step: number): number => {
    const [before, after] = [at - step, at + step].map((one) => (inside[one] === 1 ? one : at)) as [
      number,
      number,
    ];
    return before === after ? 0 : (lead[after]! - lead[before]!) / (((after - before) / step) * pitchMm);
  };
  for (const at of cells) {
    const steep = Math.max(LEAST_SLOPE, Math.hypot(slope(at, 1), slope(at, width)));
    depth[at] = clamp(lead[at]! / steep, -DEEPEST_MM, DEEPEST_MM);
  }
  return depth;
}

function layCoatOf(params: PatchedParams, room: PatternRoom): LaidCoat {
  const panel = panelOf(room.form, false, CELLS);
  const random = createRandom(room.seed).fork(`patched/${params.seed}`);
  const liked = likings(panel, params, room, random);
  const asked = sharesAsked(params);
  const { owner, offsets, shares } = shareOut(liked, asked, panel.cells);
  return {
    panel,
    owner,
    blocks: blocksOf(panel, owner),
    depthMm: liked.map((_, k) => depthFrom(leadOf(liked, offsets, k, panel.cells), panel)),
    reached: shares,
    asked,
  };
}

/** Where every block lies on a panel. Same settings, same blocks, at every pitch of a picture. */
export function layoutPatched(params: PatchedParams, room: PatternRoom): PatchedLayout {
  let laid: LaidCoat | null = null;
  return { form: room.form, params, laid: () => (laid ??= layCoatOf(params, room)) };
}
