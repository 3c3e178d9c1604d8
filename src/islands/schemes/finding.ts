import { swatchOfMix } from "../../core/colour/appearance";
import { ciede2000 } from "../../core/colour/difference";
import { hexToLab, spectrumToLab, type Triple } from "../../core/colour/spaces";
import { mainMix } from "../../core/edits/recolour";
import type { OwnScheme, Paint } from "../../core/job";
import { familyIn } from "../../core/patterns";
import { materials } from "../../core/surface/volumes/materials";

/** What schemes are looked for by; empty or null for whatever. */
export interface Wanted {
  readonly text: string;
  readonly material: string;
  readonly job: string;
  /** Near this colour, "#rrggbb". */
  readonly colour: string | null;
}

export const ANYTHING: Wanted = { text: "", material: "", job: "", colour: null };

/** A scheme and how far its main colour is from the one that is wanted, CIEDE2000; 0 where none is. */
export interface Found {
  readonly scheme: OwnScheme;
  readonly away: number;
}

/** Colours further off than this are not taken for the one that is looked for, CIEDE2000. */
const FAR = 25;

export const materialOf = ({ piece }: OwnScheme): string =>
  piece ? materials[piece.volumes.material].label : "";

/** What a scheme's pattern is called; empty for none. */
export const patternOf = (scheme: OwnScheme): string => familyIn(scheme)?.label ?? "";

/** L*a*b* of the mix most of it is painted with. */
export const mainColour = (scheme: OwnScheme, paints: readonly Paint[]): Triple =>
  spectrumToLab(swatchOfMix(mainMix(scheme, paints) ?? undefined, paints));

const words = (scheme: OwnScheme): string =>
  [scheme.name, scheme.from?.job, scheme.from?.surface, materialOf(scheme), patternOf(scheme), scheme.notes]
    .join(" ")
    .toLowerCase();

/** Schemes that are wanted: newest first, or nearest in colour first where one is asked for. */
export function findSchemes(
  schemes: readonly OwnScheme[],
  { text, material, job, colour }: Wanted,
  paints: readonly Paint[],
): Found[] {
  const asked = text
    .toLowerCase()
    .split(/\s+/)
    .filter((word) => word !== "");
  const goal = colour === null ? null : hexToLab(colour);
  return schemes
    .filter((scheme) => material === "" || materialOf(scheme) === material)
    .filter((scheme) => job === "" || scheme.from?.job === job)
    .filter((scheme) => asked.every((word) => words(scheme).includes(word)))
    .map((scheme) => ({ scheme, away: goal ? ciede2000(goal, mainColour(scheme, paints)) : 0 }))
    .filter(({ away }) => away <= FAR)
    .toSorted((a, b) => a.away - b.away || (b.scheme.keptAt ?? "").localeCompare(a.scheme.keptAt ?? ""));
}
