import { createRandom, hash01, type Random } from "../../random";
import { softNoise } from "../../surface/forms/sheet";
import { clamp } from "../../units";
import { BESIDE, definePiece, type Face, type PieceShape, type PieceSizes } from "./piece";

/** Widths over which faces break into tilted blocks, mm, and how far these lean and step, mm at full size. */
const BLOCKS = [
  { wideMm: 1.15, stepMm: 0.34, lean: 0.5 },
  { wideMm: 0.42, stepMm: 0.12, lean: 0.16 },
] as const;
/** A face leans back by so much of its height. */
const LEANS = [0.05, 0.24] as const;
/** Radius from which ledges and blocks have their full size, mm. */
const FULL_MM = 3;
/** Places along a face that are numbered lie beyond this, mm, so that none is below 0. */
const SHIFT_MM = 60;

/** One layer as the rock split: its top, how far each face lies from the middle there, and what its upper side is broken along. */
interface Layer {
  readonly fromMm: number;
  readonly toMm: number;
  readonly outMm: readonly number[];
  readonly slab: number;
  readonly cuts: readonly Cut[];
}

/** A break across the top of a slab, zigzag. */
interface Cut {
  readonly x: number;
  readonly y: number;
  readonly outMm: number;
  readonly seed: number;
}

interface Sides {
  readonly x: readonly number[];
  readonly y: readonly number[];
  readonly startMm: readonly number[];
}

/** Seven to nine sides round a middle. */
function sidesOf({ acrossMm, deepMm }: PieceSizes, random: Random): Sides {
  const count = 7 + Math.floor(3 * random.next());
  const ways = Array.from(
    { length: count },
    (_, side) => ((side + 0.55 * (random.next() - 0.5)) / count) * 2 * Math.PI,
  );
  // How far an ellipse reaches towards a side, and some broken off; the whole stays within its measures.
  const startMm = ways.map(
    (way) =>
      Math.hypot((acrossMm / 2) * Math.cos(way), (deepMm / 2) * Math.sin(way)) * (0.76 + 0.2 * random.next()),
  );
  return { x: ways.map(Math.cos), y: ways.map(Math.sin), startMm };
}

/** Breaks across the top of a slab. */
function cutsOf(radius: number, random: Random): Cut[] {
  return Array.from({ length: radius > 1 ? 3 : 1 }, () => {
    const way = 2 * Math.PI * random.next();
    const outMm = radius * (0.05 + 0.6 * random.next());
    return { x: Math.cos(way), y: Math.sin(way), outMm, seed: Math.floor(1e6 * random.next()) };
  });
}

/** How far sides step in from one thin layer to the next: hardly, now and then by a ledge, more towards the slab's top. */
const steppedIn = (outMm: readonly number[], top: number, radius: number, random: Random): number[] => {
  const share = Math.min(1, radius / FULL_MM);
  return outMm.map((out) => {
    const step = random.next() < 0.26 ? 0.16 + 0.36 * random.next() : 0.05 + 0.09 * random.next();
    const worn = random.next() < 0.3 ? top * (0.2 + 1.6 * random.next() ** 2) : 0;
    return Math.max(0.15 * radius, out - share * (step + worn));
  });
};

/** Half the sides step in from slab to slab: ledges. */
const ledged = (outMm: readonly number[], radius: number, random: Random): number[] =>
  outMm.map((out) => {
    const ledge =
      random.next() < 0.5 ? 0.05 * radius + 0.36 * radius * random.next() ** 2 : 0.06 * random.next();
    return Math.max(0.22 * radius, out - ledge);
  });

/** Slabs one on the other, each of thin layers that step in on some of its sides. */
function layersOf({ tallMm }: PieceSizes, sides: Sides, radius: number, random: Random): Layer[] {
  const layers: Layer[] = [];
  let sidesNow: readonly number[] = sides.startMm;
  for (let slab = 0, from = 0; from < tallMm - 0.02; slab++) {
    const thick = Math.max(0.3, 0.5 + 1.5 * random.next() ** 2 + 0.25 * random.next());
    // What is left over goes to the last one: no slab is a mere skin.
    const to = tallMm - from - thick < 0.2 ? tallMm : from + thick;
    const cuts = cutsOf(radius, random);
    const cutMm = (0.1 + 0.22 * random.next()) * Math.min(1, radius / FULL_MM);
    for (let at = from; at < to - 0.01;) {
      const next = Math.min(to, at + 0.12 + 0.4 * random.next() ** 2);
      const outMm = steppedIn(sidesNow, clamp((next - to + 0.5) / 0.5, 0, 1), radius, random);
      const isCut = next > to - cutMm && next === to;
      layers.push({ fromMm: at, toMm: next, outMm, slab, cuts: isCut ? cuts : [] });
      at = next;
    }
    sidesNow = ledged(sidesNow, radius, random);
    from = to;
  }
  return layers;
}

/** How far a face stands out or lies back at a place along it, broken in leaning blocks, mm. */
function brokenMm(alongMm: number, side: number, slab: number, layer: number, seed: number): number {
  let out = 0;
  for (let size = 0; size < BLOCKS.length; size++) {
    const { wideMm, stepMm, lean } = BLOCKS[size]!;
    const key = seed + 131 * slab + (size === 0 ? 0 : 17 * layer);
    const place = (alongMm + SHIFT_MM) / wideMm;
    const block = Math.floor(place);
    out += (hash01(key, block, side) - 0.5) * stepMm;
    out += (place - block - 0.5) * (hash01(key, block, side + 50) - 0.5) * lean;
  }
  return out;
}

/** How far a zigzag break has moved at a place along it, mm. */
function zigzagMm(alongMm: number, seed: number): number {
  const place = (alongMm + SHIFT_MM) / 0.9;
  const at = Math.floor(place);
  const [one, two] = [hash01(seed, at), hash01(seed, at + 1)];
  const fine = hash01(seed + 1, Math.floor((alongMm + SHIFT_MM) / 0.3)) - 0.5;
  return 0.7 * (one + (two - one) * (place - at) - 0.5) + 0.22 * fine;
}

/** So far within all sides a place is inside, whatever is broken off, mm; and no block stands out farther at full size. */
const [WELL_INSIDE, MOST_BROKEN] = [-0.3, 0.9] as const;
/** No block stands out of its side's line by more than this, mm at full size. */
const STANDS_OUT = 0.3;

/** How far beyond a layer's outline a place lies, mm; below 0 within it. */
function beyondMm(x: number, y: number, layer: Layer, at: number, sides: Sides, rock: Rock): number {
  let most: number = WELL_INSIDE;
  for (let side = 0; side < layer.outMm.length; side++) {
    const out = rock.towards[side]! - layer.outMm[side]!;
    if (out + MOST_BROKEN * rock.share <= most) continue;
    const along = sides.x[side]! * y - sides.y[side]! * x;
    most = Math.max(most, out + rock.share * (0.3 + brokenMm(along, side, layer.slab, at, rock.seed)));
  }
  for (const cut of layer.cuts) {
    const out = cut.x * x + cut.y * y - cut.outMm;
    if (out + MOST_BROKEN * rock.share <= most) continue;
    most = Math.max(most, out + rock.share * zigzagMm(cut.x * y - cut.y * x, cut.seed));
  }
  return most;
}

/** How far a place lies towards each side; whether it lies beyond all layers for sure. */
function isBeside(x: number, y: number, sides: Sides, rock: Rock): boolean {
  const { towards, widestMm, share } = rock;
  for (let side = 0; side < towards.length; side++) {
    towards[side] = sides.x[side]! * x + sides.y[side]! * y;
    if (towards[side]! - widestMm[side]! > STANDS_OUT * share + LEANS[1]) return true;
  }
  return false;
}

interface Rock {
  readonly seed: number;
  readonly share: number;
  /** Of the place that is being looked at: how far it lies towards each side, mm. */
  readonly towards: Float64Array;
  /** How far any of the layers reaches towards each side, mm. */
  readonly widestMm: readonly number[];
}

/** How far each side steps in from its foot to its top, mm. */
const facesOf = (sides: Sides, layers: readonly Layer[]): Face[] =>
  sides.x.map((x, side) => ({
    wayDeg: (Math.atan2(sides.y[side]!, x) * 180) / Math.PI,
    // A sheer face of many layers shows more than a flat slope of one.
    showsMm: layers.reduce((sum, layer, at) => {
      const before = at === 0 ? sides.startMm[side]! : layers[at - 1]!.outMm[side]!;
      return sum + Math.min(0.35, Math.abs(before - layer.outMm[side]!));
    }, 0),
  }));

function slabShape(sizes: PieceSizes, seed: number): PieceShape {
  const random = createRandom(seed).fork("slab");
  const radius = (sizes.acrossMm + sizes.deepMm) / 4;
  const sides = sidesOf(sizes, random);
  const layers = layersOf(sizes, sides, radius, random);
  const rock: Rock = {
    ...{ seed, share: Math.min(0.9, radius / FULL_MM), towards: new Float64Array(sides.x.length) },
    widestMm: sides.x.map((_, side) => Math.max(...layers.map(({ outMm }) => outMm[side]!))),
  };
  const cleft = softNoise(seed + 5, 0.9, hash01);
  const fine = softNoise(seed + 6, 0.28, hash01);
  return {
    reachMm: Math.hypot(sizes.acrossMm, sizes.deepMm) / 2,
    faces: facesOf(sides, layers),
    top(x, y) {
      if (isBeside(x, y, sides, rock)) return BESIDE;
      for (let at = layers.length - 1; at >= 0; at--) {
        const layer = layers[at]!;
        const lean = LEANS[0] + LEANS[1] * (layer.toMm - layer.fromMm);
        const beyond = beyondMm(x, y, layer, at, sides, rock);
        if (beyond >= lean) continue;
        // Split faces are flat, with the finest steps and hardly any roughness.
        const face = layer.toMm - 0.03 * rock.share * Math.max(0, cleft(x, y)) - 0.008 * (1 + fine(x, y));
        return beyond <= 0 ? face : face - (layer.toMm - layer.fromMm) * Math.min(1, beyond / lean);
      }
      return BESIDE;
    },
  };
}

/** Rock that splits in layers: slate, shale, bark chips sold for rock. */
export const slab = definePiece({
  id: "slab",
  label: "Split slab",
  about: "Rock that splits in thin layers: flat on top, its sides stepped and broken.",
  start: { acrossMm: 14, deepMm: 10, tallMm: 4 },
  bench: "Split it along its layers, rub its underside flat and glue it on with its best face to the front.",
  caution:
    "Splitting throws chips and rubbing makes dust: eye protection, mask, rub it wet. Follow the labels and your local rules.",
  shape: slabShape,
});
