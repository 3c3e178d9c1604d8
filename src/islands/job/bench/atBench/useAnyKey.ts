import { useEffect, useRef } from "react";

/** Keys that mean something of their own, or nothing by themselves. */
const OWN = new Set([
  "Escape",
  "Tab",
  "Shift",
  "Control",
  "Alt",
  "Meta",
  "CapsLock",
  "ArrowLeft",
  "ArrowUp",
  "ArrowDown",
  "F5",
  "F11",
  "F12",
]);
/** A foot that rests on its switch sends its key again: only the first press in so many milliseconds counts. */
const REST_MS = 700;

/** Whether a key press belongs to what has the focus: a field, a button, a choice. */
const belongsTo = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  target.closest("input, textarea, select, button, [role=button], [role=option], [role=combobox]") !== null;

interface Keys {
  /** Any key at all: a foot switch sends what it likes. */
  readonly onAny: () => void;
  readonly onBack: () => void;
}

/** Any key goes on; the left arrow goes back. */
export function useAnyKey({ onAny, onBack }: Keys, on: boolean): void {
  const last = useRef(-Infinity);
  useEffect(() => {
    if (!on) return;
    const press = (event: KeyboardEvent) => {
      if (event.repeat || event.ctrlKey || event.metaKey || event.altKey || belongsTo(event.target)) return;
      if (event.key === "ArrowLeft") onBack();
      if (OWN.has(event.key)) return;
      event.preventDefault();
      if (event.timeStamp - last.current < REST_MS) return;
      last.current = event.timeStamp;
      onAny();
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  }, [onAny, onBack, on]);
}
