import { GLYPHS } from "./glyphs";

/** One sign that a stencil can be cut to: a capital is 100 high and stands on 0. */
export interface Sign {
  readonly name: string;
  /** From its left side to the next sign's. */
  readonly advance: number;
  /** Closed rings x0, y0, x1, y1 …, y up; what an odd number of them goes round is open. */
  readonly rings: readonly (readonly number[])[];
}

const CORNERS = 40;

/** A circle, or a many-sided ring. */
const round = (x: number, y: number, radius: number, corners = CORNERS, turnDeg = 0): number[] =>
  Array.from({ length: corners }, (_, corner) => {
    const way = (2 * Math.PI * corner) / corners + (turnDeg * Math.PI) / 180;
    return [x + radius * Math.cos(way), y + radius * Math.sin(way)];
  }).flat();

const plain = (name: string, rings: readonly (readonly number[])[], advance = 110): Sign => ({
  name,
  advance,
  rings,
});

/** Plain shapes, the same at every size. */
const SHAPES: readonly Sign[] = [
  plain("disc", [round(50, 50, 50)]),
  plain("ring", [round(50, 50, 50), round(50, 50, 30)]),
  plain("square", [[0, 0, 100, 0, 100, 100, 0, 100]]),
  plain("diamond", [round(50, 50, 50, 4)]),
  plain("triangle", [round(50, 42, 58, 3, 90)]),
  plain("bar", [[0, 30, 160, 30, 160, 70, 0, 70]], 170),
  plain(
    "two bars",
    [
      [0, 10, 160, 10, 160, 42, 0, 42],
      [0, 58, 160, 58, 160, 90, 0, 90],
    ],
    170,
  ),
  plain("chevron", [[0, 0, 50, 45, 100, 0, 100, 45, 50, 90, 0, 45]]),
  plain("arrow", [[0, 35, 70, 35, 70, 8, 120, 50, 70, 92, 70, 65, 0, 65]], 130),
  plain("cross bars", [
    [35, 0, 65, 0, 65, 35, 100, 35, 100, 65, 65, 65, 65, 100, 35, 100, 35, 65, 0, 65, 0, 35, 35, 35],
  ]),
];

/** What a stencil may show: nothing, plain shapes, figures and letters, by number. */
export const SIGNS: readonly (Sign | null)[] = [
  null,
  ...SHAPES,
  ...GLYPHS.map(([name, advance, rings]): Sign => ({
    ...{ name, advance },
    rings: rings.split("|").map((ring) => ring.split(" ").map(Number)),
  })),
];
/** Their names, by number. */
export const SIGN_NAMES: readonly string[] = SIGNS.map((sign) => sign?.name ?? "nothing");

/** Signs one after the other, their middle at 0, 0; and whether any of them has an island that would fall out. */
export interface Lettering {
  readonly rings: readonly (readonly number[])[];
  readonly halfWide: number;
  /** Middles of signs with islands, x: a bridge goes through each from top to bottom. */
  readonly islands: readonly number[];
}

const HEIGHT = 100;

/** Sets signs in a row. @param numbers of signs, 0 for none */
export function lettering(numbers: readonly number[]): Lettering {
  const signs = numbers.flatMap((number) => SIGNS[number] ?? []);
  const long = signs.reduce((sum, { advance }) => sum + advance, 0);
  let x = -long / 2;
  const rings: number[][] = [];
  const islands: number[] = [];
  for (const sign of signs) {
    for (const ring of sign.rings)
      rings.push(ring.map((value, at) => (at % 2 === 0 ? value + x : value - HEIGHT / 2)));
    if (hasIsland(sign)) islands.push(x + middleOf(sign));
    x += sign.advance;
  }
  return { rings, halfWide: long / 2, islands };
}

function middleOf({ rings }: Sign): number {
  const xs = rings.flatMap((ring) => ring.filter((_, at) => at % 2 === 0));
  return (Math.min(...xs) + Math.max(...xs)) / 2;
}

/** Whether one of its rings lies within another: what it goes round is not held by the stencil. */
const hasIsland = ({ rings }: Sign): boolean =>
  rings.some((inner, at) =>
    rings.some((outer, other) => at !== other && distanceTo([outer], inner[0]!, inner[1]!) < 0),
  );

/** Distance to the outline of rings, below 0 where an odd number of them goes round the point. */
export function distanceTo(rings: readonly (readonly number[])[], x: number, y: number): number {
  let least = Infinity;
  let inside = false;
  for (const ring of rings)
    for (let at = 0, before = ring.length - 2; at < ring.length; before = at, at += 2) {
      const [ax, ay, bx, by] = [ring[before]!, ring[before + 1]!, ring[at]!, ring[at + 1]!];
      const [dx, dy] = [bx - ax, by - ay];
      const t = Math.min(1, Math.max(0, ((x - ax) * dx + (y - ay) * dy) / (dx * dx + dy * dy || 1)));
      least = Math.min(least, Math.hypot(x - ax - t * dx, y - ay - t * dy));
      if (ay > y !== by > y && x < ax + ((y - ay) * dx) / dy) inside = !inside;
    }
  return inside ? -least : least;
}
