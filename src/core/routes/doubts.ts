import type { Coat } from "../job";
import type { TechniqueDefinition } from "../techniques/technique";
import type { DoubtId } from "./doubtIds";

/** What a painter does without, and which techniques that rules out. A new one is one line here and one among the names. */
export const DOUBTS: Readonly<
  Record<DoubtId, { readonly label: string; readonly rulesOut: (technique: TechniqueDefinition) => boolean }>
> = {
  "no-airbrush": { label: "no airbrush", rulesOut: ({ sprayed }) => sprayed === true },
  "no-blending": {
    label: "no blending wet in wet",
    rulesOut: ({ wetInWet }) => wetInWet === true,
  },
  "shaky-hand": {
    label: "no fine single marks, my hand is shaky",
    rulesOut: ({ steady }) => steady === true,
  },
};

/** Whether a painter who does without some things does without this technique. */
export const isRuledOut = (technique: TechniqueDefinition, without: readonly DoubtId[]): boolean =>
  without.some((id) => DOUBTS[id].rulesOut(technique));

/** Whether a coat may be laid in another technique: coats of a pattern are in the one their pattern lays them in. */
export const hasRoutes = ({ role, place, mishap }: Pick<Coat, "role" | "place" | "mishap">): boolean =>
  role === null && place.kind !== "pattern" && mishap === undefined;
