import { blockCoats, blockTones, type BlockLook, type BlockTone } from "../blocks";
import { defineScheme } from "../scheme";

const LOOK: BlockLook = {
  name: "slate",
  tints: [
    { name: "violet", lighter: -3, chroma: 1.7, hueDeg: 55 },
    { name: "blue", lighter: 2, chroma: 1.8, hueDeg: -10 },
    { name: "brown", lighter: -7, chroma: 1.1, hueDeg: 150 },
    { name: "green", lighter: -2, chroma: 1, hueDeg: -90 },
  ],
  bare: 30,
  mortar: null,
  edges: "edges",
  across: [90, 90],
};

/** Slates on a roof: dark, scrubbed over, single ones tinted, their lower edges catching the light. */
export const slateBlocks = defineScheme<BlockTone>({
  id: "slate-blocks",
  version: 1,
  label: "Scrubbed, single slates tinted",
  about:
    "Dark gaps, the slates scrubbed over, single ones tinted in four thin colours, no two alike side by side; shade and a thin varnish, then light brushed dry in two steps.",
  material: "slate",
  startColour: "#5f6470",
  tones: (room) => blockTones(LOOK, room),
  coats: (room) => blockCoats(LOOK, room),
});
