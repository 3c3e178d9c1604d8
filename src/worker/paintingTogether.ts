import { InputError } from "../core/errors";
import type { PieceSkin } from "../core/piece/skin";
import type { Simulator, SpecimenRequest, StillWanted } from "../core/simulate/simulator";
import type { Helper } from "./helpers";

/** Most cells of a surface in the finer picture: a whole figure is smaller on the screen than one piece. */
export const FULL_CELLS = 400_000;
/** Cells of a surface in the quick one, which is small: a piece has some ten thousand pixels of it. */
export const QUICK_CELLS = 10_000;
/** Cells of a surface in the first picture of a worker that has only just started, and whose program is slow as yet. */
export const ROUGH_CELLS = 2000;

/** One surface of a figure to be painted. */
export interface Wish {
  readonly request: SpecimenRequest;
  readonly key: string;
  readonly full: boolean;
  /** What it costs against the others, any unit. */
  readonly cost: number;
}

/** Surfaces still to be painted, whether they are wanted, and who is told of each. */
interface Work {
  readonly open: Wish[];
  readonly wanted: () => Promise<boolean>;
  readonly painted: (wish: Wish, skin: PieceSkin) => void;
}

/** A helper, or (null) this worker. */
type Painter = Helper | null;

/** Who painted a surface last, coarse or fine: its films are there. */
const lastBy = new Map<string, Painter>();
const nameOf = ({ request: { surfaceId, previewCells }, full }: Wish): string =>
  `${surfaceId}/${full ? "fine" : previewCells}`;

/** Surfaces of a figure painted side by side: they share nothing but the figure's light. */
export class PaintingTogether {
  private stopped = false;
  private readonly present = new Set<Painter>([null]);

  constructor(
    private readonly sim: Simulator,
    private readonly work: Work,
  ) {}

  /** Whether it is still wanted; once it is not, it stays so. */
  private readonly goOn: StillWanted = async () => {
    this.stopped ||= !(await this.work.wanted());
    return !this.stopped;
  };

  /**
   * Paints all of it. Each painter keeps to the surfaces that it has painted before; what nobody has goes to whoever is
   * free first. A helper that is still starting joins when it can.
   * @returns false where it was stopped
   * @throws Error for what cannot be painted here either
   */
  async by(helpers: readonly Helper[]): Promise<boolean> {
    for (const helper of helpers) if (helper.ready()) this.present.add(helper);
    this.inOrder();
    const own = this.paint(null);
    await Promise.all([own, ...helpers.map((helper) => this.join(helper, own))]);
    // What a helper could not do is done here.
    if (!this.stopped) await this.paint(null);
    return !this.stopped;
  }

  /** Lets a helper paint once it has started, unless all is given out by then. */
  private async join(helper: Helper, own: Promise<void>): Promise<void> {
    const inTime =
      helper.ready() || (await Promise.race([helper.started.then(() => true), own.then(() => false)]));
    if (!inTime) return;
    this.present.add(helper);
    await this.paint(helper);
  }

  /** The costliest first, so that nobody waits long for the last. */
  private inOrder(): void {
    this.work.open.sort((a, b) => b.cost - a.cost);
  }

  private take(painter: Painter): Wish | undefined {
    const { open } = this.work;
    const by = (wish: Wish) => lastBy.get(nameOf(wish));
    const isFree = (wish: Wish) => {
      const last = by(wish);
      return last === undefined || !this.present.has(last);
    };
    const own = open.findIndex((wish) => by(wish) === painter);
    const free = own >= 0 ? own : open.findIndex(isFree);
    const at = free >= 0 ? free : this.waitingLong();
    const [taken] = at >= 0 ? open.splice(at, 1) : [];
    // Where nobody else was there yet it may still go to another.
    if (taken && this.present.size > 1) lastBy.set(nameOf(taken), painter);
    return taken;
  }

  /**
   * What another has to do after its next: the cheapest of it, which the other has no time for yet. Its films have to be
   * laid anew, which is still sooner than to wait for who has them.
   */
  private waitingLong(): number {
    const { open } = this.work;
    return open.findLastIndex((wish) => {
      const name = lastBy.get(nameOf(wish));
      return open.filter((one) => lastBy.get(nameOf(one)) === name).length > 1;
    });
  }

  private async paint(painter: Painter): Promise<void> {
    for (let wish = this.take(painter); wish; wish = this.take(painter)) {
      if (!(await this.goOn(0, 1))) return;
      try {
        const skin = await (painter ? this.there(wish, painter) : this.here(wish));
        if (skin) this.work.painted(wish, skin);
      } catch (error) {
        if (painter) {
          this.failed(wish, painter);
          return;
        }
        // A piece that cannot be built or painted is left out; where it is edited it says what is wrong.
        if (!(error instanceof InputError)) throw error;
      }
    }
  }

  /** What went wrong there may go well here; if not it is told here. */
  private failed(wish: Wish, helper: Helper): void {
    lastBy.delete(nameOf(wish));
    this.present.delete(helper);
    this.work.open.push(wish);
    this.inOrder();
  }

  private async here({ request, full }: Wish): Promise<PieceSkin | null> {
    const laid = await this.sim.lay(request, !full, this.goOn);
    return laid && this.sim.skin(request, laid);
  }

  private async there({ request, full }: Wish, helper: Helper): Promise<PieceSkin | null> {
    const { job, paints, surfaceId, upTo, lit, mostCells = FULL_CELLS, previewCells = QUICK_CELLS } = request;
    const map = request.map === "values" || request.map === "sprayed" ? request.map : null;
    const input = {
      job,
      paints,
      surfaceId,
      upTo,
      lit,
      map,
      full,
      mostCells,
      previewCells,
    };
    const asked = helper.paint(input, this.goOn);
    // While it is painted there, its cells are built here.
    const [painted, grid] = await Promise.all([
      asked,
      Promise.resolve().then(() => this.sim.gridOf(request, !full)),
    ]);
    if (!painted) return null;
    if (painted.width !== grid.width || painted.height !== grid.height)
      throw new RangeError("the helper painted other cells than were asked for");
    return { grid, rgba: painted.rgba, heights: painted.heights, gloss: painted.gloss, lit };
  }
}
