import type { Coat, Surface } from "../job";
import { completeParams } from "../params";
import { techniques } from "../techniques";
import { formatNumber, formatThinning } from "../units";
import type { Check } from "./check";
import { coatChange, type Remedy } from "./finding";
import { isToShade } from "../techniques/toShade";

/** A wash takes this much light (L*) from the whole of its place at most before it looks like a coat of its own. */
const MOST_DROP = 10;
const WATERS = [2, 3, 4, 5, 6, 8, 10, 14, 20] as const;

/** Thinner paint, or less of it: each is tried before it is offered. */
function remediesFor(surface: Surface, coat: Coat): Remedy[] {
  const thinner = WATERS.filter((water) => water > coat.water).map((water) => ({
    label: `Thin it ${formatThinning(water)}`,
    ladder: "water",
    changes: [coatChange(surface.id, coat.id, "water", water)],
  }));
  const { id, params } = coat.technique;
  if (id !== "wash") return thinner;
  const wet = completeParams(techniques.wash.params, params).wet!;
  const less = Math.max(10, Math.round(wet / 10) * 5);
  const path = ["surfaces", surface.id, "coats", coat.id, "technique", "params", "wet"];
  return [...thinner, { label: `Lay on ${less} µm`, changes: [{ path, value: less }] }];
}

/** Do washes and glazes leave the colour they lie on its light? */
export const washTooDark: Check = {
  id: "wash-too-dark",
  label: "Washes leave the light",
  run: ({ surface, sampled }) =>
    sampled().coats.flatMap(({ coat, before, after }) => {
      const drop = before[0] - after[0];
      if (!isToShade(coat) || drop < MOST_DROP) return [];
      return [
        {
          key: coat.id,
          gravity: "look" as const,
          coatId: coat.id,
          where: `${surface.name}, ${coat.name}`,
          sentence: `${coat.name} darkens its whole place from L* ${formatNumber(before[0], 0)} to ${formatNumber(after[0], 0)}.`,
          reason: `From ${MOST_DROP} L* on a wash no longer shades the hollows but paints everything over.`,
          remedies: remediesFor(surface, coat),
        },
      ];
    }),
};
