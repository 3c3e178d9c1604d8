import type { Addition, Paint } from "../../../core/job";
import { counted } from "../../../core/units";

/** "3 drops Straw, 1 drop water". */
export const additionsText = (additions: readonly Addition[], paints: readonly Paint[]): string =>
  additions
    .map(({ paintId, drops }) => {
      const name =
        paintId === null ? "water" : (paints.find((paint) => paint.id === paintId)?.name ?? "missing pot");
      return `${counted(drops, "drop")} ${name}`;
    })
    .join(", ");
