import { lightsLaidOn, type Place, type Surface } from "../job";
import type { Marks } from "../techniques/technique";

/** Where a surface wears, for places that follow it. */
const wearOf = ({ wear, seed }: Surface) => ({ settings: wear, seed });

/** What of a surface its places follow besides what they say themselves. */
export const placedOn = (surface: Surface) => ({
  wear: wearOf(surface),
  volumes: surface.volumes,
  lights: lightsLaidOn(surface),
});

/** Where a coat goes that goes by area: everywhere, in the hollows, or to a place of zones. */
export const marksByPlace = (
  surface: Surface,
  place: Exclude<Place, { kind: "pattern" }>,
): Extract<Marks, { kind: "field" }> =>
  place.kind === "zones"
    ? {
        kind: "field",
        hollowsOnly: false,
        place: { ...place, ...placedOn(surface) },
      }
    : { kind: "field", hollowsOnly: place.kind === "hollows" };
