import type { Told } from "../ageing/told";
import { inZones, type Span, type ZonePlace } from "../job";
import type { Triple } from "../colour/spaces";
import { clamp } from "../units";
import type { SchemeCoat, SchemeRoom } from "./scheme";

/** Coats of a told history are known by this, behind the surface's own id. */
export const TOLD = "told-";

/** What a history is told of, and the piece it is painted on. */
export interface HistoryRoom extends Pick<SchemeRoom, "finestMm" | "scale" | "narrow"> {
  readonly told: Told;
  /** Whether a pot of powder is owned for the dust. */
  readonly hasPowder: boolean;
  /** Share of the piece that is iron fixed to it, as nails, rivets and hoops are, 0…1. */
  readonly fittings: number;
  /** L* of the piece before anything happened to it. */
  readonly ownL: number;
}

/** A tone of a history: as it is to be seen, L*, C* and hue in degrees; or steps from the surface's own colour. */
export type HistoryTone =
  | { readonly kind: "own"; readonly name: string; readonly lighter: number; readonly chroma: number }
  /** As it is to be seen; a metal is taken from a pot of metal where one comes near. */
  | { readonly kind: "as"; readonly name: string; readonly lch: Triple; readonly metal?: true }
  | { readonly kind: "dust"; readonly name: string; readonly lighter: number };

/** Tones of histories: what lies bare, rust in three stages, dirt, moss and the ground. */
export const HISTORY_TONES = {
  scratch: { kind: "own", name: "scratches", lighter: 20, chroma: 0.8 },
  rim: { kind: "own", name: "rims of chips", lighter: 19, chroma: 0.75 },
  iron: { kind: "as", name: "dark iron", lch: [15, 7, 50] },
  metal: { kind: "as", name: "bare metal", lch: [62, 4, 90], metal: true },
  bright: { kind: "as", name: "metal, brightest", lch: [82, 3, 95], metal: true },
  "dark-fitting": { kind: "as", name: "iron fittings, dark", lch: [17, 4, 280] },
  "pale-fitting": { kind: "as", name: "iron fittings, bright", lch: [60, 4, 265], metal: true },
  "iron-stain": { kind: "as", name: "iron in the wood", lch: [19, 5, 290] },
  "dent-dark": { kind: "own", name: "dents, dark", lighter: -17, chroma: 1 },
  "dent-light": { kind: "own", name: "dents, light", lighter: 15, chroma: 0.9 },
  wood: { kind: "as", name: "bare wood", lch: [60, 20, 74] },
  "dark-rust": { kind: "as", name: "rust, dark", lch: [21, 20, 45] },
  rust: { kind: "as", name: "rust", lch: [34, 36, 52] },
  "bright-rust": { kind: "as", name: "rust, bright", lch: [55, 54, 62] },
  dirt: { kind: "as", name: "dirt", lch: [13, 8, 65] },
  moss: { kind: "as", name: "moss", lch: [38, 27, 112] },
  "pale-moss": { kind: "as", name: "moss, pale", lch: [58, 32, 106] },
  mud: { kind: "dust", name: "mud", lighter: -16 },
  dust: { kind: "dust", name: "dust of the ground", lighter: 0 },
} as const satisfies Readonly<Record<string, HistoryTone>>;
export type HistoryToneId = keyof typeof HISTORY_TONES;

/** A coat of a history. */
export type HistoryCoat = SchemeCoat<HistoryToneId>;

/** A number of a coat, held within what its technique allows, in tenths. */
export const percent = (value: number, least: number, most: number): number =>
  Math.round(10 * clamp(value, least, most)) / 10;
/** The same in halves. */
export const halves = (value: number, least: number, most: number): number =>
  Math.round(2 * clamp(value, least, most)) / 2;

/** Everywhere, and so much more within some reach of an earlier coat of the history. */
export const about = (key: string, reachMm: number, fade: number): ZonePlace =>
  inZones([], fade, { near: { coatId: `${TOLD}${key}`, side: "border", reachMm } });

/** From the foot up to a share of the height, fading over so many mm, and quicker above than below. */
export function low(to: number, fadesMm: number, { scale }: HistoryRoom): ZonePlace {
  const span: Span = { along: "height", from: 0, to, softMm: Math.round(10 * fadesMm * scale) / 10 };
  return inZones([], 0, { span, fall: 1.8 });
}

/** A coat of a history by its key there. */
export const coat = (
  key: string,
  of: Omit<HistoryCoat, "key" | "marksOf"> & { readonly marksOf?: string },
): HistoryCoat => ({
  ...of,
  key: `${TOLD}${key}`,
  ...(of.marksOf !== undefined && { marksOf: `${TOLD}${of.marksOf}` }),
});
