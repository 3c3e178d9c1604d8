import { kernelBytes, kernelImports } from "../kernel";
import { TILE } from "../tiles/tiles";
import { BRISTLES_BASE64 } from "./generated/bristlesBytes";

/** Addresses in the kernel's memory, bytes; the same numbers stand in assembly/bristles.ts. */
const CHUNK = 4096;
const PLANE = CHUNK * 4;
const TOUCH_AT = 0;
const QUANTILE_AT = 1024;
const GAPS_AT = 4096;
const VOLUME_AT = GAPS_AT + 6 * PLANE;
const COVER_AT = VOLUME_AT + PLANE;
const TILES_AT = COVER_AT + PLANE;

const STROKES_AT = TILES_AT + 3 * TILE * TILE;
/** Tiles are kept in steps of a fiftieth of their deviation. */
const TILE_STEPS = 50;

/** How fully bristles touch, by hundredths of their reach. */
const TOUCH = Float32Array.from({ length: 222 }, (_, at) => Math.exp(-((at / 100) ** 1.3)));
/** Logistic for the normal quantile, by shares of 1/500: a thread is above it as often as the share says. */
const QUANTILE = Float32Array.from({ length: 501 }, (_, at) => {
  const share = Math.min(0.998, Math.max(0.002, (at + 0.5) / 500));
  return 0.588 * Math.log(share / (1 - share));
});

interface Exports {
  readonly memory: WebAssembly.Memory;
  setIndex(
    ...places: [
      number,
      number,
      number,
      number,
      x: number,
      y: number,
      mm: number,
      across: number,
      down: number,
    ]
  ): void;
  enter(index: number, reachX: number, reachY: number): void;
  weight(index: number, x: number, y: number): number;
  brush(
    count: number,
    perReach: number,
    fill: number,
    flats: number,
    edges: number,
    passUm: number,
    shiftX: number,
    shiftY: number,
  ): void;
  dab(
    count: number,
    pores: number,
    crowd: number,
    perPress: number,
    toEdges: number,
    shiftX: number,
    shiftY: number,
  ): void;
}

/** What a brush or sponge is laid on, per cell. */
export interface Felt {
  /** Share of the cell on the piece, and of it in the place that is painted, 0…1. */
  readonly inside: Float32Array;
  readonly weights: Float32Array;
  /** Where it lies along and up the piece, mm, and what is added to both for this pass. */
  readonly along: Float32Array;
  readonly up: Float32Array;
  readonly shiftX: number;
  readonly shiftY: number;
  /** mm below what touches. */
  readonly gaps: Float32Array;
  /** How much it is an edge, 0…1. */
  readonly edges: Float32Array;
}

/** Square tiles that repeat, 512 cells a side, of mean 0 and variance 1: threads that bristles lay, unevenness, specks. */
export interface Textures {
  readonly threads: Float32Array;
  readonly clouds: Float32Array;
  readonly specks: Float32Array;
}

/** Strokes as a flat list of nine numbers each, and the ground they were set down on in squares. */
export interface IndexedStrokes {
  readonly list: Float32Array;
  /** How far along and up from its middle each stroke can lie, mm, one after the other. */
  readonly reaches: Float32Array;
  readonly minX: number;
  readonly minY: number;
  readonly cellMm: number;
  readonly columns: number;
  readonly rows: number;
}

/** Rounded up, so that numbers of any size can begin there. */
const aligned = (bytes: number) => Math.ceil(bytes / 16) * 16;

/** Copies a tile in blocks of 8 × 8, as the kernel reads it. */
function putTile(to: Int8Array, tile: Float32Array): void {
  for (let at = 0; at < tile.length; at++) {
    const [x, y] = [at % TILE, Math.floor(at / TILE)];
    to[((y >> 3) << 12) + ((x >> 3) << 6) + ((y & 7) << 3) + (x & 7)] = Math.round(tile[at]! * TILE_STEPS);
  }
}

/** Brush strokes and dabs over whole surfaces, chunk by chunk in a kernel with one memory: one thread, one coat at a time. */
export class BristleKernel {
  private readonly run: Exports;
  private indexed: IndexedStrokes | null = null;
  private firstAt = 0;
  private secondAt = 0;

  /** @throws WebAssembly.CompileError where the machine lacks SIMD */
  constructor({ threads, clouds, specks }: Textures) {
    const code = new WebAssembly.Module(kernelBytes(BRISTLES_BASE64));
    const { exports } = new WebAssembly.Instance(code, kernelImports("the bristle kernel"));
    this.run = exports as unknown as Exports;
    this.floats(TOUCH_AT, TOUCH.length).set(TOUCH);
    this.floats(QUANTILE_AT, QUANTILE.length).set(QUANTILE);
    [threads, clouds, specks].forEach((tile, at) =>
      putTile(new Int8Array(this.run.memory.buffer, TILES_AT + at * TILE * TILE, tile.length), tile),
    );
  }

  private floats(at: number, length: number): Float32Array {
    return new Float32Array(this.run.memory.buffer, at, length);
  }

  private shorts(at: number, length: number): Int16Array {
    return new Int16Array(this.run.memory.buffer, at, length);
  }

  /** Makes strokes the ones that are laid, and their index. */
  private use(strokes: IndexedStrokes): void {
    if (this.indexed === strokes) return;
    const { list, reaches, minX, minY, cellMm, columns, rows } = strokes;
    const squares = columns * rows;
    this.firstAt = aligned(STROKES_AT + list.byteLength);
    this.secondAt = aligned(this.firstAt + squares * 2);
    const mostAt = aligned(this.secondAt + squares * 2);
    const nextAt = aligned(mostAt + squares * 4);
    const missing = nextAt + squares * 4 - this.run.memory.buffer.byteLength;
    if (missing > 0) this.run.memory.grow(Math.ceil(missing / 65536));
    this.floats(STROKES_AT, list.length).set(list);
    this.shorts(this.firstAt, squares).fill(-1);
    this.shorts(this.secondAt, squares).fill(-1);
    this.floats(mostAt, squares).fill(0);
    this.floats(nextAt, squares).fill(0);
    const places = [this.firstAt, this.secondAt, mostAt, nextAt] as const;
    this.run.setIndex(...places, minX, minY, cellMm, columns, rows);
    for (let at = 0; at < reaches.length; at += 2) this.run.enter(at / 2, reaches[at]!, reaches[at + 1]!);
    this.indexed = strokes;
  }

  /** How fully a stroke lies on a place, 0…about 1.5: set down at once, emptying along its way, thinner at its sides. */
  weight(strokes: IndexedStrokes, index: number, x: number, y: number): number {
    this.use(strokes);
    return this.run.weight(index, x, y);
  }

  /** The stroke that counts most in a square of the index, and the one that counts next; below 0 for none. */
  strongest(strokes: IndexedStrokes, square: number): readonly [number, number] {
    this.use(strokes);
    const squares = strokes.columns * strokes.rows;
    return [
      this.shorts(this.firstAt, squares)[square] ?? -1,
      this.shorts(this.secondAt, squares)[square] ?? -1,
    ];
  }

  /** Copies a chunk of what is felt into the kernel. @returns how many cells it has */
  private put({ inside, weights, along, up, gaps, edges }: Felt, from: number): number {
    const to = Math.min(from + CHUNK, gaps.length);
    [gaps, weights, along, up, edges, inside].forEach((plane, at) =>
      this.floats(GAPS_AT + at * PLANE, CHUNK).set(plane.subarray(from, to)),
    );
    return to - from;
  }

  /**
   * Lays what one pass of a wiped brush leaves beside what is in the film already: films add up, shares join as chances do.
   * @param style reach mm, load 0…1, what flats take of a stroke and how much more edges do, µm of a pass
   */
  brush(
    film: { readonly volumeUm: Float32Array; readonly cover: Float32Array },
    strokes: IndexedStrokes,
    felt: Felt,
    style: {
      readonly reachMm: number;
      readonly load: number;
      readonly flats: number;
      readonly edges: number;
      readonly passUm: number;
    },
  ): void {
    this.use(strokes);
    const { shiftX, shiftY } = felt;
    const { reachMm, load, flats, edges, passUm } = style;
    for (let from = 0; from < felt.gaps.length; from += CHUNK) {
      const count = this.put(felt, from);
      this.floats(VOLUME_AT, count).set(film.volumeUm.subarray(from, from + count));
      this.floats(COVER_AT, count).set(film.cover.subarray(from, from + count));
      this.run.brush(count, 100 / reachMm, load, flats, edges, passUm, shiftX, shiftY);
      film.volumeUm.set(this.floats(VOLUME_AT, count), from);
      film.cover.set(this.floats(COVER_AT, count), from);
    }
  }

  /**
   * How much each cell takes of a torn sponge, as a score of mean about 0; the greatest ones get paint.
   * @param style tile cells per mm of the pores, weights of crowding and of edges, depth it is pressed to, mm
   */
  dab(
    felt: Felt,
    style: {
      readonly poresPerMm: number;
      readonly crowd: number;
      readonly toEdges: number;
      readonly pressMm: number;
    },
  ): Float32Array {
    const { shiftX, shiftY } = felt;
    const { poresPerMm, crowd, toEdges, pressMm } = style;
    const out = new Float32Array(felt.gaps.length);
    for (let from = 0; from < out.length; from += CHUNK) {
      const count = this.put(felt, from);
      this.run.dab(count, poresPerMm, crowd, 1 / pressMm, toEdges, shiftX, shiftY);
      out.set(this.floats(VOLUME_AT, count), from);
    }
    return out;
  }
}
