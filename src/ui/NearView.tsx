import { Box, type BoxProps } from "@mui/material";
import { startTransition, useEffect, useRef, useState, type ReactNode } from "react";

/** Drawn this far ahead of what can be seen. */
const AHEAD = "700px 0px";

/** The box that scrolls an element; null for the page itself. */
function scrollBoxOf(element: HTMLElement): HTMLElement | null {
  for (let box = element.parentElement; box; box = box.parentElement)
    if (/auto|scroll/.test(getComputedStyle(box).overflowY)) return box;
  return null;
}

/**
 * One entry of a long list: drawn while it is near what can be seen, else a stand-in of the same height, so that a list
 * of hundreds opens and is edited as quickly as one of ten. What has the focus stays.
 */
export function NearView({
  atOnce,
  height,
  standIn,
  children,
  ...box
}: {
  /** Drawn with the list itself, not when it is found to be near. */
  readonly atOnce: boolean;
  /** Of the stand-in until the entry was drawn once, px. */
  readonly height: number;
  readonly standIn: ReactNode;
  readonly children: ReactNode;
} & Omit<BoxProps, "height">) {
  const own = useRef<HTMLElement>(null);
  const [near, setNear] = useState(atOnce);
  const [held, setHeld] = useState(height);
  useEffect(() => {
    const element = own.current;
    if (!element) return;
    const told = (entries: readonly IntersectionObserverEntry[]) => {
      const seen = entries.at(-1)?.isIntersecting ?? false;
      if (!seen && element.contains(document.activeElement)) return;
      if (!seen) setHeld(element.offsetHeight);
      startTransition(() => setNear(seen));
    };
    let observer: IntersectionObserver | null = null;
    // Styles are worked out in the frame anyway; asked for right after the drawing, they would be part of that task.
    const frame = requestAnimationFrame(() => {
      observer = new IntersectionObserver(told, { root: scrollBoxOf(element), rootMargin: AHEAD });
      observer.observe(element);
    });
    return () => {
      cancelAnimationFrame(frame);
      observer?.disconnect();
    };
  }, []);
  return (
    <Box {...box} ref={own} sx={{ flexShrink: 0, ...(near ? {} : { minHeight: held }) }}>
      {near ? children : standIn}
    </Box>
  );
}
