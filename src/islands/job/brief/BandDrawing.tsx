import { Box, Typography, useTheme } from "@mui/material";
import type { SurfaceForm } from "../../../core/surface/forms/form";
import { formatNumber } from "../../../core/units";

interface Sizes {
  readonly waistMm: number;
  readonly hemMm: number;
  readonly slantMm: number;
  readonly gapDeg: number;
  readonly pleats: number;
}

interface Props {
  readonly form: SurfaceForm;
  readonly sizes: Sizes;
  /** Name of the size being typed; its dimension is drawn in the accent. */
  readonly active: string | null;
}

const mm = (value: number) => `${formatNumber(value, 1)}\u202fmm`;

function useInk() {
  const { palette } = useTheme();
  return {
    ink: palette.text.primary,
    quiet: palette.text.secondary,
    accent: palette.primary.main,
    sheet: palette.background.default,
  };
}

/** The band from the front, as it sits on the figure. */
function Front({ form, sizes, active }: Props) {
  const { ink, quiet, accent, sheet } = useInk();
  const rw = sizes.waistMm / (2 * Math.PI);
  const rh = sizes.hemMm / (2 * Math.PI);
  const [, top] = form.inSpace({ turnDeg: 0, heightMm: sizes.slantMm });
  const most = Math.max(rw, rh);
  const pad = most * 0.75 + 3;
  const flat = 0.28;
  const text = Math.max(most * 2, top) / 15;
  const line = text / 12;
  const yHem = 0;
  const yWaist = -top;
  const side = (sign: number) => `M${sign * rw} ${yWaist} L${sign * rh} ${yHem}`;
  const box = `${-most - pad} ${yWaist - rw * flat - text * 2.4} ${2 * (most + pad)} ${top + (rw + rh) * flat + text * 5}`;
  const tone = (name: string) => (active === name ? accent : quiet);
  const folds = Math.min(60, sizes.pleats);
  return (
    <svg
      viewBox={box}
      role="img"
      aria-label={`The band from the front: waist ${mm(sizes.waistMm)} round, hem ${mm(sizes.hemMm)} round, ${mm(sizes.slantMm)} along the slope`}
      width="100%"
      height="100%"
    >
      <path
        d={`${side(-1)} A${rh} ${rh * flat} 0 0 0 ${rh} ${yHem} L${rw} ${yWaist} A${rw} ${rw * flat} 0 0 1 ${-rw} ${yWaist}`}
        fill={sheet}
        stroke={ink}
        strokeWidth={line}
      />
      <ellipse
        cx={0}
        cy={yWaist}
        rx={rw}
        ry={rw * flat}
        fill="none"
        stroke={tone("waistMm")}
        strokeWidth={active === "waistMm" ? line * 2 : line}
      />
      <path
        d={`M${-rh} ${yHem} A${rh} ${rh * flat} 0 0 0 ${rh} ${yHem}`}
        fill="none"
        stroke={tone("hemMm")}
        strokeWidth={active === "hemMm" ? line * 2 : line}
      />
      {Array.from({ length: folds }, (_, fold) => {
        const angle = ((fold + 0.5) / folds) * 2 * Math.PI;
        if (Math.cos(angle) < 0.05) return null;
        const x = Math.sin(angle);
        const y = Math.cos(angle) * flat;
        return (
          <line
            key={fold}
            x1={x * rw}
            y1={yWaist + y * rw}
            x2={x * rh}
            y2={yHem + y * rh}
            stroke={tone("pleats")}
            strokeWidth={line * 0.7}
          />
        );
      })}
      <text
        x={0}
        y={yWaist - rw * flat - text * 0.7}
        fontSize={text}
        textAnchor="middle"
        fill={tone("waistMm")}
      >
        {mm(sizes.waistMm)} round the waist
      </text>
      <text x={0} y={yHem + rh * flat + text * 1.6} fontSize={text} textAnchor="middle" fill={tone("hemMm")}>
        {mm(sizes.hemMm)} round the hem
      </text>
      <g stroke={tone("slantMm")} strokeWidth={active === "slantMm" ? line * 2 : line}>
        <line x1={rw + most * 0.14} y1={yWaist} x2={rh + most * 0.14} y2={yHem} />
        <line x1={rw + most * 0.08} y1={yWaist} x2={rw + most * 0.2} y2={yWaist} />
        <line x1={rh + most * 0.08} y1={yHem} x2={rh + most * 0.2} y2={yHem} />
      </g>
      <text x={(rw + rh) / 2 + most * 0.22} y={yWaist / 2} fontSize={text} fill={tone("slantMm")}>
        {mm(sizes.slantMm)}
      </text>
    </svg>
  );
}

/** The same band unrolled, to the same scale in both directions. */
function Unrolled({ form, sizes, active }: Props) {
  const { ink, quiet, accent, sheet } = useInk();
  const { minX, minY, maxX, maxY } = form.bounds;
  const [width, height] = [maxX - minX, maxY - minY];
  const text = Math.max(width / 32, height / 12);
  const line = text / 12;
  const edge = (heightMm: number, backwards: boolean) =>
    Array.from({ length: 91 }, (_, step) => {
      const t = (backwards ? 90 - step : step) / 90;
      return form.flatten({ turnDeg: form.turnDeg * t, heightMm }).join(" ");
    });
  const path = `M${[...edge(0, false), ...edge(form.slantMm, true)].join(" L")} Z`;
  const seams = form.seamsDeg.filter((seam) => seam > 0);
  const [, waistY] = form.flatten({ turnDeg: form.turnDeg / 2, heightMm: form.slantMm });
  const [, hemY] = form.flatten({ turnDeg: form.turnDeg / 2, heightMm: 0 });
  const share = form.turnDeg / 360;
  return (
    <svg
      viewBox={`${minX - text} ${minY - text * 2} ${width + 2 * text} ${height + text * 4}`}
      role="img"
      aria-label="The band unrolled"
      width="100%"
      height="100%"
    >
      <path d={path} fill={sheet} stroke={ink} strokeWidth={line} />
      {seams.map((seam) => {
        const [a, b] = [
          form.flatten({ turnDeg: seam, heightMm: 0 }),
          form.flatten({ turnDeg: seam, heightMm: form.slantMm }),
        ];
        return (
          <line
            key={seam}
            x1={a[0]}
            y1={a[1]}
            x2={b[0]}
            y2={b[1]}
            stroke={active === "seams" ? accent : quiet}
            strokeWidth={line}
            strokeDasharray={`${text / 4} ${text / 6}`}
          />
        );
      })}
      <text x={0} y={waistY - text * 0.5} fontSize={text} textAnchor="middle" fill={quiet}>
        {mm(sizes.waistMm * share)}
      </text>
      <text x={0} y={hemY + text * 1.3} fontSize={text} textAnchor="middle" fill={quiet}>
        {mm(sizes.hemMm * share)}
      </text>
    </svg>
  );
}

/** The measured form: on the figure and unrolled. */
export function BandDrawing(props: Props) {
  return (
    <Box
      sx={{
        height: "100%",
        display: "grid",
        gridTemplateRows: "auto 3fr auto 2fr",
        gap: 1,
        p: 2,
        minHeight: 0,
      }}
    >
      <Typography variant="body2">On the figure</Typography>
      <Box sx={{ minHeight: 0 }}>
        <Front {...props} />
      </Box>
      <Typography variant="body2">
        Unrolled: {formatNumber(props.form.areaMm2, 0)}&#8239;mm²
        {props.form.closed
          ? ", closed all round"
          : `, ${formatNumber(props.form.turnDeg, 0)}° of the turn is seen`}
      </Typography>
      <Box sx={{ minHeight: 0 }}>
        <Unrolled {...props} />
      </Box>
    </Box>
  );
}
