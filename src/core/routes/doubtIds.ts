/** What a painter may do without, by name; what each rules out stands in `doubts.ts`. */
export const DOUBT_IDS = ["no-airbrush", "no-blending", "shaky-hand"] as const;
export type DoubtId = (typeof DOUBT_IDS)[number];
