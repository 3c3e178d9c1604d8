import type { Place, ShedSpan, ValueSpan, ZonePlace } from "../job";
import { placeOf, type Pattern } from "../patterns/pattern";
import type { Zone } from "../surface/zoneNames";

/** Zones in words. */
export const ZONE_NAMES: Readonly<Record<Zone, string>> = {
  raised: "raised ground",
  level: "level ground",
  hollow: "hollows",
  lit: "lit places",
  shaded: "shaded places",
  sheltered: "sheltered places",
  worn: "worn places",
  unworn: "unworn places",
  edges: "edges",
  "upper-edges": "upper edges",
  hem: "near the hem",
  top: "near the top",
  seams: "near seams",
  back: "the back",
  crest: "crest or mane",
  front: "face or front",
  flank: "the flanks",
  belly: "the belly",
  "off-belly": "all but the belly",
  tips: "tips of what grows",
  built: "what stands on a base",
  ground: "ground between",
  fittings: "iron fittings",
};

const percent = (share: number) => `${Math.round(share * 100)}`;

/** A stretch of the value plan in words. */
function valuesName({ from, to }: ValueSpan): string {
  if (from <= 0) return `the shadows, up to ${percent(to)} % of the value plan`;
  if (to >= 1) return `the lights, from ${percent(from)} % of the value plan up`;
  return `${percent(from)} to ${percent(to)} % of the value plan`;
}

/** What a painted light sheds, in words. */
function shedName({ from, to }: ShedSpan): string {
  const of = "of a painted light";
  return to >= 1
    ? `where ${percent(from)} % ${of} or more falls`
    : `where ${percent(from)} to ${percent(to)} % ${of} falls`;
}

/** A place in words. */
function zonePlaceName({ zones, span, outline, near, values, shed, fade }: ZonePlace): string {
  const parts = [
    ...zones.map((zone) => ZONE_NAMES[zone]),
    ...(span
      ? [
          `${percent(span.from)} to ${percent(span.to)} % ${span.along === "height" ? "of the height" : "along"}`,
        ]
      : []),
    ...(values ? [valuesName(values)] : []),
    ...(shed ? [shedName(shed)] : []),
    ...(outline ? ["the outlined place"] : []),
    ...(near
      ? [
          { inside: "on", outside: "beside", border: "along the border of", around: "close around" }[
            near.side
          ] + " an earlier coat",
        ]
      : []),
  ];
  return `${parts.length > 0 ? parts.join(" and ") : "everywhere"}${fade > 0 && parts.length > 0 ? ", fading" : ""}`;
}

/** A place in words; places of a pattern as the pattern calls them. */
export function placeName(place: Place, pattern: Pattern | null): string {
  switch (place.kind) {
    case "everywhere":
      return "everywhere";
    case "hollows":
      return "in the folds";
    case "zones":
      return zonePlaceName(place);
    case "pattern":
      return placeOf(pattern, { place })?.label ?? "a place that the pattern has no more";
  }
}
