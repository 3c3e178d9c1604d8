import type { Coat } from "../job";
import type { TechniqueDefinition } from "../techniques/technique";

/** What a painter does without, and which techniques that rules out. A new one is one line here. */
export const DOUBTS = {
  "no-airbrush": { label: "no airbrush", rulesOut: ({ sprayed }: TechniqueDefinition) => sprayed === true },
  "no-blending": {
    label: "no blending wet in wet",
    rulesOut: ({ wetInWet }: TechniqueDefinition) => wetInWet === true,
  },
  "shaky-hand": {
    label: "no fine single marks, my hand is shaky",
    rulesOut: ({ steady }: TechniqueDefinition) => steady === true,
  },
} as const;
export type DoubtId = keyof typeof DOUBTS;
export const DOUBT_IDS = Object.keys(DOUBTS) as DoubtId[];

/** Whether a painter who does without some things does without this technique. */
export const isRuledOut = (technique: TechniqueDefinition, without: readonly DoubtId[]): boolean =>
  without.some((id) => DOUBTS[id].rulesOut(technique));

/** Whether a coat may be laid in another technique: coats of a pattern are in the one their pattern lays them in. */
export const hasRoutes = ({ role, place, mishap }: Pick<Coat, "role" | "place" | "mishap">): boolean =>
  role === null && place.kind !== "pattern" && mishap === undefined;
