import { opticsOfMix, paintOptics } from "../colour/appearance";
import { asPainted } from "../colour/bother";
import { covers, findClear, sameParts, tints } from "../colour/chosenMix";
import { ciede2000 } from "../colour/difference";
import { masstone } from "../colour/film";
import { tryAllMixes } from "../colour/search";
import { hexToLab, spectrumToLab, type Triple } from "../colour/spaces";
import { mixById, type Job, type Mix, type MixPart, type Paint } from "../job";

/** Pots tried for a colour: those nearest to it, and the lightest and darkest. */
const MOST_TRIED = 10;

/** Mixes made as they are asked for, with what is at hand. */
export class Mixer {
  readonly mixes: Mix[];
  private readonly usable: readonly { readonly paint: Paint; readonly lab: Triple }[];
  constructor(
    private readonly job: Job,
    private readonly paints: readonly Paint[],
    private readonly surfaceId: string,
  ) {
    this.mixes = [...job.mixes];
    this.usable = paints
      .filter(covers)
      .map((paint) => ({ paint, lab: spectrumToLab(masstone(paintOptics(paint))) }));
  }

  has(id: string | null): id is string {
    return id !== null && this.mixes.some((mix) => mix.id === id);
  }

  labOf(mixId: string): Triple {
    return spectrumToLab(masstone(opticsOfMix(mixById({ mixes: this.mixes }, mixId), this.paints)));
  }

  /** Few pots in small whole parts that come nearest to a colour, of pots that look like it already. */
  private partsFor(goal: Triple): readonly MixPart[] {
    const near = [...this.usable].sort((a, b) => ciede2000(a.lab, goal) - ciede2000(b.lab, goal));
    const [lightest] = [...this.usable].sort((a, b) => b.lab[0] - a.lab[0]);
    const [darkest] = [...this.usable].sort((a, b) => a.lab[0] - b.lab[0]);
    const tried = new Set(
      [...near.slice(0, MOST_TRIED), lightest, darkest].flatMap((one) => (one ? [one.paint] : [])),
    );
    const inUse = new Set(this.mixes.flatMap(({ parts }) => parts.map(({ paintId }) => paintId)));
    const found = tryAllMixes([...tried], goal, { mostParts: 4, pots: 2, keep: 12 });
    return asPainted(found, { paints: this.paints, goal, inUse })[0]?.parts ?? [];
  }

  /** A mix for a colour: one of the job's that already shows it, else a new one. */
  mixFor(key: string, name: string, colour: string, water = 1): string {
    const goal = hexToLab(colour);
    const known = this.mixes.find(
      (mix) => mix.goal?.toLowerCase() === colour.toLowerCase() && mix.water === water,
    );
    if (known) return known.id;
    const id = this.freeId(`${this.surfaceId}-${key}`);
    this.mixes.push({ id, name: name.slice(0, 80), parts: this.partsFor(goal), water, goal: colour });
    return id;
  }

  /**
   * A mix of clear pots that takes a colour to another one where its film gathers; of covering ones where no clear pot is
   * owned.
   */
  clearFor(key: string, name: string, from: string, to: string, water: number): string {
    const clear = this.paints.filter(tints);
    const pots = clear.length > 0 ? clear : this.usable.map(({ paint }) => paint);
    const parts = findClear(pots, hexToLab(from), hexToLab(to), new Set())?.parts ?? [];
    const known = this.mixes.find(
      (mix) => mix.water === water && parts.length > 0 && sameParts(mix.parts, parts),
    );
    if (known) return known.id;
    const id = this.freeId(`${this.surfaceId}-${key}`);
    this.mixes.push({ id, name: name.slice(0, 80), parts: [...parts], water, goal: null });
    return id;
  }

  private freeId(base: string): string {
    let id = base;
    for (let number = 2; this.mixes.some((mix) => mix.id === id); number++) id = `${base}-${number}`;
    return id;
  }

  /** The job with every mix that was made, and the surface's pattern in other settings; the same job where nothing is new. */
  completed(before: unknown, params: unknown): Job {
    const same = JSON.stringify(params) === JSON.stringify(before);
    if (same && this.mixes.length === this.job.mixes.length) return this.job;
    return {
      ...this.job,
      mixes: this.mixes,
      surfaces: this.job.surfaces.map((one) =>
        one.id === this.surfaceId ? { ...one, pattern: { ...one.pattern!, params } } : one,
      ),
    };
  }
}
