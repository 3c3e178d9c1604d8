import { nameAt, type GaugeArea, type GaugePiece, type GaugeTick } from "../../plan/gaugePiece";

const mm = (value: number) => value.toFixed(3);
const MARGIN = 10;
const RULER_MM = 50;

/** Name beside a tick's inner end; nothing for a tick without one. */
function tickName(tick: GaugeTick): string {
  if (tick.name === "") return "";
  const [x, y] = nameAt(tick);
  return `<text x="${mm(x)}" y="${mm(y + 0.35)}" font-size="1" text-anchor="middle" font-family="sans-serif">${escaped(tick.name)}</text>`;
}

const tickLine = ({ from, to, kind, label }: GaugeTick) =>
  `<line x1="${mm(from[0])}" y1="${mm(from[1])}" x2="${mm(to[0])}" y2="${mm(to[1])}" stroke="#000" stroke-width="0.1"` +
  `${kind === "line" ? ' stroke-dasharray="0.5 0.3"' : ""}><title>${label}</title></line>`;

/** Outlines of different colours are told apart by their line, as in print. */
const GROUP_DASHES = ["", "0.8 0.4", "0.25 0.35", "1.2 0.3 0.2 0.3"] as const;

const escaped = (text: string) => text.replaceAll("&", "&amp;").replaceAll("<", "&lt;");

function areaPath({ rings, label, at, group }: GaugeArea): string {
  const d = rings
    .map((ring) => `${ring.map(([x, y], k) => `${k === 0 ? "M" : "L"}${mm(x)} ${mm(y)}`).join(" ")} Z`)
    .join(" ");
  const dash = GROUP_DASHES[group % GROUP_DASHES.length]!;
  return (
    `<g class="area"><path d="${d}" fill="none" stroke="#000" stroke-width="0.1"${dash === "" ? "" : ` stroke-dasharray="${dash}"`}/>` +
    `<text x="${mm(at[0])}" y="${mm(at[1])}" font-size="1.4" text-anchor="middle" font-family="sans-serif">${escaped(label)}</text></g>`
  );
}

function pieceGroup(piece: GaugePiece, x: number, y: number): string {
  const path = piece.outline.map(([px, py], at) => `${at === 0 ? "M" : "L"}${mm(px)} ${mm(py)}`).join(" ");
  return (
    `<g transform="translate(${mm(x)} ${mm(y)})"><title>${piece.title}</title>` +
    `<path d="${path} Z" fill="none" stroke="#000" stroke-width="0.15"/>${piece.ticks.map(tickLine).join("")}${piece.ticks.map(tickName).join("")}${piece.areas.map(areaPath).join("")}</g>`
  );
}

/** A 50 mm test ruler with a tick every 10 mm. */
function ruler(x: number, y: number): string {
  const ticks = Array.from({ length: 6 }, (_, at) => `M${mm(x + at * 10)} ${mm(y)} v-3`).join(" ");
  return (
    `<path id="test-ruler" d="M${mm(x)} ${mm(y)} h${RULER_MM} ${ticks}" fill="none" stroke="#000" stroke-width="0.15"/>` +
    `<text x="${mm(x + RULER_MM + 2)}" y="${mm(y)}" font-size="3" font-family="sans-serif">50 mm: measure before you cut</text>`
  );
}

/** Gauge strips as SVG in millimetres: one user unit is 1 mm. */
export function writeGaugeSvg(pieces: readonly GaugePiece[], title: string): string {
  const width = Math.max(120, ...pieces.map((piece) => piece.widthMm)) + 2 * MARGIN;
  let y = MARGIN;
  const groups = pieces.map((piece) => {
    const group = pieceGroup(piece, MARGIN, y);
    y += piece.heightMm + 8;
    return group;
  });
  const height = y + 12;
  const safe = escaped(title);
  return (
    `<?xml version="1.0" encoding="UTF-8"?>\n` +
    `<svg xmlns="http://www.w3.org/2000/svg" width="${mm(width)}mm" height="${mm(height)}mm" viewBox="0 0 ${mm(width)} ${mm(height)}">` +
    `<title>${safe}</title>${groups.join("")}${ruler(MARGIN, height - 6)}</svg>\n`
  );
}
