import type { Window } from "./task";

/** Further sittings beyond those that were given are as long as the last, and come as often as that one after the one before. */
const DAY = 24 * 60;

/** Times in which the hand is free, one after the other, as many as are asked for. */
export interface Calendar {
  at(window: number): Window;
  /** The longest of them, minutes. */
  readonly longest: number;
  /** How many were given; others are supposed. */
  readonly given: number;
}

/** One sitting without an end. */
export const ENDLESS: Calendar = {
  at: () => ({ start: 0, end: Infinity }),
  longest: Infinity,
  given: 0,
};

/**
 * Sittings as they were given, and further ones like the last where they do not do.
 * @param windows in order, none over another; none for one without an end
 */
export function calendarOf(windows: readonly Window[]): Calendar {
  const last = windows.at(-1);
  if (!last) return ENDLESS;
  const previous = windows.at(-2);
  const every = previous ? Math.max(last.end - last.start, last.start - previous.start) : DAY;
  const longest = Math.max(...windows.map(({ start, end }) => end - start));
  // Where later ones are shorter, what is split for the longest would never fit them.
  const length = longest;
  return {
    longest,
    given: windows.length,
    at: (number) => {
      const known = windows[number];
      if (known) return known;
      const later = number - windows.length + 1;
      const start = last.start + later * every;
      return { start, end: start + Math.min(length, every) };
    },
  };
}
