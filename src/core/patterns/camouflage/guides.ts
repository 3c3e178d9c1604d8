import { contours } from "d3-contour";
import { gaugePieces, type GaugeArea } from "../../plan/gaugePiece";
import type { FlatPoint } from "../../surface/forms/form";
import { formatNumber } from "../../units";
import type { GuideTable, PatternGuides } from "../family";
import { shownMm, type CamouflageLayout, type LaidPattern } from "./layout";
import type { Panel } from "../panel";

/** Outlines smaller than this across are drawn as they are painted: by eye, mm. */
const LEAST_ACROSS_MM = 0.35;
const OUTSIDE_MM = -1;

/** Rings of what shows of a layer, mm on the flat; pieces between seams apart. */
function outlinesOf(laid: LaidPattern, k: number): FlatPoint[][][] {
  const { panel } = laid;
  const trace = contours().size([panel.width, panel.height]).smooth(true).thresholds([0]);
  const pieces = [...new Set(panel.piece)];
  return pieces.flatMap((piece) => {
    const depths = Array.from(panel.inside, (inside, at) =>
      inside && panel.piece[at] === piece ? shownMm(laid, k, at) : OUTSIDE_MM,
    );
    const [found] = trace(depths);
    return (found?.coordinates ?? []).map((polygon) =>
      polygon.map((ring) => ring.map((point) => onFlat(panel, point))),
    );
  });
}

const onFlat = ({ originX, originY, pitchMm }: Panel, [x, y]: readonly number[]): FlatPoint => [
  // A sample stands in the middle of its square.
  originX + (x! - 0.5) * pitchMm,
  originY + (y! - 0.5) * pitchMm,
];

function middleOf(ring: readonly FlatPoint[]): FlatPoint {
  const sum = ring.reduce<[number, number]>(([x, y], point) => [x + point[0], y + point[1]], [0, 0]);
  return [sum[0] / ring.length, sum[1] / ring.length];
}

const across = (ring: readonly FlatPoint[]): number => {
  const [xs, ys] = [ring.map(([x]) => x), ring.map(([, y]) => y)];
  return Math.max(Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys));
};

/** Every outline with the letter of its colour and its number. */
export function guideAreas(layout: CamouflageLayout): GaugeArea[] {
  const laid = layout.laid();
  return laid.layers.flatMap(({ layer }, k) => {
    // Dots are set freely between the patches: an outline each would be finer than a pencil.
    if (layer.kind === "dot" || layer.kind === "edge") return [];
    return outlinesOf(laid, k)
      .filter((rings) => rings[0] !== undefined && across(rings[0]) >= LEAST_ACROSS_MM)
      .map((rings, number) => ({
        rings,
        label: `${String.fromCharCode(65 + k)}${number + 1}`,
        at: middleOf(rings[0]!),
        group: k,
      }));
  });
}

const percent = (share: number) => `${formatNumber(share * 100, 1)}\u202f%`;

function colourTable(laid: LaidPattern): GuideTable {
  const cellMm2 = laid.panel.cells.length * laid.panel.pitchMm ** 2;
  return {
    title: "By colour",
    name: "Colours of the pattern",
    head: ["Letter", "Colour", "Marks", "Shows on", "One of them"],
    rows: laid.layers.map(({ layer, marks, reached }, k) => [
      String.fromCharCode(65 + k),
      layer.name,
      layer.kind === "edge" ? "lines" : String(marks.length),
      percent(reached),
      marks.length > 0 ? `${formatNumber((reached * cellMm2) / marks.length, 2)}\u202fmm²` : "–",
    ]),
  };
}

/** Placement guide: outlines of the patches by colour at 1 : 1, and how many there are of each. */
export function camouflageGuides(layout: CamouflageLayout): PatternGuides {
  const areas = guideAreas(layout);
  const { form } = layout;
  return {
    note: "Letters are colours in the order they are painted, numbers single marks. Dots and lines along borders are set freely.",
    tables: [colourTable(layout.laid())],
    pieces: gaugePieces(form, "Placement guide", ({ from, to }) => ({
      ticks: [],
      areas: areas.filter(({ at }) => {
        const { turnDeg } = form.place(at);
        return form.round || (turnDeg >= from && turnDeg <= to);
      }),
    })),
  };
}
