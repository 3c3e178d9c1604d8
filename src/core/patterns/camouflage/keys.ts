import { BASE } from "./params";

/** Keys by which coats name places of the pattern. */
export const layerKey = (id: string): string => `layer:${id}`;
/** Key of the lights inside one colour, by layer id or "base". */
export const lightsKey = (id: string): string => `lights:${id}`;
export const SEAM_LINES = "seams";

/** What a key names; null where it is none of this pattern. */
export function placeOfKey(
  key: string,
): { readonly kind: "layer" | "lights"; readonly id: string } | { readonly kind: "seams" } | null {
  if (key === SEAM_LINES) return { kind: "seams" };
  const [kind, id = "", more] = key.split(":");
  if (more !== undefined || !/^[a-z][a-z0-9]{0,11}$/.test(id)) return null;
  if (kind === "layer" && id !== BASE) return { kind, id };
  return kind === "lights" ? { kind, id } : null;
}
