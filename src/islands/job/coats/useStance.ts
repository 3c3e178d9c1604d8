import { useRef, type KeyboardEvent, type PointerEvent, type WheelEvent } from "react";
import { usualTilt } from "../../../core/piece/stance";
import type { SurfaceForm } from "../../../core/surface/forms/form";
import { clamp } from "../../../core/units";
import { MOST_ZOOM, useView, type Stance } from "../viewStore";

/** Degrees by key and by pixel of a drag; how much nearer a step of a key or of the wheel is. */
const [BY_KEY, BY_PX, NEARER] = [9, 0.5, 1.18] as const;
const MOST_TILT = 85;

const ARROWS: Readonly<Record<string, readonly [aside: number, up: number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};

/** Brings it nearer by so many steps; by what can be seen at least, and the whole at most. */
function bringNearer(steps: number): void {
  const { zoom, set } = useView.getState();
  const next = clamp(zoom * NEARER ** steps, 1, MOST_ZOOM);
  set({ zoom: next < 1.05 ? 1 : next, trueSize: false });
}

/** Where a piece is looked at from, and what turns it: a drag and arrow keys; the wheel, plus and minus bring it nearer. */
export function useStance(surfaceId: string, form: SurfaceForm) {
  const usual: Stance = { surfaceId, turnDeg: 0, tiltDeg: usualTilt(form) };
  const of = (stance: Stance | null) => (stance?.surfaceId === surfaceId ? stance : usual);
  const stance = of(useView((view) => view.stance));
  const grip = useRef<{ readonly x: number; readonly y: number } | null>(null);
  const turn = (aside: number, up: number) => {
    const { stance: now, set } = useView.getState();
    const { turnDeg, tiltDeg } = of(now);
    set({
      stance: {
        surfaceId,
        turnDeg: (turnDeg + aside) % 360,
        tiltDeg: clamp(tiltDeg + up, -MOST_TILT, MOST_TILT),
      },
    });
  };
  const hands = {
    onKeyDown(event: KeyboardEvent) {
      const arrow = ARROWS[event.key];
      if (arrow) turn(arrow[0] * BY_KEY, arrow[1] * BY_KEY);
      else if (event.key === "+" || event.key === "-") bringNearer(event.key === "+" ? 1 : -1);
      else if (event.key === "Home") useView.getState().set({ stance: null });
      else return;
      event.preventDefault();
    },
    onPointerDown(event: PointerEvent) {
      event.currentTarget.setPointerCapture(event.pointerId);
      grip.current = { x: event.clientX, y: event.clientY };
    },
    onPointerMove({ clientX, clientY }: PointerEvent) {
      const held = grip.current;
      if (!held) return;
      grip.current = { x: clientX, y: clientY };
      turn((held.x - clientX) * BY_PX, (clientY - held.y) * BY_PX);
    },
    onPointerUp() {
      grip.current = null;
    },
    onWheel({ deltaY }: WheelEvent) {
      bringNearer(deltaY < 0 ? 1 : -1);
    },
  };
  return { stance, hands };
}
