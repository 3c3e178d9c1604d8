import { activeCoats, type Coat, type Job, type Surface } from "../job";
import { growthOf } from "../growth/growthOf";
import { hideKey } from "../hides/withHide";
import { reliefKey } from "../surface/keptHeights";
import { withRelief, type SurfaceGrid } from "../surface/grid";
import { isTechniqueId, techniques } from "../techniques";
import { createFilmBuffer, type FilmBuffer, type TechniqueDefinition } from "../techniques/technique";
import { filmKey, layCoat, marksOf, raisedBy } from "./layCoat";
import { bytesOf, type FilmPlanes } from "./planes";

/** A coat and the film it left. */
export interface LaidCoat {
  readonly coat: Coat;
  readonly film: FilmPlanes;
}

/** The panel with what pastes have raised on it. */
interface RaisedGround {
  readonly grid: SurfaceGrid;
  readonly key: string;
  /** Coats before this one are part of its relief. */
  readonly from: number;
}

/** Films laid since a ground was raised. */
const filmsFrom = (laid: readonly LaidCoat[], { from }: RaisedGround): FilmPlanes[] =>
  laid.slice(from).map((one) => one.film);

/** Whether two panels stand in the same light. */
const standsAs = (one: SurfaceGrid, other: SurfaceGrid): boolean =>
  one.room === other.room && one.lamp === other.lamp;

/** What the coats of one surface are laid with. */
interface Laying {
  readonly job: Job;
  readonly surface: Surface;
  readonly grid: SurfaceGrid;
  readonly insideSum: number;
  /** Made when the first film has to be laid anew. */
  buffer: FilmBuffer | null;
}

const techniqueOf = ({ technique: { id } }: Coat): TechniqueDefinition | null =>
  isTechniqueId(id) ? techniques[id] : null;

/** Lays the coats of surfaces one after another, remembering films that did not change. */
export class FilmLayer {
  private readonly films = new Map<string, FilmPlanes>();
  private filmBytes = 0;
  private readonly numbers = new Map<string, number>();
  private readonly raised: RaisedGround[] = [];

  /** @param mostBytes of films remembered */
  constructor(private readonly mostBytes: number) {}

  /** A short name for a film's key, so that keys which name other films stay short. */
  private numberOf(key: string): number {
    let number = this.numbers.get(key);
    if (number === undefined) this.numbers.set(key, (number = this.numbers.size));
    return number;
  }

  private raise(before: RaisedGround, laid: readonly LaidCoat[], keys: readonly number[]): RaisedGround {
    const key = JSON.stringify([before.key, keys.slice(before.from)]);
    const known = this.raised.find((one) => one.key === key && one.grid.width === before.grid.width);
    if (known && standsAs(known.grid, before.grid)) return known;
    // In another light it is the same ground.
    const relief = known?.grid.relief ?? raisedBy(before.grid, filmsFrom(laid, before));
    const made = { grid: withRelief(before.grid, relief), key, from: laid.length };
    this.raised.unshift(made);
    this.raised.length = Math.min(this.raised.length, 4);
    return made;
  }

  /** A film laid before; it moves to the young end. */
  private recall(key: string): FilmPlanes | null {
    const film = this.films.get(key);
    if (!film) return null;
    this.films.delete(key);
    this.films.set(key, film);
    return film;
  }

  private remember(key: string, film: FilmPlanes): void {
    this.films.set(key, film);
    this.filmBytes += bytesOf(film);
    for (const [oldest, old] of this.films) {
      if (this.filmBytes <= this.mostBytes || oldest === key) break;
      this.films.delete(oldest);
      this.filmBytes -= bytesOf(old);
    }
  }

  private layOne(laying: Laying, coat: Coat, ground: RaisedGround, laid: readonly LaidCoat[]): FilmPlanes {
    const { job, surface, grid, insideSum } = laying;
    laying.buffer ??= createFilmBuffer(grid.inside.length);
    const near = laid[nearOf(coat, laid)]?.film ?? null;
    return layCoat(
      marksOf(job, surface, grid.form, coat, () => grid),
      coat,
      job.hand,
      { grid: ground.grid, films: filmsFrom(laid, ground), near },
      laying.buffer,
      insideSum,
    );
  }

  /** Lays every painted coat of a surface on a grid; yields how many are laid before each that has to be laid anew. */
  *lay(job: Job, surface: Surface, grid: SurfaceGrid): Generator<number, LaidCoat[], void> {
    const insideSum = grid.inside.reduce((sum, value) => sum + value, 0);
    const laying: Laying = { job, surface, grid, insideSum, buffer: null };
    const laid: LaidCoat[] = [];
    // Paste becomes the ground of what follows: `ground` is the panel as raised so far.
    let ground: RaisedGround = { grid, key: "", from: 0 };
    const keys: number[] = [];
    const heights = [reliefKey(surface), hideKey(surface, growthOf(job, surface))];
    for (const coat of activeCoats(surface)) {
      const technique = techniqueOf(coat);
      const felt = technique?.feels ? keys.slice(ground.from) : null;
      const nearAt = nearOf(coat, laid);
      const below = [ground.key, felt, nearAt < 0 ? null : keys[nearAt]];
      const key = JSON.stringify([filmKey(job, surface, coat, grid.pitchMm), below, heights]);
      let film = this.recall(key);
      if (!film) {
        yield laid.length;
        film = this.layOne(laying, coat, ground, laid);
        this.remember(key, film);
      }
      laid.push({ coat, film });
      keys.push(this.numberOf(key));
      if (technique?.raises) ground = this.raise(ground, laid, keys);
    }
    return laid;
  }
}

/** Where the earlier coat lies that a coat's place names; −1 where it names none or it is not there. */
function nearOf({ place }: Coat, laid: readonly LaidCoat[]): number {
  const nearId = place.kind === "zones" ? place.near?.coatId : undefined;
  return laid.findIndex((one) => one.coat.id === nearId);
}
