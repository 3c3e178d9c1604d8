import { BANDS, RGB_WEIGHTS } from "../colour/bands";
import { encodeSrgb } from "../colour/spaces";
import type { Spectrum } from "../colour/spectrum";
import { kernelBytes, kernelImports } from "../kernel";
import { KERNEL_BASE64 } from "./generated/kernelBytes";
import {
  CHUNK,
  COVERS_2_AT,
  COVERS_AT,
  CURVE_AT,
  CURVE_STEPS,
  GROUND_AT,
  LEVELS_2_AT,
  LEVELS_AT,
  MAX_COATS,
  OUT_AT,
  SHADES_AT,
  TABLE_BYTES,
  TABLES_AT,
  WEIGHTS_AT,
} from "./kernel/layout";
import type { FilmPlanes } from "./planes";

/** One coat as the compositor needs it: its films and its table of [R0 × 12, T² × 12] by level. */
export interface CompositeCoat {
  readonly film: FilmPlanes;
  readonly table: Float32Array;
}

/** What is composited: the ground, the films in order, and what lies inside the panel. */
export interface CompositeInput {
  readonly ground: Spectrum;
  readonly coats: readonly CompositeCoat[];
  /** 0…1 per cell: alpha of the picture. */
  readonly inside: Float32Array;
  /** Light per cell, 1 for plain colour; null for plain colour everywhere. */
  readonly shade: Float32Array | null;
}

/** Called with the picture after each coat, where asked for; the buffer is reused. */
export type AfterCoat = (coat: number, from: number, rgba: Uint8Array) => void;

/**
 * Composites films over a ground.
 * @returns the picture, RGBA, not premultiplied
 * @throws RangeError above MAX_COATS coats
 */
export type Compositor = (input: CompositeInput, out: Uint8ClampedArray, afterCoat?: AfterCoat) => void;

/** sRGB byte of linear light in steps of 1/8192. */
export const CURVE = Uint8Array.from({ length: CURVE_STEPS + 1 }, (_, step) =>
  Math.round(255 * encodeSrgb(step / CURVE_STEPS)),
);

function checkCoats(count: number): void {
  if (count > MAX_COATS) throw new RangeError(`a surface can have ${MAX_COATS} coats at most, got ${count}`);
}

interface KernelExports {
  memory: WebAssembly.Memory;
  fillGround(count: number): void;
  applyFilm(table: number, count: number): void;
  applyPair(table: number, table2: number, count: number): void;
  resolve(count: number): void;
}

/** The kernel with the parts of its memory that a picture is made in. */
class KernelRoom {
  private readonly bytes: Uint8Array;
  readonly shades: Float32Array;
  readonly rgba: Uint8Array;

  constructor(readonly kernel: KernelExports) {
    const { buffer } = kernel.memory;
    this.bytes = new Uint8Array(buffer);
    this.shades = new Float32Array(buffer, SHADES_AT, CHUNK);
    this.rgba = new Uint8Array(buffer, OUT_AT, CHUNK * 4);
    this.bytes.set(CURVE, CURVE_AT);
    RGB_WEIGHTS.forEach((row, channel) =>
      new Float32Array(buffer, WEIGHTS_AT + channel * BANDS * 4, BANDS).set(row),
    );
  }

  /** Puts in what holds for the whole picture. */
  begin({ ground, coats }: CompositeInput): void {
    const { buffer } = this.kernel.memory;
    new Float32Array(buffer, GROUND_AT, BANDS).set(ground);
    coats.forEach(({ table }, index) =>
      putTable(new Float32Array(buffer, TABLES_AT + index * TABLE_BYTES, table.length), table),
    );
  }

  private put(
    { film }: CompositeCoat,
    from: number,
    count: number,
    levelsAt: number,
    coversAt: number,
  ): void {
    this.bytes.set(film.level.subarray(from, from + count), levelsAt);
    this.bytes.set(film.cover.subarray(from, from + count), coversAt);
  }

  /** All films over a chunk, two at a time. */
  layAll(coats: readonly CompositeCoat[], laid: readonly number[], from: number, count: number): void {
    for (let k = 0; k < laid.length; k += 2) {
      const [first, second] = [laid[k]!, laid[k + 1]];
      this.put(coats[first]!, from, count, LEVELS_AT, COVERS_AT);
      if (second === undefined) this.kernel.applyFilm(first, count);
      else {
        this.put(coats[second]!, from, count, LEVELS_2_AT, COVERS_2_AT);
        this.kernel.applyPair(first, second, count);
      }
    }
  }

  /** One film after the other over a chunk; the picture after each is told. */
  layEach(coats: readonly CompositeCoat[], from: number, count: number, afterCoat: AfterCoat): void {
    coats.forEach((coat, index) => {
      if (coat.film.coveredShare > 0) {
        this.put(coat, from, count, LEVELS_AT, COVERS_AT);
        this.kernel.applyFilm(index, count);
      }
      this.kernel.resolve(count);
      afterCoat(index, from, this.rgba.subarray(0, count * 4));
    });
  }
}

/** Starts the WebAssembly kernel. @throws where the machine lacks WebAssembly SIMD */
export async function startKernel(): Promise<Compositor> {
  const { instance } = await WebAssembly.instantiate(
    kernelBytes(KERNEL_BASE64),
    kernelImports("the film kernel"),
  );
  const kernel = instance.exports as unknown as KernelExports;
  const room = new KernelRoom(kernel);
  return (input, out, afterCoat) => {
    const { coats, inside, shade } = input;
    checkCoats(coats.length);
    room.begin(input);
    const laid = [...coats.keys()].filter((index) => coats[index]!.film.coveredShare > 0);
    if (!shade) room.shades.fill(1);
    for (let from = 0; from < inside.length; from += CHUNK) {
      const count = Math.min(CHUNK, inside.length - from);
      if (!hasPanel(inside, from, count)) continue;
      if (shade) room.shades.set(shade.subarray(from, from + count));
      kernel.fillGround(count);
      if (afterCoat) room.layEach(coats, from, count, afterCoat);
      else room.layAll(coats, laid, from, count);
      kernel.resolve(count);
      out.set(room.rgba.subarray(0, count * 4), from * 4);
      setAlpha(out, inside, from, count);
    }
  };
}

/** A table of [R0, T²] as the kernel wants it: [R0, T² − R0²]. */
function putTable(to: Float32Array, table: Float32Array): void {
  for (let row = 0; row < table.length; row += BANDS * 2) {
    for (let band = row; band < row + BANDS; band++) {
      const r0 = table[band]!;
      to[band] = r0;
      to[band + BANDS] = table[band + BANDS]! - r0 * r0;
    }
  }
}

function hasPanel(inside: Float32Array, from: number, count: number): boolean {
  for (let at = from; at < from + count; at++) if (inside[at]! > 0) return true;
  return false;
}

function setAlpha(out: Uint8ClampedArray, inside: Float32Array, from: number, count: number): void {
  for (let at = from; at < from + count; at++) out[at * 4 + 3] = inside[at]! * 255;
}

/** The same in plain TypeScript: fallback where SIMD is missing, and the reference the kernel is tested against. */
export const referenceCompositor: Compositor = (input, out, afterCoat) => {
  checkCoats(input.coats.length);
  const state = new Float32Array(BANDS);
  const pixel = new Uint8Array(4);
  for (let at = 0; at < input.inside.length; at++) {
    if (input.inside[at] === 0) continue;
    const shade = input.shade ? input.shade[at]! : 1;
    state.set(input.ground);
    input.coats.forEach(({ film, table }, index) => {
      applyToCell(state, film, table, at);
      if (afterCoat) {
        resolveCell(state, shade, pixel);
        afterCoat(index, at, pixel);
      }
    });
    resolveCell(state, shade, pixel);
    out.set(pixel.subarray(0, 3), at * 4);
    out[at * 4 + 3] = input.inside[at]! * 255;
  }
};

function applyToCell(state: Float32Array, film: FilmPlanes, table: Float32Array, at: number): void {
  const cover = film.cover[at]! / 255;
  const row = film.level[at]! * BANDS * 2;
  if (cover === 0 || row === 0) return;
  for (let band = 0; band < BANDS; band++) {
    const r0 = table[row + band]!;
    const seen = r0 + (table[row + BANDS + band]! * state[band]!) / (1 - r0 * state[band]!);
    state[band]! += cover * (seen - state[band]!);
  }
}

function resolveCell(state: Float32Array, shade: number, pixel: Uint8Array): void {
  const rgb = RGB_WEIGHTS.map((row) => {
    let sum = 0;
    for (let band = 0; band < BANDS; band++) sum += row[band]! * state[band]!;
    return sum * shade;
  });
  const least = Math.min(...rgb);
  const most = Math.max(...rgb);
  const y = Math.min(1, Math.max(0, 0.2126 * rgb[0]! + 0.7152 * rgb[1]! + 0.0722 * rgb[2]!));
  let keep = 1;
  if (least < 0) keep = y / (y - least);
  if (most > 1) keep = Math.min(keep, (1 - y) / (most - y));
  for (let channel = 0; channel < 3; channel++) {
    const linear = Math.min(1, Math.max(0, y + keep * (rgb[channel]! - y)));
    pixel[channel] = CURVE[Math.floor(linear * CURVE_STEPS + 0.5)]!;
  }
}
