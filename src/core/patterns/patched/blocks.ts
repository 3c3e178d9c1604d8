import type { Panel } from "../panel";

/** One block: cells of one colour that hang together. */
export interface Block {
  /** Number of its colour. */
  readonly colour: number;
  readonly areaMm2: number;
}

/** Blocks of all colours, found by walking from cell to cell. */
export function blocksOf({ cells, width, pitchMm }: Panel, owner: Uint8Array): Block[] {
  const found = new Uint8Array(owner.length);
  const list: Block[] = [];
  const waiting: number[] = [];
  for (const first of cells) {
    if (found[first] === 1) continue;
    const colour = owner[first]!;
    let count = 0;
    found[first] = 1;
    waiting.push(first);
    for (let at = waiting.pop(); at !== undefined; at = waiting.pop()) {
      count++;
      for (const next of [at - 1, at + 1, at - width, at + width]) {
        if (owner[next] !== colour || found[next] === 1) continue;
        found[next] = 1;
        waiting.push(next);
      }
    }
    list.push({ colour, areaMm2: count * pitchMm * pitchMm });
  }
  return list;
}
