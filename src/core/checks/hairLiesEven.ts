import { effortOf } from "../effort/effortOf";
import { isHair } from "./hairReads";
import { coveredOfPlace, squaresOn, sumOver } from "../simulate/squares";
import { glanceAt, type Glance } from "../simulate/glance";
import { completeParams } from "../params";
import { techniques } from "../techniques";
import { formatNumber, withUnit } from "../units";
import type { Check, CheckContext } from "./check";
import type { CheckResult, Remedy, Spot } from "./finding";
import type { Coat, Surface } from "../job";

/** Hair is looked at in squares of this side, mm, and of so many cells at least. */
const [SQUARE_MM, LEAST_CELLS] = [1.6, 12] as const;
/** Hair that covers less than this of the usual square is painted here and there on purpose. */
const IS_A_COAT = 0.3;
/** A square with less than this share of what the usual one has is bald. */
const BALD = 0.25;
/** From more bald squares than this on, hair was kept to a place on purpose; fewer than that are told. */
const MOST_BALD = 0.4;
/** A budget of strokes that keeps less than this leaves a square alone on purpose. */
const MEANT = 0.5;
/** A set whose strokes cover more of their own place than this has run together. */
const SOLID = 0.86;
const MOST_SPOTS = 12;

interface Look {
  readonly spot: Spot;
  /** How much of it hair of any set covers, 0…1. */
  readonly covered: number;
}

/** What hair covers of each square of a surface. @param kept share of its strokes that a budget keeps, by cell */
function looksAt({ grid, coats }: Glance, kept: Float32Array | null): Look[] {
  const films = coats.filter(({ coat }) => isHair(coat)).map(({ film }) => film);
  const side = Math.max(Math.ceil(Math.sqrt(LEAST_CELLS)), Math.round(SQUARE_MM / grid.pitchMm));
  return [...squaresOn(grid, side)].flatMap((square): Look[] => {
    const many = square.cells.length;
    if (kept && sumOver(square, (at) => kept[at]!) < MEANT * many) return [];
    const covered = sumOver(
      square,
      (at) => 1 - films.reduce((open, { cover }) => open * (1 - cover[at]! / 255), 1),
    );
    const middle = (side - 1) / 2;
    const spot = {
      xMm: grid.originX + (square.left + middle) * grid.pitchMm,
      yMm: grid.originY + (square.top + middle) * grid.pitchMm,
      radiusMm: (side * grid.pitchMm) / 2,
    };
    return [{ spot, covered: covered / many }];
  });
}

/** The first set all over, or so many of them that together they cover. */
function allOver(surface: Surface, sets: readonly Coat[]): Remedy[] {
  const kept = sets.filter(({ place }) => place.kind === "zones");
  return kept.map((_, at) => {
    const laid = kept.slice(0, at + 1);
    return {
      label: laid.length === 1 ? `${laid[0]!.name} all over` : `${laid.length} sets of strokes all over`,
      ladder: "all-over",
      changes: laid.map(({ id }) => ({
        path: ["surfaces", surface.id, "coats", id, "place"],
        value: { kind: "everywhere" },
      })),
    };
  });
}

/** Places that hair passes by. */
function baldPlaces({ job, surface, coats }: CheckContext, glance: Glance): CheckResult[] {
  const squares = looksAt(glance, effortOf(job, surface)?.weights(glance.grid) ?? null);
  const order = squares.map(({ covered }) => covered).sort((a, b) => a - b);
  const usual = order[Math.floor(order.length / 2)] ?? 0;
  if (usual < IS_A_COAT) return [];
  const bald = squares.filter(({ covered }) => covered < BALD * usual);
  if (bald.length === 0 || bald.length > MOST_BALD * squares.length) return [];
  const first = coats.find(isHair)!;
  const areaMm2 = bald.reduce((sum, { spot }) => sum + (2 * spot.radiusMm) ** 2, 0);
  return [
    {
      ...{ key: "bald", gravity: "look", coatId: first.id, where: surface.name },
      sentence: `${withUnit(areaMm2, 0, "mm²")} stay nearly bald: strokes cover less than ${formatNumber(100 * BALD * usual, 0)} % there, ${formatNumber(100 * usual, 0)} % elsewhere.`,
      reason: `No set of strokes comes there. ${first.name} is the first and should go all over; lights may be left out, hair may not.`,
      remedies: allOver(surface, coats.filter(isHair)),
      spots: bald.slice(0, MOST_SPOTS).map(({ spot }) => spot),
    },
  ];
}

/** Sets laid so densely that they cover their ground like a coat. */
function overworked({ surface }: CheckContext, { coats, grid }: Glance): CheckResult[] {
  return coats.flatMap(({ coat, film }): CheckResult[] => {
    if (!isHair(coat)) return [];
    const solid = coveredOfPlace(film, grid);
    if (solid <= SOLID) return [];
    const path = ["surfaces", surface.id, "coats", coat.id];
    const density = completeParams(techniques.hair.params, coat.technique.params).density!;
    return [
      {
        ...{ key: `${coat.id}/solid`, gravity: "look", coatId: coat.id },
        where: `${surface.name}, ${coat.name}`,
        sentence: `Strokes of ${coat.name} cover ${formatNumber(100 * solid, 0)} % of their place: they run together to a coat.`,
        reason: `Above ${formatNumber(100 * SOLID, 0)} % no ground is left between strokes to read them by.`,
        remedies: [
          ...(coat.passes > 1
            ? [{ label: "One pass", changes: [{ path: [...path, "passes"], value: 1 }] }]
            : []),
          ...[0.7, 0.5, 0.35, 0.25].map((share) => {
            const fewer = Math.max(0.2, Math.round(10 * share * density) / 10);
            return {
              label: withUnit(fewer, 1, "strokes/mm²"),
              ladder: "density",
              changes: [{ path: [...path, "technique", "params", "density"], value: fewer }],
            };
          }),
        ],
      },
    ];
  });
}

/** Does hair cover its body evenly: nowhere bald, nowhere run together? */
export const hairLiesEven: Check = {
  id: "hair-even",
  label: "Hair is neither bald nor overworked",
  concerns: (_form, { coats }) => coats.some(isHair),
  run(context) {
    if (!context.coats.some(isHair)) return [];
    const glance = glanceAt(context.job, context.surface);
    return [...baldPlaces(context, glance), ...overworked(context, glance)];
  },
};
