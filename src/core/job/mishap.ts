/** What can go wrong while a coat is painted. */
export const MISHAP_IDS = [
  "pool",
  "overspill",
  "lumps",
  "too-bright",
  "shadows-lost",
  "all-dark",
  "even",
  "wrong-mix",
  "forgotten",
] as const;
export type MishapId = (typeof MISHAP_IDS)[number];
