import { evennessFaults, measureEvenness, type Evenness } from "../../stats/evenness";
import { figureOf, ratioOf } from "../../job";
import type { UnevennessFault } from "../../techniques/singleMarks";
import type { FamilyContext } from "../family";
import { basePlaces } from "./checks/baseSeen";
import { loudnessOf } from "./checks/loudness";
import type { CamouflageLayout } from "./layout";
import { layerKey } from "./keys";
import type { CamouflageParams, Layer } from "./params";
import { camouflageMarkSets } from "./work";

/** What a layer comes to on this piece. */
export interface LayerFacts {
  readonly id: string;
  /** Share of the surface that shows it, 0…1, and what was asked; null for lines along borders. */
  readonly reached: number;
  readonly asked: number | null;
  readonly count: number;
  /** Size of its marks on the real cloth, mm. */
  readonly realMm: number;
  readonly fate: SizeFate;
  /** Null for lines along borders. */
  readonly evenness: Evenness | null;
  readonly faults: readonly UnevennessFault[];
  /** Contrast against its ground, 0…1, and times the least visible in the hand and from where it is looked at. */
  readonly contrast: number;
  readonly near: number;
  readonly far: number;
}

/** Kept: every mark can be painted. Thickened: the smaller ones become as wide as the finest line. Lost: all are. */
export type SizeFate = "kept" | "thickened" | "lost";

/** What the setter tells of a pattern on its piece. */
export interface CamouflageFacts {
  readonly layers: readonly LayerFacts[];
  readonly baseShown: number;
  readonly places: {
    readonly all: number;
    readonly none: number;
    readonly only: number;
    readonly placeMm: number;
  };
}

/** Width of a layer's marks, mm: the middle of them and the narrow ones (one in six is narrower). */
function widths({ kind, sizeMm, long, spread }: Layer): { middle: number; narrow: number } {
  const middle = kind === "patch" ? sizeMm / long : sizeMm;
  return { middle, narrow: middle * Math.exp(-spread / 100) };
}

/** What the finest line lets survive of a layer. */
export function fateOf(layer: Layer, finestMm: number): SizeFate {
  const { middle, narrow } = widths(layer);
  if (middle < finestMm * 0.98) return "lost";
  return narrow < finestMm ? "thickened" : "kept";
}

/** Everything the setter tells of a pattern on its piece. */
export function camouflageFacts(context: FamilyContext<CamouflageParams, CamouflageLayout>): CamouflageFacts {
  const { layout, job, surface, form } = context;
  const laid = layout.laid();
  const sets = camouflageMarkSets(layout);
  const loud = loudnessOf(context);
  const { none, only, places, placeMm } = basePlaces(laid);
  return {
    baseShown: laid.baseShown,
    places: { all: places, none: none.length, only: only.length, placeMm },
    layers: laid.layers.map(({ layer, reached, asked, marks }, k): LayerFacts => {
      const set = sets.find(({ key }) => key === layerKey(layer.id));
      const evenness = set ? measureEvenness(set.marks, form) : null;
      const { contrast, near, far } = loud[k]!;
      return {
        ...{ id: layer.id, reached, asked, count: marks.length, contrast, near, far, evenness },
        realMm: layer.sizeMm * ratioOf(figureOf(job, surface)),
        fate: fateOf(layer, job.hand.finestLineMm),
        faults: set && evenness ? evennessFaults(set, evenness) : [],
      };
    }),
  };
}
