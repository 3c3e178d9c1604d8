/** Kinds of places a coat can be kept to. */
export const ZONES = [
  "raised",
  "level",
  "hollow",
  "lit",
  "shaded",
  "sheltered",
  "worn",
  "unworn",
  "edges",
  "upper-edges",
  "hem",
  "top",
  "seams",
  "back",
  "crest",
  "front",
  "flank",
  "belly",
  "off-belly",
  "tips",
] as const;
export type Zone = (typeof ZONES)[number];
