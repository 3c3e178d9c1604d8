import { createRandom, type Random } from "../../random";

/** What colours are shared out by. */
export interface Wish {
  /** How many colours there are. */
  readonly colours: number;
  /** Share of things, 0…1, that stay without. */
  readonly bare: number;
  /** Share of pairs of neighbours, 0…1, that may be alike. */
  readonly alike: number;
}

/** No colour. */
export const BARE = -1;

/** Sweeps in which things change colour until no more neighbours are alike than may be. */
const MOST_SWEEPS = 200;

function shuffled(count: number, random: Random): number[] {
  const order = Array.from({ length: count }, (_, at) => at);
  for (let at = count - 1; at > 0; at--) {
    const other = Math.floor(random.next() * (at + 1));
    [order[at], order[other]] = [order[other]!, order[at]!];
  }
  return order;
}

/** How many of a thing's neighbours have each colour. */
function around(own: readonly number[], colours: readonly number[], count: number): number[] {
  const counts = Array.from({ length: count }, () => 0);
  for (const one of own) if (colours[one]! >= 0) counts[colours[one]!]!++;
  return counts;
}

/** Chance that a thing takes a colour it is free to take, the rarer so far the likelier. */
function pick(counts: readonly number[], used: readonly number[], random: Random): number {
  const least = Math.min(...counts);
  const free = counts.flatMap((count, colour) => (count === least ? [colour] : []));
  const rarest = Math.min(...free.map((colour) => used[colour]!));
  const likely = free.filter((colour) => used[colour]! <= rarest + 1);
  return likely[Math.floor(random.next() * likely.length)]!;
}

/** Pairs of neighbours that have a colour each, and how many of them the same. */
export function joins(
  neighbours: readonly (readonly number[])[],
  colours: readonly number[],
): { readonly pairs: number; readonly alike: number } {
  let [pairs, alike] = [0, 0];
  neighbours.forEach((own, at) => {
    for (const other of own) {
      if (other <= at || colours[at]! < 0 || colours[other]! < 0) continue;
      pairs++;
      if (colours[at] === colours[other]) alike++;
    }
  });
  return { pairs, alike };
}

/**
 * Shares colours out so that neighbours differ: greedily by saturation, things with the fewest free colours first (Brélaz,
 * "New methods to color the vertices of a graph", 1979), then by taking the least disputed colour where two are still alike (Minton
 * et al., "Minimizing conflicts", 1992), with chains of two colours swapped where that is not enough (Kempe 1879).
 * @param neighbours of every thing, those beside it
 * @returns a colour of every thing, from 0, or BARE
 */
export function colouring(
  neighbours: readonly (readonly number[])[],
  { colours: count, bare, alike }: Wish,
  seed: number,
): number[] {
  const random = createRandom(seed);
  const colours = shuffled(neighbours.length, random).reduce<number[]>(
    (made, thing, at) => {
      made[thing] = at < Math.round(bare * neighbours.length) ? BARE : -2;
      return made;
    },
    Array.from({ length: neighbours.length }, () => BARE),
  );
  const painted = colours.flatMap((colour, at) => (colour === -2 ? [at] : []));
  bySaturation(neighbours, colours, painted, count, random);
  mend(neighbours, colours, painted, count, random);
  if (alike > 0) loosen(neighbours, colours, painted, { count, alike }, random);
  return colours;
}

function bySaturation(
  neighbours: readonly (readonly number[])[],
  colours: number[],
  painted: readonly number[],
  count: number,
  random: Random,
): void {
  const used = Array.from({ length: count }, () => 0);
  const rank = new Map(painted.map((thing) => [thing, random.next()]));
  const left = new Set(painted);
  const seen = new Map(painted.map((thing) => [thing, new Set<number>()]));
  while (left.size > 0) {
    let next = -1;
    let most = -1;
    for (const thing of left) {
      const value = seen.get(thing)!.size + neighbours[thing]!.length / 1000 + rank.get(thing)! / 2000;
      if (value > most) [next, most] = [thing, value];
    }
    left.delete(next);
    const colour = pick(around(neighbours[next]!, colours, count), used, random);
    colours[next] = colour;
    used[colour]!++;
    for (const one of neighbours[next]!) seen.get(one)?.add(colour);
  }
}

/** Swaps two colours along the chain of things that have one of them, from one thing on. */
function swapChain(
  neighbours: readonly (readonly number[])[],
  colours: number[],
  from: number,
  a: number,
  b: number,
): void {
  const chain = new Set([from]);
  for (const thing of chain)
    for (const one of neighbours[thing]!) if (colours[one] === a || colours[one] === b) chain.add(one);
  for (const thing of chain) colours[thing] = colours[thing] === a ? b : a;
}

function mend(
  neighbours: readonly (readonly number[])[],
  colours: number[],
  painted: readonly number[],
  count: number,
  random: Random,
): void {
  for (let sweep = 0; sweep < MOST_SWEEPS; sweep++) {
    const disputed = painted.filter((thing) =>
      neighbours[thing]!.some((one) => colours[one] === colours[thing]),
    );
    if (disputed.length === 0) return;
    for (const thing of disputed) {
      const counts = around(neighbours[thing]!, colours, count);
      if (counts[colours[thing]!] === 0) continue;
      const least = Math.min(...counts);
      const free = counts.flatMap((one, colour) => (one === least ? [colour] : []));
      // Where every colour is taken beside it a neighbour's chain of two colours is turned over.
      if (least > 0 && random.next() < 0.5) {
        const other = neighbours[thing]!.filter((one) => colours[one]! >= 0);
        const from = other[Math.floor(random.next() * other.length)]!;
        swapChain(neighbours, colours, from, colours[from]!, Math.floor(random.next() * count));
      }
      colours[thing] = free[Math.floor(random.next() * free.length)]!;
    }
  }
}

/** Lets so many neighbours be alike as may be: a strict rule can look as made as none. */
function loosen(
  neighbours: readonly (readonly number[])[],
  colours: number[],
  painted: readonly number[],
  { count, alike }: { readonly count: number; readonly alike: number },
  random: Random,
): void {
  const { pairs } = joins(neighbours, colours);
  let now = joins(neighbours, colours).alike;
  for (const at of shuffled(painted.length, random)) {
    const thing = painted[at]!;
    const counts = around(neighbours[thing]!, colours, count);
    const colour = Math.floor(random.next() * count);
    const more = counts[colour]! - counts[colours[thing]!]!;
    if (now + more > alike * pairs) continue;
    colours[thing] = colour;
    now += more;
  }
}

/**
 * Pairs of neighbours alike that chance would give, were the same colours dealt out blindly: their mean and deviation.
 * Source: Cliff and Ord, "Spatial processes", 1981, join counts under free sampling without replacement, by the mean of
 * each colour's p² and the variance of independent pairs, which is a little too small where pairs share things.
 */
export function joinsByChance(
  neighbours: readonly (readonly number[])[],
  colours: readonly number[],
): { readonly mean: number; readonly deviation: number } {
  const { pairs } = joins(neighbours, colours);
  const painted = colours.filter((colour) => colour >= 0);
  const counts = new Map<number, number>();
  for (const colour of painted) counts.set(colour, (counts.get(colour) ?? 0) + 1);
  const n = painted.length;
  const share = [...counts.values()].reduce(
    (sum, many) => sum + (n > 1 ? (many * (many - 1)) / (n * (n - 1)) : 0),
    0,
  );
  return { mean: pairs * share, deviation: Math.sqrt(pairs * share * (1 - share)) };
}
