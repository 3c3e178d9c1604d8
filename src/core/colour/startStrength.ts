import type { Paint } from "../job";
import { masstone, type Optics } from "./film";
import { mixOptics } from "./mix";
import { opticsOf, type Hiding } from "./paint";
import { hexToLab, labToHex, spectrumToLab } from "./spaces";

/** Least and most a pot's tinting strength can be set to. */
export const STRENGTHS: readonly [least: number, most: number] = [0.2, 20];

/** The ordinary white and black that start values are found against. */
const WHITE = opticsOf({ thick: "#f2f2ee", overWhite: null, hiding: "opaque" });
const BLACK = opticsOf({ thick: "#141414", overWhite: null, hiding: "opaque" });

/**
 * Where a mixture of equal parts lies between the lightness of its dark and its light pot: blacks and dark colours tint
 * more strongly than whites, so that it lies below the middle. Equal parts of artists' black and titanium white read at
 * Munsell value 4 to 4½ on makers' mixing charts, L* 41 to 46.
 */
const TINT_LIES_AT = 0.42;
/** Above this lightness a pot is one that others tint, below it one that tints. */
const LIGHT = 50;

/** L* of equal parts of two pots, thick. */
function tintOf(own: Optics, strength: number, other: Optics, otherStrength: number): number {
  const mixed = mixOptics([
    { optics: own, parts: 1, strength },
    { optics: other, parts: 1, strength: otherStrength },
  ]);
  return spectrumToLab(masstone(mixed))[0];
}

/** Strength at which equal parts with another pot have a lightness, to a twentieth. */
function strengthFor(own: Optics, goal: number, other: Optics, otherStrength: number): number {
  const [least, most] = STRENGTHS;
  let [low, high] = [least, most];
  const darkens = tintOf(own, most, other, otherStrength) < tintOf(own, least, other, otherStrength);
  for (let turn = 0; turn < 30; turn++) {
    const middle = Math.sqrt(low * high);
    const tooWeak = tintOf(own, middle, other, otherStrength) > goal === darkens;
    if (tooWeak) low = middle;
    else high = middle;
  }
  return Math.round(Math.sqrt(low * high) * 20) / 20;
}

const lightnessOf = (optics: Optics): number => spectrumToLab(masstone(optics))[0];
const BLACK_STRENGTH = strengthFor(
  BLACK,
  lightnessOf(BLACK) + TINT_LIES_AT * (lightnessOf(WHITE) - lightnessOf(BLACK)),
  WHITE,
  1,
);

/** Kinds whose pots have no pigment to tint with, or flakes that do not tint as pigment does. */
const NO_TINT: readonly Paint["kind"][] = ["medium", "varnish", "metal"];

/** Strength of a grey pot of a lightness. */
function strengthOfGrey(lightness: number, hiding: Hiding): number {
  const own = opticsOf({ thick: labToHex([lightness, 0, 0]), overWhite: null, hiding });
  const [other, strength] = lightness > LIGHT ? [BLACK, BLACK_STRENGTH] : ([WHITE, 1] as const);
  const [dark, light] = [lightness, lightnessOf(other)].sort((a, b) => a - b) as [number, number];
  return strengthFor(own, dark + TINT_LIES_AT * (light - dark), other, strength);
}

/** Lightnesses at which strengths are worked out; between them they are interpolated. */
const LEVEL = 2.5;
const tables = new Map<Hiding, Float64Array>();

function tableOf(hiding: Hiding): Float64Array {
  const known = tables.get(hiding);
  if (known) return known;
  const made = Float64Array.from({ length: 100 / LEVEL + 1 }, (_, at) => strengthOfGrey(at * LEVEL, hiding));
  tables.set(hiding, made);
  return made;
}

/**
 * Tinting strength a new pot starts with, by its kind, hiding and darkness: the one at which equal parts of a grey of its
 * lightness and an ordinary white (of a light pot: an ordinary black) lie where mixing charts have them. One reading of a
 * tint corrects it.
 */
export function startStrength({ kind, thick, hiding }: Pick<Paint, "kind" | "thick" | "hiding">): number {
  if (NO_TINT.includes(kind)) return 1;
  const table = tableOf(hiding);
  const at = hexToLab(thick)[0] / LEVEL;
  const low = Math.min(table.length - 2, Math.max(0, Math.floor(at)));
  const strength = table[low]! + (table[low + 1]! - table[low]!) * Math.min(1, at - low);
  return Math.round(strength * 20) / 20;
}
