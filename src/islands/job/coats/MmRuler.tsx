import { useTheme } from "@mui/material";
import { memo } from "react";

interface Props {
  readonly along: "x" | "y";
  /** Where 0 mm lies, screen pixels. */
  readonly startPx: number;
  readonly lengthPx: number;
  /** Screen pixels per millimetre. */
  readonly scale: number;
  readonly thickness: number;
}

/** Distance between labels, mm, so that they stay some 50 pixels apart. */
const labelStep = (scale: number) => [1, 2, 5, 10, 20, 50].find((step) => step * scale >= 46) ?? 100;

/** A millimetre scale along one edge of the specimen. */
export const MmRuler = memo(function MmRuler({ along, startPx, lengthPx, scale, thickness }: Props) {
  const { palette } = useTheme();
  const step = labelStep(scale);
  const fine = step / (step >= 5 ? 5 : 2);
  const first = Math.ceil((thickness - startPx) / scale / fine) * fine;
  const last = (lengthPx - startPx) / scale;
  const ticks: number[] = [];
  for (let at = first; at <= last; at += fine) ticks.push(Math.round(at * 100) / 100);
  const x = along === "x";
  return (
    <g aria-hidden="true">
      <rect
        x={0}
        y={0}
        width={x ? lengthPx : thickness}
        height={x ? thickness : lengthPx}
        fill={palette.background.paper}
      />
      {ticks.map((at) => {
        const px = startPx + at * scale;
        const long = Math.abs(at / step - Math.round(at / step)) < 1e-6;
        const size = long ? 8 : 4;
        return (
          <g key={at}>
            <line
              x1={x ? px : thickness - size}
              y1={x ? thickness - size : px}
              x2={x ? px : thickness}
              y2={x ? thickness : px}
              stroke={palette.text.secondary}
              strokeWidth={1}
            />
            {long && at >= 0 && (
              <text
                x={x ? px : thickness - 9}
                y={x ? 12 : px + 4}
                fontSize={11}
                textAnchor={x ? "middle" : "end"}
                fill={palette.text.secondary}
              >
                {at}
              </text>
            )}
          </g>
        );
      })}
      {x && (
        <>
          <rect x={0} y={0} width={thickness} height={thickness} fill={palette.background.paper} />
          <text x={2} y={13} fontSize={11} fill={palette.text.secondary}>
            mm
          </text>
        </>
      )}
    </g>
  );
});
