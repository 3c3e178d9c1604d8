import { useDeferredValue, type ReactNode } from "react";

/** Draws what is in it after what is around it: a page of many parts comes in several short tasks, not in one long one. */
export function Later({ children }: { readonly children: ReactNode }) {
  const due = useDeferredValue(true, false);
  return due ? children : null;
}
