import { useLayoutEffect, useState } from "react";

/** Size of the free room, in screen pixels, and the ref of the element that is measured. */
export function useRoom() {
  const [room, setRoom] = useState<HTMLDivElement | null>(null);
  const [size, setSize] = useState({ width: 0, height: 0 });
  useLayoutEffect(() => {
    if (!room) return;
    const observer = new ResizeObserver(([entry]) => {
      if (entry) setSize({ width: entry.contentRect.width, height: entry.contentRect.height });
    });
    observer.observe(room);
    return () => observer.disconnect();
  }, [room]);
  return { setRoom, size };
}
