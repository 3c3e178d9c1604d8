import { inZones, type Coat, type CoatTarget, type PlaceTarget, type Surface } from "../../../core/job";
import type { Zone } from "../../../core/surface/zoneNames";
import { isTechniqueId, techniques } from "../../../core/techniques";

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
  hem: "near the hem",
  top: "near the top",
  seams: "near seams",
};

/** A place in words. */
function placeName({ zones, span, outline, near, fade }: PlaceTarget): string {
  const percent = (share: number) => `${Math.round(share * 100)}`;
  const parts = [
    ...zones.map((zone) => ZONE_NAMES[zone]),
    ...(span
      ? [
          `${percent(span.from)} to ${percent(span.to)} % ${span.along === "height" ? "of the height" : "along"}`,
        ]
      : []),
    ...(outline ? ["the outlined place"] : []),
    ...(near
      ? [{ inside: "on", outside: "beside", border: "along the border of" }[near.side] + " an earlier coat"]
      : []),
  ];
  return `${parts.length > 0 ? parts.join(" and ") : "everywhere"}${fade > 0 && parts.length > 0 ? ", fading" : ""}`;
}

/** A target in words. */
export function targetName(target: CoatTarget): string {
  switch (target.kind) {
    case "everywhere":
      return "everywhere";
    case "hollows":
      return "in the folds";
    case "zones":
      return placeName(target);
    case "guides":
      return "along the guides";
    case "boxes":
      return target.column === target.row
        ? `${target.column} boxes`
        : `boxes where ${target.column} crosses ${target.row}`;
    case "bands":
      return `${target.code} ${target.along}`;
    case "lines":
      return `${target.code} lines, ${target.along === "both" ? "columns and rows" : target.along}`;
    case "crossings":
      return `where ${target.code} lines cross`;
  }
}

/** Every place on this surface that the coat's technique can go. */
export function targetsFor(coat: Pick<Coat, "technique">, surface: Surface): CoatTarget[] {
  const codes = Object.keys(surface.pattern?.params.colours ?? {});
  const lays = isTechniqueId(coat.technique.id) ? techniques[coat.technique.id].lays : [];
  const cloth: CoatTarget[] = [
    ...(lays.includes("strokes") && surface.pattern ? [{ kind: "guides" as const }] : []),
    ...(lays.includes("strokes")
      ? codes.map((code) => ({ kind: "lines" as const, along: "both" as const, code }))
      : []),
    ...(lays.includes("dots") ? codes.map((code) => ({ kind: "crossings" as const, code })) : []),
    ...(lays.includes("cells")
      ? codes.flatMap((column, at) => codes.slice(at).map((row) => ({ kind: "boxes" as const, column, row })))
      : []),
    ...(lays.includes("cells")
      ? codes.flatMap((code) =>
          (["columns", "rows"] as const).map((along) => ({ kind: "bands" as const, along, code })),
        )
      : []),
  ];
  return lays.includes("field")
    ? [{ kind: "everywhere" }, { kind: "hollows" }, inZones(["raised"], 0)]
    : cloth;
}
