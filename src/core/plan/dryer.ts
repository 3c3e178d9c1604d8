import type { Drying, DryingFilm, Room } from "./drying";
import { dryingOf } from "./drying";

/** Air of a hair dryer at half an arm's length, set warm and not hot: it is felt on the hand, and no more. */
const DRYER: Room = { roomC: 45, humidityPercent: 20, airMps: 2 };
/** From this speed on, m/s, the air that the painter names comes from a dryer, not from a room or a fan across it. */
const DRYER_FROM_MPS = 0.8;
const STILL_MPS = 0.1;
/** The shortest while a dryer is held at a piece, minutes. */
const LEAST_MINUTES = 0.5;

/** What a dryer does to a coat: how long it takes, or why it has no place there. */
export type DryerSays =
  | { readonly kind: "may"; readonly minutes: number }
  | {
      readonly kind: "no";
      readonly why: string;
      /** Whether it gives off vapour: no dryer is used near it, whatever else dries there. */
      readonly vapour: boolean;
    };

/** What is known of a coat that a dryer would be held at. */
export interface BlownAt {
  readonly film: DryingFilm;
  /** Dry powder and tufts: they would fly. */
  readonly loose: boolean;
  /** Thin paint that is left to settle. */
  readonly settles: boolean;
}

/** Why no dryer is held at a coat; null where it may be. */
function whyNot({ film: { binder, paste }, loose, settles }: BlownAt): string | null {
  if (binder === "oil") return "Oil sets with the air, warmth hardly helps, and its thinners can catch fire.";
  if (binder === "solvent")
    return "Solvent leaves as it dries: its vapour can catch fire, heat drives it on.";
  if (paste) return "Thick paste skins over and blisters; let it dry slowly.";
  if (loose) return "It would blow away.";
  return settles ? "Moving air drives it out of the hollows into tide marks." : null;
}

/**
 * Whether a dryer may be held at a coat, and until when.
 * @param times the painter's own times of computed drying
 */
export function dryerAt(coat: BlownAt, times: number): DryerSays {
  const why = whyNot(coat);
  if (why !== null) return { kind: "no", why, vapour: coat.film.binder !== "water" };
  const { touchDry } = dryingOf(coat.film, DRYER);
  return { kind: "may", minutes: Math.max(LEAST_MINUTES, times * touchDry) };
}

/**
 * How a pass of a coat dries in the painter's room: where no dryer may be held at it, the room counts as still if the
 * painter's air comes from one.
 */
export function dryingInRoom(coat: BlownAt, room: Room): Drying {
  const blown = room.airMps >= DRYER_FROM_MPS && whyNot(coat) !== null;
  return dryingOf(coat.film, blown ? { ...room, airMps: STILL_MPS } : room);
}
