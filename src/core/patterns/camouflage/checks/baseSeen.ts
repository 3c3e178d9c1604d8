import { formatNumber } from "../../../units";
import type { Spot } from "../../../checks/finding";
import type { PatternCheck } from "../../family";
import type { CamouflageLayout, LaidPattern } from "../layout";
import { xOf, yOf } from "../../panel";
import type { CamouflageParams } from "../params";

/** Places this many middle patch lengths wide are looked at. */
const LENGTHS = 2.2;
const LEAST_PLACE_MM = 1.5;
/** Shares of the base at which a place has none of it, or nothing but it. */
const NONE = 0.02;
const ONLY = 0.98;
/** A place must lie mostly on the panel. */
const MOSTLY = 0.7;

/** Square places of the panel: where nothing of the base is seen, and where nothing else is. */
export interface BasePlaces {
  readonly placeMm: number;
  readonly none: readonly Spot[];
  readonly only: readonly Spot[];
  readonly places: number;
}

/** Places of the panel where nothing of the base is seen, and where nothing else is. */
export function basePlaces({ panel, layers }: LaidPattern): BasePlaces {
  const lengths = layers
    .filter(({ layer }) => layer.kind !== "dot" && layer.kind !== "edge")
    .map(({ layer }) => layer.sizeMm);
  const placeMm = Math.max(LEAST_PLACE_MM, LENGTHS * Math.max(...lengths, 0));
  const step = Math.max(1, Math.round(placeMm / panel.pitchMm));
  const [columns, rows] = [Math.ceil(panel.width / step), Math.ceil(panel.height / step)];
  const all = new Float64Array(columns * rows);
  const bare = new Float64Array(columns * rows);
  for (const at of panel.cells) {
    const place =
      Math.floor(Math.floor(at / panel.width) / step) * columns + Math.floor((at % panel.width) / step);
    all[place]!++;
    if (layers.every((one) => one.paintedMm[at]! <= 0)) bare[place]!++;
  }
  const spot = (place: number): Spot => {
    const middle = Math.min(
      panel.inside.length - 1,
      (Math.floor(place / columns) * step + Math.floor(step / 2)) * panel.width +
        Math.min(panel.width - 1, (place % columns) * step + Math.floor(step / 2)),
    );
    return { xMm: xOf(panel, middle), yMm: yOf(panel, middle), radiusMm: placeMm / 2 };
  };
  const whole = [...all.keys()].filter((place) => all[place]! > MOSTLY * step * step);
  const where = (test: (share: number) => boolean) =>
    whole.filter((place) => test(bare[place]! / all[place]!)).map(spot);
  return {
    placeMm,
    places: whole.length,
    none: where((share) => share < NONE),
    only: where((share) => share > ONLY),
  };
}

/** Is the base seen everywhere, and nowhere alone? */
export const baseSeen: PatternCheck<CamouflageParams, CamouflageLayout> = {
  id: "base-seen",
  label: "The base is seen everywhere, nowhere alone",
  run({ surface, layout, params }) {
    if (params.layers.length === 0) return [];
    const { none, only, placeMm, places } = basePlaces(layout.laid());
    const wide = `${formatNumber(placeMm, 1)} mm`;
    const found = (key: string, spots: readonly Spot[], what: string) =>
      spots.length === 0 || spots.length < places * 0.12
        ? []
        : [
            {
              key,
              gravity: "note" as const,
              coatId: null,
              where: surface.name,
              sentence: `${spots.length} of ${places} places ${wide} wide show ${what}.`,
              reason:
                "Every colour belongs everywhere, yet the base must still be seen; holes and heaps are where the eye stays.",
              spots,
              remedies: [
                {
                  label: "Another try",
                  changes: [
                    {
                      path: ["surfaces", surface.id, "pattern", "params", "seed"],
                      value: (params.seed + 1) % 100000,
                    },
                  ],
                },
              ],
            },
          ];
    return [...found("none", none, "nothing of the base"), ...found("only", only, "nothing but the base")];
  },
};
