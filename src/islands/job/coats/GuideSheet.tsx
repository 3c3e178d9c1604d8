import { Box } from "@mui/material";
import type { GaugeArea, GaugePiece } from "../../../core/plan/gaugePiece";

const path = (points: readonly (readonly [number, number])[]) =>
  `${points.map(([x, y], at) => `${at === 0 ? "M" : "L"}${x.toFixed(2)} ${y.toFixed(2)}`).join(" ")} Z`;

/** As in print: outlines of different colours are told apart by their line. */
const DASHES = [undefined, "0.8 0.4", "0.25 0.35", "1.2 0.3 0.2 0.3"] as const;

function Area({ area }: { readonly area: GaugeArea }) {
  return (
    <>
      <path d={area.rings.map(path).join(" ")} strokeDasharray={DASHES[area.group % DASHES.length]} />
      <text
        x={area.at[0]}
        y={area.at[1] + 0.4}
        fontSize={1.3}
        textAnchor="middle"
        fill="currentColor"
        stroke="none"
      >
        {area.label}
      </text>
    </>
  );
}

/** A piece of the guides as it will be printed, larger. */
export function GuideSheet({ piece }: { readonly piece: GaugePiece }) {
  const edge = 1;
  return (
    <Box
      component="svg"
      role="img"
      aria-label={`${piece.title}, ${piece.areas.length + piece.ticks.length} outlines and marks`}
      viewBox={`${-edge} ${-edge} ${piece.widthMm + 2 * edge} ${piece.heightMm + 2 * edge}`}
      sx={{
        width: "100%",
        maxWidth: 620,
        color: "text.primary",
        fill: "none",
        stroke: "currentColor",
        strokeWidth: 0.1,
      }}
    >
      <path d={path(piece.outline)} strokeWidth={0.18} />
      {piece.ticks.map(({ from, to, kind }, at) => (
        <path
          key={at}
          d={`M${from[0]} ${from[1]} L${to[0]} ${to[1]}`}
          strokeDasharray={kind === "line" ? "0.5 0.3" : undefined}
        />
      ))}
      {piece.areas.map((area) => (
        <Area key={`${area.group}/${area.label}`} area={area} />
      ))}
    </Box>
  );
}
