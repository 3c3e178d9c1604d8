/** Middle of several runs, ms; the first run is thrown away. */
export async function middle(runs: number, work: () => unknown): Promise<number> {
  await work();
  const times: number[] = [];
  for (let run = 0; run < runs; run++) {
    const start = performance.now();
    await work();
    times.push(performance.now() - start);
  }
  return times.sort((a, b) => a - b)[Math.floor(runs / 2)]!;
}

/**
 * Two works measured turn by turn, so that a machine whose pace changes is as fast or slow for both.
 * @returns middle times, ms, and the middle of the ratios of each turn
 */
export async function sideBySide(
  turns: number,
  anchor: () => unknown,
  own: () => unknown,
): Promise<{ anchorMs: number; ownMs: number; ratio: number }> {
  const pairs: (readonly [number, number])[] = [];
  for (let turn = 0; turn < turns; turn++) pairs.push([await middle(1, anchor), await middle(1, own)]);
  const middleOf = (values: number[]) => values.sort((a, b) => a - b)[Math.floor(turns / 2)]!;
  return {
    anchorMs: middleOf(pairs.map(([ms]) => ms)),
    ownMs: middleOf(pairs.map(([, ms]) => ms)),
    ratio: middleOf(pairs.map(([of, ms]) => ms / of)),
  };
}

export interface Line {
  readonly name: string;
  readonly ms: number;
  /** How many times slower the machine was just then than the one the budgets were set on. */
  readonly pace?: number;
  /** What is allowed, ms. */
  readonly budget?: number;
  /** Against an anchor measured in the same run. */
  readonly ratio?: { readonly to: string; readonly value: number; readonly allowed: number };
}

/**
 * Prints figures with their budgets and ratios.
 * @param pace how many times slower this machine is than the one the budgets were set on; 1 where left out
 */
export function print(lines: readonly Line[], pace = 1): void {
  for (const { name, ms, budget, ratio, pace: own = pace } of lines) {
    const parts = [name.padEnd(64), `${ms.toFixed(ms < 10 ? 1 : 0)} ms`.padStart(9)];
    if (budget !== undefined) {
      const share = ms / budget;
      parts.push(`  budget ${budget} ms, ${share.toFixed(2)} of it`);
      if (own !== 1) parts.push(`, ${(share / own).toFixed(2)} at the budgets' pace`);
    }
    if (ratio) parts.push(`  ${ratio.value.toFixed(2)} of ${ratio.to}, allowed ${ratio.allowed}`);
    console.log(parts.join(""));
  }
}
