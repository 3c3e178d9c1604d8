import type { Coat, Job, MishapId, Paint, Surface } from "../job";
import type { FilmState } from "../plan/clocks";
import type { SampledCoat } from "../simulate/sampled";
import type { SurfaceForm } from "../surface/forms/form";

/** What went wrong, as the painter tells it. */
export interface Told {
  readonly kind: MishapId;
  /** The coat it went wrong with. */
  readonly coatId: string;
  /** Where, in shares of the form's length and height; the middle for mishaps that are no matter of place. */
  readonly along: number;
  readonly up: number;
  /** How large, or how far it reaches, in the unit of the mishap's own question; no matter where it asks for none. */
  readonly amount: number;
  /** The mix that was in the well, where it was the wrong one. */
  readonly mixId: string | null;
  /** Figures of the unit it happened to, from 1; all of them where left out. */
  readonly figures?: readonly number[];
}

/** A number that a mishap asks for. */
export interface AskedAmount {
  readonly label: string;
  readonly unit: "mm" | "passes" | "%";
  readonly range: readonly [least: number, most: number];
  readonly step: number;
  readonly usual: number;
}

/** What a mishap and its repairs are worked out from. */
export interface MishapContext {
  readonly job: Job;
  readonly paints: readonly Paint[];
  /** As it was planned. */
  readonly surface: Surface;
  readonly form: SurfaceForm;
  readonly coat: Coat;
  readonly told: Told;
  /** Coats that are painted already, by id; the one it went wrong with among them. */
  readonly painted: ReadonlySet<string>;
  /** What each coat does where all goes as planned, first to last. */
  readonly looks: readonly SampledCoat[];
}

/** Way of mending what happened. */
export interface Repair {
  readonly id: string;
  readonly label: string;
  /** What to do with the hand, in words: the coats it adds have cards of their own. */
  readonly say: string;
  /** Where the step can hurt someone. */
  readonly caution?: string;
  /** The surface after it, from what it is after the mishap. */
  change(happened: Surface): Surface;
}

/** One kind of mishap. */
export interface MishapDefinition {
  readonly id: MishapId;
  readonly label: string;
  /** Why it happens, and how to see that it did. */
  readonly about: string;
  readonly asks: {
    /** Whether it lies at one place, which is pressed on the piece. */
    readonly place: boolean;
    readonly amount: AskedAmount | null;
    /** Whether the painter says which mix was in the well. */
    readonly mix: boolean;
  };
  /** Whether it can have happened to a coat. */
  suits(context: Pick<MishapContext, "job" | "surface" | "coat" | "painted">): boolean;
  /** The surface as it is now, with what is still planned for it. */
  happened(context: MishapContext): Surface;
  /** What can be done while the film can be worked, and once it is touch dry; nothing while it sets. */
  repairs(context: MishapContext): { readonly wet: readonly Repair[]; readonly dry: readonly Repair[] };
  /** What the goal is told by: how the surface looks, place by place, or how irregular the coat's marks are. */
  readonly goal: "look" | "marks";
}

/** States in which a film can still be wicked, lifted or wiped. */
export const isWet = (state: FilmState): boolean => state === "workable";
