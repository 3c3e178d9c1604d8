import { activeCoats, type Surface } from "../job";
import { completeParams } from "../params";
import { lettering } from "../techniques/stencil/signs";
import { stencil } from "../techniques/stencil/stencil";
import type { FlatPoint } from "../surface/forms/form";
import { withUnit } from "../units";
import type { GaugePiece, GaugeTick } from "./gaugePiece";

/** Film is left round the signs of a mask, mm, to hold it by. */
const MARGIN_MM = 5;

/** Cuts of a bridge: two lines from top to bottom, between which the film stays. */
function bridgeTicks(x: number, half: number, top: number, bottom: number): GaugeTick[] {
  const common = { axis: "column", kind: "line", label: "bridge", name: "" } as const;
  return [-half, half].map((aside) => ({ ...common, from: [x + aside, top], to: [x + aside, bottom] }));
}

/** Masks of a surface's stencils at 1 : 1, to be traced on film; null where it has none. */
export function stencilPlan(
  surface: Surface,
): { readonly title: string; readonly use: string; readonly pieces: readonly GaugePiece[] } | null {
  const pieces = activeCoats(surface).flatMap((coat): GaugePiece[] => {
    if (coat.technique.id !== "stencil") return [];
    const params = completeParams(stencil.params, coat.technique.params);
    const { rings, halfWide, islands } = lettering([params.first, params.second, params.third]);
    const mm = params.height / 100;
    const [wide, high] = [2 * halfWide * mm + 2 * MARGIN_MM, params.height + 2 * MARGIN_MM];
    const at = (x: number, y: number): FlatPoint => [wide / 2 + x * mm, high / 2 - y * mm];
    const points = (ring: readonly number[]) =>
      ring.flatMap((x, index) => (index % 2 === 0 ? [at(x, ring[index + 1]!)] : []));
    return [
      {
        title: `${coat.name}, ${withUnit(params.height, 1, "mm")} high`,
        outline: [
          [0, 0],
          [wide, 0],
          [wide, high],
          [0, high],
        ],
        ticks: islands.flatMap((x) =>
          bridgeTicks(at(x, 0)[0], (params.bridge / 2) * mm, MARGIN_MM - 1, high - MARGIN_MM + 1),
        ),
        areas: rings.length > 0 ? [{ rings: rings.map(points), label: "", at: at(0, 0), group: 0 }] : [],
        ...{ widthMm: wide, heightMm: high },
      },
    ];
  });
  if (pieces.length === 0) return null;
  return {
    title: "Masks.",
    use: "Trace the signs on film or tape and cut them out; leave film between the broken lines of a bridge, or what it holds falls out.",
    pieces,
  };
}
