/** Keys by which coats name places of the pattern. */
export const blockKey = (id: string): string => `block:${id}`;
/** Key of the hairs of one colour in one of its tones, from 0, the dark one. */
export const hairsKey = (id: string, tone: number): string => `hairs:${id}:${tone}`;
export const SHEEN = "sheen";

/** A place of a patched coat. */
export type PatchedPlace =
  | { readonly kind: "block"; readonly id: string }
  | { readonly kind: "hairs"; readonly id: string; readonly tone: number }
  | { readonly kind: "sheen" };

/** What a key names; null where it is none of this pattern. */
export function placeOfKey(key: string): PatchedPlace | null {
  if (key === SHEEN) return { kind: "sheen" };
  const found = /^(block|hairs):([a-z][a-z0-9]{0,11})(?::([0-9]))?$/.exec(key);
  if (!found) return null;
  const [, kind, id, tone] = found as unknown as [string, string, string, string | undefined];
  if (kind === "block") return tone === undefined ? { kind, id } : null;
  return tone === undefined ? null : { kind: "hairs", id, tone: Number(tone) };
}
