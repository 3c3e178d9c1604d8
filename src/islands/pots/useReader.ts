import { useRef, useState } from "react";
import { paintOptics } from "../../core/colour/appearance";
import type { Triple } from "../../core/colour/spaces";
import type { Paint } from "../../core/job";
import { createRandom } from "../../core/random";
import type { ColourReader, Spot } from "../../core/reader/colourReader";
import { simulatedReader } from "../../core/reader/simulatedReader";
import { messageOf } from "../../ui/api";

/** How long the device takes, ms: long enough to be seen working. */
const TAKES_MS = 450;
const wait = () => new Promise((resolve) => setTimeout(resolve, TAKES_MS));

/** A colour reader at work. @param make the device, made once it is wanted */
export function useDevice<S>(make: () => ColourReader<S>) {
  const reader = useRef<ColourReader<S> | null>(null);
  const [busy, setBusy] = useState(false);
  const [left, setLeft] = useState(0);
  const [problem, setProblem] = useState<string | null>(null);
  const device = () => (reader.current ??= make());
  const run = async <T>(work: () => Promise<T>): Promise<T | null> => {
    setBusy(true);
    setProblem(null);
    try {
      await wait();
      return await work();
    } catch (error) {
      setProblem(messageOf(error));
      return null;
    } finally {
      setLeft(device().readingsLeft);
      setBusy(false);
    }
  };
  return {
    busy,
    left,
    problem,
    calibrate: () => run(() => device().calibrate()),
    read: (spot: S): Promise<Triple | null> => run(() => device().read(spot)),
  };
}

/** A colour reader for one pot; the simulated one, as no real one can be reached from here. */
export const useReader = (paint: Paint, white: Paint | null) =>
  useDevice<Spot>(() =>
    simulatedReader(
      paint,
      white ? { optics: paintOptics(white), strength: white.strength } : null,
      createRandom(Date.now()),
    ),
  );
