import { completeParams } from "../../params";
import { forms, type FormId } from ".";
import type { SurfaceForm } from "./form";

/** A form of usual sizes but for those given. */
export const build = (id: FormId, sizes: Readonly<Record<string, number>>): SurfaceForm =>
  forms[id].build(completeParams(forms[id].params, sizes), 3);

/** Heights along a way, mm: from one place to another in even steps. */
export function along(
  form: SurfaceForm,
  from: readonly [number, number],
  to: readonly [number, number],
  steps = 4000,
) {
  return Float64Array.from({ length: steps + 1 }, (_, at) =>
    form.relief({
      turnDeg: from[0] + ((to[0] - from[0]) * at) / steps,
      heightMm: from[1] + ((to[1] - from[1]) * at) / steps,
    }),
  );
}

/** Tops that stand out by so much above both neighbouring valleys: places of them, 0…1 along the way. */
export function peaks(heights: Float64Array, least: number): number[] {
  const found: number[] = [];
  let [low, high, highAt, rising] = [heights[0]!, heights[0]!, 0, true];
  heights.forEach((height, at) => {
    if (rising) {
      if (height > high) [high, highAt] = [height, at];
      if (height < high - least) {
        if (high - low > least) found.push(highAt / (heights.length - 1));
        [rising, low] = [false, height];
      }
    } else {
      if (height < low) low = height;
      if (height > low + least) [rising, high, highAt] = [true, height, at];
    }
  });
  return found;
}
