import { createContext, useContext } from "react";
import type { PlannedFilm } from "../../../core/learning/pots/readFilm";
import type { Expected } from "../../../worker/questions/expected";

/** Colours of cards once they are dry, for whatever stands in the log; empty until they are worked out. */
export const ExpectedColours = createContext<Expected>({});

/** A card's coat as planned, with its ground; undefined until it is worked out, or where it is not in the plan any more. */
export const useExpected = (cardId: string): PlannedFilm | undefined => useContext(ExpectedColours)[cardId];
