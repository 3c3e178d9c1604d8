import { defineTechnique, eachCell, addFilm } from "../technique";
import { blurMm } from "../../surface/blur";
import { footFree } from "../footFree";
import { cloud } from "../texture";

/** Water creeps up its banks by so much, mm, over about this distance in height, mm. */
const [CREEPS_MM, BANK_MM] = [0.03, 0.03] as const;

/** So far below its level, by the ground around, a pool has its full depth, mm. */
const ROUND_MM = 0.12;
/** Ground is low by its mean over about this width, mm. */
const SMOOTH_MM = 1.2;
/** What is around a place must be so much of the piece, 0…1. */
const OFF_RIM = 0.96;

/** The height below which a share of the place lies, mm. */
function levelFor(heights: readonly number[], share: number): number {
  const sorted = Float64Array.from(heights).sort();
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? 0;
}

/** Standing water: clear resin or gloss varnish poured into low ground, level on top. */
export const puddle = defineTechnique({
  id: "puddle",
  version: 1,
  label: "Puddle",
  about:
    "Clear gloss poured into low ground: it fills it to one level, flat on top, and creeps up its banks.",
  params: {
    flooded: {
      label: "Flooded",
      unit: "%",
      range: [1, 100],
      step: 1,
      default: 20,
      about: "Share of the place that ends up under water, its lowest first.",
    },
    over: {
      label: "Over that",
      unit: "mm",
      range: [0, 2],
      step: 0.02,
      default: 0.06,
      about: "How much higher than the bank it is poured: surface tension holds a little.",
    },
    ripple: {
      label: "Not quite level",
      unit: "µm",
      range: [0, 60],
      step: 1,
      default: 8,
      about: "Ripples that are left as it sets.",
    },
  },
  settles: true,
  lays: ["field"],
  filmShare: 1,
  filmUm: ({ over }) => 1000 * (0.05 + over),
  startWater: 0,
  bench: {
    tool: "drop bottle or toothpick",
    how: "Set the base level, pour in thin layers and let each set; prick bubbles with a needle.",
    lookAt: "Level and clear, no bubbles; it has not run over the rim.",
  },
  caution:
    "Resins and varnishes: gloves, fresh air, no flame, and no warm air until they are set. Follow the labels and your local rules.",
  feels: true,
  raises: true,
  comesLast: true,
  unseen: true,
  potKinds: ["varnish", "medium"],
  lay(film, context, params, random) {
    const { grid, passes } = context;
    const relief = context.heightMm();
    // Small pits between grains are no puddle: what is low all around floods first. Nor does water stand at a rim: it runs off.
    const inner = blurMm(grid.inside, grid, SMOOTH_MM);
    const weighed = blurMm(
      relief.map((mm, at) => mm * grid.inside[at]!),
      grid,
      SMOOTH_MM,
    );
    const around = weighed.map((mm, at) => mm / Math.max(0.01, inner[at]!));
    const places: number[] = [];
    const heights: number[] = [];
    const shares: number[] = [];
    const ripples: number[] = [];
    eachCell(context, random, (at, x, y, weight) => {
      if (weight < 0.5 || (grid.form.rim && inner[at]! < OFF_RIM) || footFree(grid, at) === 0) return;
      places.push(at);
      heights.push(around[at]!);
      shares.push(weight);
      ripples.push(cloud(x * 0.8, y * 0.8));
    });
    const bank = levelFor(heights, params.flooded / 100);
    places.forEach((at, k) => {
      const under = bank - heights[k]!;
      if (under <= -BANK_MM) return;
      // Its border is round, as surface tension leaves it; grains that stand out are wet to their tops.
      const holds = params.over * Math.min(1, Math.sqrt((under + BANK_MM) / ROUND_MM));
      const deep = bank + holds + 0.001 * params.ripple * ripples[k]! - relief[at]!;
      const mm = deep > CREEPS_MM ? deep : CREEPS_MM * Math.exp((deep - CREEPS_MM) / BANK_MM);
      addFilm(film, at, 1000 * mm * passes, shares[k]! * grid.inside[at]!);
    });
  },
});
