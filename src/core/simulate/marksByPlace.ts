import type { Place, Surface } from "../job";
import type { Marks } from "../techniques/technique";

/** Where a surface wears, for places that follow it. */
export const wearOf = ({ wear, seed }: Surface) => ({ settings: wear, seed });

/** Where a coat goes that goes by area: everywhere, in the hollows, or to a place of zones. */
export const marksByPlace = (
  surface: Surface,
  place: Exclude<Place, { kind: "pattern" }>,
): Extract<Marks, { kind: "field" }> =>
  place.kind === "zones"
    ? {
        kind: "field",
        hollowsOnly: false,
        place: { ...place, wear: wearOf(surface), volumes: surface.volumes },
      }
    : { kind: "field", hollowsOnly: place.kind === "hollows" };
