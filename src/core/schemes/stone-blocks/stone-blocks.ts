import { blockCoats, blockTones, type BlockLook, type BlockTone } from "../blocks";
import { defineScheme } from "../scheme";

const LOOK: BlockLook = {
  name: "stone",
  tints: [
    { name: "ochre", lighter: -2, chroma: 2.4, hueDeg: 4 },
    { name: "rust", lighter: -9, chroma: 2.6, hueDeg: -32 },
    { name: "cold grey", lighter: -8, chroma: 0.9, hueDeg: 160 },
    { name: "green", lighter: -6, chroma: 1.8, hueDeg: 40 },
  ],
  bare: 40,
  mortar: [-14, 1.2],
  edges: "upper-edges",
  across: [45, 135],
};

/** Stones in courses: scrubbed, single ones tinted so that no two alike lie side by side, then brushed dry. */
export const stoneBlocks = defineScheme<BlockTone>({
  id: "stone-blocks",
  version: 1,
  label: "Scrubbed, single stones tinted",
  about:
    "Dark joints, the stone scrubbed over, single stones tinted in four thin colours, no two alike side by side; shade and a thin varnish, then light brushed dry in two steps.",
  material: "stone",
  startColour: "#8d887c",
  tones: (room) => blockTones(LOOK, room),
  coats: (room) => blockCoats(LOOK, room),
});
