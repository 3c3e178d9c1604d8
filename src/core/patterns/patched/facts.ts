import { hexToLab } from "../../colour/spaces";
import { ciede2000 } from "../../colour/difference";
import type { FamilyContext } from "../family";
import type { PatchedLayout } from "./layout";
import type { PatchedParams } from "./params";
import { crossingsPerMm } from "./checks/borders";
import { LEAST_BLOCK_MM2 } from "./work";

/** What a colour comes to on this piece. */
export interface ColourFacts {
  readonly id: string;
  /** Share of the surface that it has, and was asked to have, 0…1. */
  readonly reached: number;
  readonly asked: number;
  readonly blocks: number;
  /** CIEDE2000 from the colour nearest to it. */
  readonly apart: number;
}

/** A small picture of the blocks: what the map of the setter is drawn from. */
export interface BlockMap {
  readonly width: number;
  readonly height: number;
  /** Number of the colour of each cell; 255 off the panel. */
  readonly owner: Uint8Array;
  /** Flat position of the first cell's middle, and the edge of a cell, mm. */
  readonly originX: number;
  readonly originY: number;
  readonly pitchMm: number;
}

/** What the setter tells of a coat on its piece. */
export interface PatchedFacts {
  readonly colours: readonly ColourFacts[];
  readonly map: BlockMap;
  /** Hairs that cross a mm of border from one side; null where no coat of hairs is painted. */
  readonly crossings: number | null;
}

/** Everything the setter tells of a coat on its piece. */
export function patchedFacts(context: FamilyContext<PatchedParams, PatchedLayout>): PatchedFacts {
  const { layout, params, surface } = context;
  const { panel, owner, blocks, reached, asked } = layout.laid();
  const labs = params.colours.map(({ colour }) => hexToLab(colour));
  const { width, height, originX, originY, pitchMm } = panel;
  return {
    colours: params.colours.map(({ id }, k) => ({
      id,
      reached: reached[k]!,
      asked: asked[k]!,
      blocks: blocks.filter(({ colour, areaMm2 }) => colour === k && areaMm2 >= LEAST_BLOCK_MM2).length,
      apart: Math.min(...labs.flatMap((lab, j) => (j === k ? [] : [ciede2000(lab, labs[k]!)]))),
    })),
    map: { width, height, originX, originY, pitchMm, owner },
    crossings: crossingsPerMm(surface, params),
  };
}
