import { inZones, type Place } from "../job";
import { tone, type SchemeTone } from "./scheme";

/** Soil is brown whatever the rock on it. */
const SOIL = "#6d5a45";
/** What stands on a base, and the ground between. */
export const ROCK: Place = inZones(["built"], 0);
export const EARTH: Place = inZones(["ground"], 0);

/** A tone of the soil, told against its own brown. */
export const soilTone = (name: string, lighter: number, chroma = 1): SchemeTone => ({
  ...tone(name, lighter, chroma),
  own: SOIL,
});

/** The foot of what stands on a base, as far as ground comes up to it. @param coatId key of the coat that covers the ground */
export const footOf = (coatId: string): Place =>
  inZones(["built"], 0, { near: { coatId, side: "outside", reachMm: 1.4 } });
