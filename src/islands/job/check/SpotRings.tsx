import { useTheme } from "@mui/material";
import type { Spot } from "../../../core/checks/finding";

interface Props {
  readonly spots: readonly Spot[];
  /** From mm on the flat to the drawing's own units. */
  readonly place: (xMm: number, yMm: number) => readonly [number, number];
  readonly perMm: number;
}

/** Rings round the marks a finding is about: light on dark, so that they show on every paint. */
export function SpotRings({ spots, place, perMm }: Props) {
  const { palette } = useTheme();
  return (
    <g role="img" aria-label={`${spots.length} marks of the finding`} pointerEvents="none" fill="none">
      {spots.map(({ xMm, yMm, radiusMm }, at) => {
        const [x, y] = place(xMm, yMm);
        const r = Math.max(5 * (perMm > 1 ? 1 : perMm), radiusMm * perMm);
        return (
          <g key={at}>
            <circle
              cx={x}
              cy={y}
              r={r}
              stroke="#000"
              strokeOpacity={0.65}
              strokeWidth={4}
              vectorEffect="non-scaling-stroke"
            />
            <circle
              cx={x}
              cy={y}
              r={r}
              stroke={palette.common.white}
              strokeWidth={1.6}
              vectorEffect="non-scaling-stroke"
            />
          </g>
        );
      })}
    </g>
  );
}
