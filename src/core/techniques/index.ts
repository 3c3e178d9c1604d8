import { airbrush } from "./airbrush/airbrush";
import { baseCoat } from "./base-coat/base-coat";
import { blotch } from "./blotch/blotch";
import { fill } from "./fill/fill";
import { chip } from "./chip/chip";
import { dot } from "./dot/dot";
import { dryBrush } from "./dry-brush/dry-brush";
import { edgeLine } from "./edge-line/edge-line";
import { glaze } from "./glaze/glaze";
import { glowDot } from "./glow-dot/glow-dot";
import { hair } from "./hair/hair";
import { hatch } from "./hatch/hatch";
import { layer } from "./layer/layer";
import { lens } from "./lens/lens";
import { line } from "./line/line";
import { overbrush } from "./overbrush/overbrush";
import { pinWash } from "./pin-wash/pin-wash";
import { plateLines } from "./plate-lines/plate-lines";
import { plates } from "./plates/plates";
import { puddle } from "./puddle/puddle";
import { powder } from "./powder/powder";
import { scratch } from "./scratch/scratch";
import { singleBlocks } from "./single-blocks/single-blocks";
import { snow } from "./snow/snow";
import { sponge } from "./sponge/sponge";
import { stain } from "./stain/stain";
import { stencil } from "./stencil/stencil";
import { stipple } from "./stipple/stipple";
import { streak } from "./streak/streak";
import { texturePaste } from "./texture-paste/texture-paste";
import { touch } from "./touch/touch";
import { tuft } from "./tuft/tuft";
import { varnish } from "./varnish/varnish";
import { wash } from "./wash/wash";
import { wetBlend } from "./wet-blend/wet-blend";
import type { TechniqueDefinition } from "./technique";

/** Every way of putting paint on, by id, in the order they are offered. A new one is one folder and one line here. */
const all = {
  "base-coat": baseCoat,
  layer,
  "wet-blend": wetBlend,
  glaze,
  wash,
  "pin-wash": pinWash,
  "dry-brush": dryBrush,
  overbrush,
  stipple,
  touch,
  scratch,
  hatch,
  hair,
  "edge-line": edgeLine,
  plates,
  "plate-lines": plateLines,
  "single-blocks": singleBlocks,
  sponge,
  chip,
  stain,
  streak,
  blotch,
  airbrush,
  stencil,
  powder,
  "texture-paste": texturePaste,
  snow,
  puddle,
  tuft,
  "glow-dot": glowDot,
  varnish,
  fill,
  lens,
  line,
  dot,
} as const;

export type TechniqueId = keyof typeof all;
// Each definition is checked against its own parameters where it is made; here they are handled alike.
export const techniques = all as unknown as Readonly<Record<TechniqueId, TechniqueDefinition>>;
export const techniqueIds = Object.keys(all) as TechniqueId[];
/** Whether there is a technique of this id. */
export const isTechniqueId = (id: string): id is TechniqueId => Object.hasOwn(all, id);
