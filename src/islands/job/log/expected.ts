import { createContext, useContext } from "react";
import type { Triple } from "../../../core/colour/spaces";
import type { Expected } from "../../../worker/questions/expected";

/** Colours of cards once they are dry, for whatever stands in the log; empty until they are worked out. */
export const ExpectedColours = createContext<Expected>({});

/** L*a*b* of a card's coat as planned; undefined until it is worked out, or where it is not in the plan any more. */
export const useExpected = (cardId: string): Triple | undefined => useContext(ExpectedColours)[cardId];
