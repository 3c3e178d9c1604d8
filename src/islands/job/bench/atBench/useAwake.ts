import { useEffect, useState } from "react";

/** Keeps the screen on while a view is open, where the browser can. @returns whether it is kept on */
export function useAwake(): boolean {
  const [kept, setKept] = useState(false);
  useEffect(() => {
    let lock: WakeLockSentinel | null = null;
    let left = false;
    const ask = async () => {
      if (document.visibilityState !== "visible" || !("wakeLock" in navigator)) return;
      try {
        const got = await navigator.wakeLock.request("screen");
        if (left) {
          void got.release();
          return;
        }
        lock = got;
        setKept(true);
        got.addEventListener("release", () => setKept(false));
      } catch {
        // Low battery or not allowed: the screen goes dark as it usually does.
      }
    };
    void ask();
    // The lock goes when the page is hidden; it is asked for again when it is back.
    const back = () => void ask();
    document.addEventListener("visibilitychange", back);
    return () => {
      left = true;
      document.removeEventListener("visibilitychange", back);
      void lock?.release();
    };
  }, []);
  return kept;
}
