/** A reproducible stream of random numbers; handed to everything that needs chance. */
export interface Random {
  /** Uniform in [0, 1). */
  next(): number;
  /** Uniform in [min, max). */
  range(min: number, max: number): number;
  /** Standard normal deviate. */
  normal(): number;
  /** An independent stream that depends only on this stream's seed and the label. */
  fork(label: string | number): Random;
}

/** 32-bit FNV-1a hash of a text. Source: Fowler, Noll, Vo, 1991. */
export function hashText(text: string): number {
  let hash = 0x811c9dc5;
  for (let at = 0; at < text.length; at++) {
    hash = Math.imul(hash ^ text.charCodeAt(at), 0x01000193);
  }
  return hash >>> 0;
}

/** Mixes integers to a uniform value in [0, 1): noise lattices and per-mark variation. */
export function hash01(seed: number, x: number, y = 0): number {
  let h =
    Math.imul(seed ^ 0x9e3779b9, 0x85ebca6b) ^ Math.imul(x | 0, 0xc2b2ae35) ^ Math.imul(y | 0, 0x27d4eb2f);
  h = Math.imul(h ^ (h >>> 15), 0x2c1b3c6d);
  h = Math.imul(h ^ (h >>> 12), 0x297a2d39);
  return ((h ^ (h >>> 15)) >>> 0) / 4294967296;
}

/**
 * A generator (mulberry32) whose sequence depends only on the seed, on every machine.
 * @param seed any number; its low 32 bits count
 */
export function createRandom(seed: number): Random {
  let state = seed >>> 0;
  const next = () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  return {
    next,
    range: (min, max) => min + (max - min) * next(),
    // Box–Muller; 1 − u keeps the logarithm finite.
    normal: () => Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next()),
    fork: (label) => createRandom(hashText(`${seed >>> 0}/${label}`)),
  };
}
