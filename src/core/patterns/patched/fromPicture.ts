import type { PlacedColour } from "../../colour/placedColours";
import { hexToLab } from "../../colour/spaces";
import { usualColour, type CoatColour } from "./params";

/** A word for a colour of hair, by lightness, chroma and hue. */
function wordFor(hex: string): string {
  const [l, a, b] = hexToLab(hex);
  const chroma = Math.hypot(a, b);
  if (l < 24) return "Dark";
  if (chroma < 11) return l > 68 ? "Pale" : "Grey";
  if (l > 76) return "Pale";
  const hue = (Math.atan2(b, a) * 180) / Math.PI;
  if (hue < 62) return l < 34 ? "Brown" : "Rust";
  return l < 44 ? "Brown" : "Tan";
}

/** Colours of a picture as those of a coat, with names and ids of their own. */
export function coloursFrom(found: readonly PlacedColour[]): CoatColour[] {
  const names: string[] = [];
  return found.map((one, at) => {
    const word = wordFor(one.colour);
    const before = names.filter((name) => name === word).length;
    names.push(word);
    const name = before === 0 ? word : `${word} ${before + 1}`;
    return usualColour({ ...one, id: `colour${at + 1}`, name });
  });
}
