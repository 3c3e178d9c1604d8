import { inZones, type Coat, type Place } from "../../../core/job";
import type { Pattern } from "../../../core/patterns/pattern";
import { isTechniqueId, techniques } from "../../../core/techniques";

/** Every place on this surface that the coat's technique can go. */
export function placesFor(coat: Pick<Coat, "technique">, pattern: Pattern | null): Place[] {
  const lays = isTechniqueId(coat.technique.id) ? techniques[coat.technique.id].lays : [];
  if (lays.includes("field")) return [{ kind: "everywhere" }, { kind: "hollows" }, inZones(["raised"], 0)];
  const places = pattern?.family.places(pattern.layout) ?? [];
  return places
    .filter((place) => lays.includes(place.lays))
    .map(({ key }) => ({ kind: "pattern" as const, key }));
}
