import type { Schema } from "yup";
import type { CheckResult } from "../checks/finding";
import type { Spectrum } from "../colour/spectrum";
import type { Coat, Figure, Hand, Job, Mix, Paint, Surface } from "../job";
import type { GaugePiece } from "../plan/gaugePiece";
import type { SpacePoint, SurfaceForm } from "../surface/forms/form";
import type { SurfaceGrid } from "../surface/grid";
import type { MaterialId } from "../surface/volumes/materials";
import type { MarkIntent, PlacedMark, UnevennessFault } from "../techniques/singleMarks";
import type { MarkKind, Marks } from "../techniques/technique";
import type { FieldSpecs } from "./fields";

/** A coat a pattern asks for; `role` tells it apart from the pattern's other coats. */
export type PlannedCoat = Omit<Coat, "id" | "held" | "seed" | "overSeams" | "event"> & {
  readonly role: string;
};

/** What a layout is made in: the panel and the hand that will paint it. */
export interface PatternRoom {
  readonly form: SurfaceForm;
  readonly hand: Hand;
  /** The surface's own seed. */
  readonly seed: number;
  /** Which way the figure's back is, as the form has it, a unit vector; behind where left out. Told to families that follow it. */
  readonly back?: SpacePoint;
}

/** What a new pattern starts from. */
export interface StartRoom extends PatternRoom {
  readonly figure: Figure;
  readonly mixes: readonly Mix[];
}

/** What a family works with where colours count too. */
export interface FamilyContext<P = unknown, L = unknown> {
  readonly job: Job;
  readonly surface: Surface;
  readonly form: SurfaceForm;
  readonly paints: readonly Paint[];
  readonly params: P;
  readonly layout: L;
}

/** A place of the pattern that a coat can name. */
export interface PatternPlace {
  readonly key: string;
  /** In the painter's words, as in "guides" or "dark boxes". */
  readonly label: string;
  readonly lays: MarkKind;
  /** Fills every tone it meets from border to border; lines and dots cover only strips of it. */
  readonly covers: boolean;
  /** Laid over other places so that both show, where its paint is thinned. */
  readonly through?: boolean;
}

/** One class of places with the same coats below, told apart by a key. */
export interface PatternTone {
  readonly key: string;
  readonly label: string;
}

/** What the hand does at one place, for one figure and one pass. */
export interface PlaceWork {
  readonly areaMm2: number;
  /** Whole and cut pieces. */
  readonly count: number;
  /** One of them, in the singular. */
  readonly name: string;
  /** Which of the painter's rates it goes by. */
  readonly rate: "box" | "dot" | "pull";
}

/** A change of the pattern's own settings that mends a fault; the path starts at the settings. */
export interface MarkRemedy {
  readonly label: string;
  readonly path: readonly string[];
  readonly value: number | string;
}

/** Marks of one coat that were meant to be irregular, and what was asked of them. */
export interface MarkSet extends MarkIntent {
  readonly key: string;
  readonly label: string;
  readonly marks: readonly PlacedMark[];
  readonly remedies: Readonly<Partial<Record<UnevennessFault, readonly MarkRemedy[]>>>;
}

/** Something to count on the piece before a place is painted full. */
export interface Counting {
  /** What is counted, in the plural. */
  readonly what: string;
  readonly count: number;
  /** By how many it may be off without harm; 0 where the pattern does not close otherwise. */
  readonly within: number;
}

/** Which figures of a unit get a coat, and in which mix. */
export interface UnitShare {
  /** Numbers of the figures, from 1, by mix; null is the coat's own. Figures in none go without the coat. */
  readonly byMix: readonly { readonly mixId: string | null; readonly figures: readonly number[] }[];
}

/** Lines and outlines to lay on the piece before painting, printed at 1 : 1, and tables that say where they lie. */
export interface PatternGuides {
  readonly tables: readonly GuideTable[];
  readonly pieces: readonly GaugePiece[];
  /** How the tables are read. */
  readonly note: string;
}

/** Where guides lie, as a table: how the columns are called, and its rows. */
export interface GuideTable {
  readonly title: string;
  /** Accessible name. */
  readonly name: string;
  readonly head: readonly string[];
  readonly rows: readonly (readonly string[])[];
}

/** A colour the pattern wants mixed. */
export interface PatternGoal {
  readonly id: string;
  readonly label: string;
  readonly spectrum: Spectrum;
  /** Mix that an answer replaces; null where the answer becomes a new mix. */
  readonly mixId: string | null;
}

/** How near paint comes to one of the goals. */
export interface GoalMatch {
  readonly key: string;
  readonly text: string;
  readonly goalHex: string;
  readonly gotHex: string;
  /** CIEDE2000 between the two. */
  readonly difference: number;
}

/** Colours that a pattern wants mixed, and how near paint comes to each. */
export interface PatternGoals {
  readonly title: string;
  readonly about: string;
  readonly goals: readonly PatternGoal[];
  readonly matches: readonly GoalMatch[];
}

/** A surface's pattern laid out on its panel: the family with its own settings and layout, to be handed back to it. */
export interface Pattern {
  readonly family: PatternFamily;
  readonly params: unknown;
  readonly layout: unknown;
}

/** What a family's own check is given. */
export interface PatternCheckContext<P = unknown, L = unknown> extends FamilyContext<P, L> {
  readonly pattern: Pattern;
  /** Coats that will be painted, in order. */
  readonly coats: readonly Coat[];
}

/** A check that only one family knows how to make. */
export interface PatternCheck<P = unknown, L = unknown> {
  readonly id: string;
  readonly label: string;
  run(context: PatternCheckContext<P, L>): CheckResult[];
}

/**
 * One kind of pattern. It owns its settings, where they lie on a panel, the coats they ask for and every word said of
 * them; nothing outside its folder (and its setter's) knows it by name.
 *
 * P: its settings; L: its layout, made of them once a change.
 */
export interface PatternFamily<P = unknown, L = unknown> {
  readonly id: string;
  readonly version: number;
  readonly label: string;
  readonly about: string;
  /** Checks settings of today's version, wherever a job comes in. */
  readonly schema: Schema;
  /** Settings as plain controls: a setter is made of them where the family has none of its own. */
  readonly fields?: FieldSpecs;
  start(room: StartRoom): P;
  /** Settings of an earlier version in today's shape. */
  upgrade?(params: unknown, from: number): unknown;
  /**
   * Where the pattern lies on the panel. Depends on nothing else, so that same settings give same marks.
   * @throws InputError or an error of its own where the settings cannot be laid out
   */
  layout(params: P, room: PatternRoom): L;
  /** Adds to the job what the pattern lacks (mixes of its own); gives the same job where nothing is missing. */
  complete?(context: FamilyContext<P, L>): Job;
  /** The coats, in a workable order. */
  coats(context: FamilyContext<P, L>): PlannedCoat[];
  places(layout: L): PatternPlace[];
  /** Where one place lies; nothing for a key the layout does not have. `grid` is asked for only where it is needed. */
  marks(layout: L, key: string, grid: () => SurfaceGrid): Marks;
  /** Where it lies depends on which way the figure's back is. */
  readonly followsBack?: true;
  /** What a surface that is given it is made of from then on; as it was where left out. */
  readonly material?: MaterialId;
  /** Its own coats bring light and shade: none is offered over it. */
  readonly ownLight?: true;
  /** Whether a place lies elsewhere in another light; none does where left out. */
  followsLight?(key: string): boolean;
  tones(layout: L): PatternTone[];
  /** Whether a place lies on places of this tone at all. */
  meets(layout: L, key: string, tone: string): boolean;
  /** Sets of strips (places that do not cover) that can lie over each other at one point. */
  crossings?(layout: L): readonly (readonly string[])[];
  /** Area and pieces of a place laid as regions; null where strokes and dots are counted one by one, and fields by their area. */
  work(layout: L, key: string): PlaceWork | null;
  /** What to look at before going on. */
  lookAt(layout: L, key: string, count: number): string[];
  /** What is counted on the piece, thin as it still is, before this place is painted full; left out where nothing is. */
  counts?(layout: L, key: string): readonly Counting[];
  /** A place that is there to be covered: nobody minds that it is not seen. */
  unseen?(key: string): boolean;
  /** The settings with every mix they name changed; which they name is asked by `mixesIn`. */
  mapMixes(params: P, change: (mixId: string) => string): P;
  /** The settings with the base in another mix, and what followed from the old base following from it; else the mix is swapped wherever it is named. */
  withBase?(params: P, mixId: string): P;
  /** What a film at this place depends on, of the settings; colours are left out. */
  filmParams(params: P, key: string): unknown;
  /** Settings as one figure of a unit is painted, from 1; left out where all are painted alike. */
  forFigure?(params: P, number: number): P;
  /** How a coat of its own falls to the figures of a unit; left out where all get every coat alike. */
  forUnit?(params: P, role: string, count: number): UnitShare;
  /** Marks that were meant to be irregular, for the judgement of evenness. */
  markSets?(layout: L): MarkSet[];
  /** Numbers its own setter shows that take long to work out: made off the page, and plain enough to travel. */
  facts?(context: FamilyContext<P, L>): unknown;
  readonly checks: readonly PatternCheck<P, L>[];
  readonly guides?: {
    /** What the printed piece is called: "Gauge strip". */
    readonly title: string;
    /** How it is used, for the sheet it is printed on. */
    readonly use: string;
    of(layout: L): PatternGuides;
  };
  goals?(context: FamilyContext<P, L>): PatternGoals;
}
