import { SOLIDS_SHARE } from "../colour/mix";
import type { Coat, Mix, Paint } from "../job";

/** The room a figure dries in. */
export interface Room {
  /** °C. */
  readonly roomC: number;
  /** Relative humidity, %. */
  readonly humidityPercent: number;
  /** Air that passes over the piece, m/s: 0.1 in a still room, 1 and more by a fan or a dryer. */
  readonly airMps: number;
}

/** What binds the paint: water that leaves, solvent that leaves, or oil that sets with the air. */
export type Binder = "water" | "solvent" | "oil";

/** What dries: one pass of a coat. */
export interface DryingFilm {
  /** Dry film, µm, 0 or more. */
  readonly dryUm: number;
  /** Parts of water (or thinner) to one of paint. */
  readonly water: number;
  /** Share of the volume that stays, 0…1. */
  readonly solids: number;
  readonly binder: Binder;
  /** Share of the mix, 0…1, that is medium, which keeps it wet. */
  readonly mediumShare: number;
  /** A paste, whose inside waits for its skin. */
  readonly paste: boolean;
}

/** Minutes after a pass: until it cannot be worked any more, until the next coat may follow, until it is dry through. */
export interface Drying {
  readonly workable: number;
  readonly touchDry: number;
  readonly fullyDry: number;
}

/** A usual room: 20 °C, half as humid as can be, still air. */
export const USUAL_ROOM: Room = { roomC: 20, humidityPercent: 50, airMps: 0.1 };

/** Vapour pressure of water, kPa. Source: Magnus, with the constants of Alduchov and Eskridge, J Appl Meteor 35, 1996. */
const vapourKpa = (celsius: number): number => 0.61094 * Math.exp((17.625 * celsius) / (celsius + 243.04));
/** Heat of evaporation near room temperature, kJ/kg. */
const LATENT = 2450;
/** Even very damp air takes up this share of what dry air would. */
const LEAST_DRIVE = 0.05;

/**
 * Water that leaves a wet surface, µm of its depth a minute: (0.089 + 0.0782 v) Δp / Y, kg per s and m², with v in m/s,
 * the difference of vapour pressure in kPa and Y in kJ/kg. Source: Carrier 1918, as given in the ASHRAE Handbook, HVAC
 * Applications. 2.8 µm a minute in a usual room.
 */
export function evaporationUm({ roomC, humidityPercent, airMps }: Room): number {
  const drive = vapourKpa(roomC) * Math.max(LEAST_DRIVE, 1 - humidityPercent / 100);
  // 1 kg of water on 1 m² is 1 mm deep.
  return ((0.089 + 0.0782 * airMps) * drive * 1000 * 60) / LATENT;
}

/** From this share of solids on a film drags and tears when it is brushed again. */
const WORKABLE_SOLIDS = 0.55;
/** A medium keeps a film wet: none of it leaves as fast as from water alone. */
const MEDIUM_SLOWS = 0.45;
/** How fast the last water comes through a film and through a paste, µm² a minute: time goes by the square of the depth. */
const THROUGH = { film: 60, paste: 300 } as const;
/** Solvents of paints leave this much faster than water. */
const SOLVENT_FASTER = 1.6;
/** Oil sets with the air: days for a film of 25 µm, touch dry and through. Source: Mayer, The Artist's Handbook, 1991. */
const OIL_DAYS = { touch: 3, full: 14, filmUm: 25 } as const;
const DAY = 24 * 60;
/** Nothing on a brush dries faster than it is put down, minutes. */
const LEAST_MINUTES = 1;

function oilDrying(dryUm: number): Drying {
  const thick = Math.max(0.3, dryUm / OIL_DAYS.filmUm);
  const touchDry = OIL_DAYS.touch * DAY * Math.sqrt(thick);
  return { workable: touchDry / 6, touchDry, fullyDry: OIL_DAYS.full * DAY * thick };
}

/**
 * How long one pass takes to dry: its free water leaves at the rate of the room, then the rest comes through the film,
 * which takes as the square of its depth. A starting value that the painter's own log replaces.
 */
export function dryingOf(film: DryingFilm, room: Room): Drying {
  const { dryUm, water, solids, binder, mediumShare, paste } = film;
  if (binder === "oil") return oilDrying(dryUm);
  const wetUm = (dryUm / solids) * (1 + water);
  const rate =
    evaporationUm(room) * (binder === "solvent" ? SOLVENT_FASTER : 1) * (1 - MEDIUM_SLOWS * mediumShare);
  const leaves = Math.max(0, wetUm - dryUm);
  const inside = (dryUm * dryUm) / (paste ? THROUGH.paste : THROUGH.film);
  const touchDry = Math.max(LEAST_MINUTES, leaves / rate + (paste ? inside : 0));
  const workable = Math.max(0, (wetUm - dryUm / WORKABLE_SOLIDS) / rate);
  return { workable: Math.min(workable, touchDry), touchDry, fullyDry: touchDry + (paste ? 2 : 1) * inside };
}

/** Kinds of pots by what binds them; all others are thinned with water. */
const BINDERS: Readonly<Partial<Record<Paint["kind"], Binder>>> = { oil: "oil", varnish: "solvent" };

/** What binds a mix: the slowest of its pots. */
export function binderOf(mix: Mix | null, paints: readonly Paint[]): Binder {
  const kinds = (mix?.parts ?? []).map(({ paintId }) => paints.find((paint) => paint.id === paintId)?.kind);
  const binders = kinds.map((kind) => (kind && BINDERS[kind]) ?? "water");
  return binders.includes("oil") ? "oil" : binders.includes("solvent") ? "solvent" : "water";
}

/** Share of a mix that is medium, 0…1. */
export function mediumShareOf(mix: Mix | null, paints: readonly Paint[]): number {
  const parts = mix?.parts ?? [];
  const all = parts.reduce((sum, part) => sum + part.parts, 0);
  const medium = parts
    .filter(({ paintId }) => paints.find((paint) => paint.id === paintId)?.kind === "medium")
    .reduce((sum, part) => sum + part.parts, 0);
  return all > 0 ? medium / all : 0;
}

/** Said where a coat dries by solvent or with the air. */
export const BINDER_CAUTIONS: Readonly<Record<Binder, string | null>> = {
  water: null,
  solvent: "Solvent leaves as it dries: fresh air, no flame. Follow the label and your local rules.",
  oil: "Oil sets in days, not minutes. Rags and paper with oil can catch fire by themselves: lay them flat to dry outdoors or keep them under water. Thinners want fresh air and no flame. Follow the labels and your local rules.",
};

/** Minutes until one water-based pass is touch dry in a usual room. */
export const touchDryMinutes = (passUm: number, water: Coat["water"]): number =>
  dryingOf(
    { dryUm: passUm, water, solids: SOLIDS_SHARE, binder: "water", mediumShare: 0, paste: false },
    USUAL_ROOM,
  ).touchDry;
