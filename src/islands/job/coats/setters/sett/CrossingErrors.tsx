import { Typography } from "@mui/material";
import { differenceInWords } from "../../../../../core/colour/difference";
import { crossingKey, type SettParams } from "../../../../../core/patterns/sett/params";
import { halfToneMatch, solveOverpaint } from "../../../../../core/patterns/sett/crossing";
import type { SettLayout } from "../../../../../core/patterns/sett/layout";
import { formatNumber } from "../../../../../core/units";
import { useJob, usePaints } from "../../../jobStore";
import { useFigure } from "../../../useSurface";

/** How near the chosen way of painting comes to the woven crossings. */
export function CrossingErrors({
  params,
  layout,
}: {
  readonly params: SettParams;
  readonly layout: SettLayout;
}) {
  const job = useJob();
  const { primer } = useFigure();
  const paints = usePaints();
  const codes = [...new Set(layout.columns.boxes.map((box) => box.code))];
  const pairs = codes.flatMap((a, at) => codes.slice(at + 1).map((b) => [a, b] as const));
  if (pairs.length === 0) return null;
  const errors = pairs.map(([a, b]) => {
    const [one, other] = [params.colours[a], params.colours[b]];
    const { difference } =
      params.method === "boxes"
        ? halfToneMatch(
            { mixes: job.mixes, primer },
            paints,
            [one, other],
            params.crossings[crossingKey(a, b)],
          )
        : solveOverpaint(job, paints, one, other);
    return `${a} × ${b} ${formatNumber(difference, 1)}, ${differenceInWords(difference)}`;
  });
  return (
    <Typography variant="body2" sx={{ alignSelf: "center" }}>
      Against the woven crossing (CIEDE2000): {errors.join("; ")}
    </Typography>
  );
}
