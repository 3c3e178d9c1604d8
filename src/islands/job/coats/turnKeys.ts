import type { KeyboardEvent } from "react";

/** What keys do to a piece in space: steps to the right and upwards, and nearer. */
export interface Turns {
  readonly turn: (aside: number, up: number) => void;
  readonly nearer: (steps: number) => void;
}

const ARROWS: Readonly<Record<string, readonly [aside: number, up: number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};

/** Arrow keys turn the piece, plus and minus bring it nearer. */
export function turnKeys(event: KeyboardEvent, { turn, nearer }: Turns): void {
  const arrow = ARROWS[event.key];
  if (arrow) {
    event.preventDefault();
    turn(...arrow);
  }
  if (event.key === "+" || event.key === "-") nearer(event.key === "+" ? 1 : -1);
}
