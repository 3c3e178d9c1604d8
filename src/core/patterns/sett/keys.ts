/** A place of the cloth, by stripe codes. */
export type SettPlace =
  | { readonly kind: "guides" }
  /** Boxes where these two threads cross; equal codes are the solid boxes. */
  | { readonly kind: "boxes"; readonly column: string; readonly row: string }
  | { readonly kind: "bands"; readonly along: "columns" | "rows"; readonly code: string }
  | { readonly kind: "lines"; readonly along: "columns" | "rows" | "both"; readonly code: string }
  | { readonly kind: "dots"; readonly code: string };

const CODE = /^[A-Z]{1,3}$/;

/** The key by which a coat names a place. */
export function keyOf(place: SettPlace): string {
  switch (place.kind) {
    case "guides":
      return "guides";
    case "boxes":
      return `boxes:${place.column}:${place.row}`;
    case "bands":
      return `${place.along}:${place.code}`;
    case "lines":
      return place.along === "both" ? `lines:${place.code}` : `lines:${place.code}:${place.along}`;
    case "dots":
      return `dots:${place.code}`;
  }
}

/** The place a key names; null for one that is no key of a cloth. */
export function placeOfKey(key: string): SettPlace | null {
  const [kind, code = "", more = ""] = key.split(":");
  if (kind === "guides") return { kind };
  if (!CODE.test(code)) return null;
  switch (kind) {
    case "boxes":
      return CODE.test(more) ? { kind, column: code, row: more } : null;
    case "columns":
    case "rows":
      return { kind: "bands", along: kind, code };
    case "lines":
      return { kind, code, along: more === "columns" || more === "rows" ? more : "both" };
    case "dots":
      return { kind, code };
    default:
      return null;
  }
}

/** Tone of a box: the code of its column and of its row. */
export const toneKey = (column: string, row: string): string => `${column}+${row}`;
