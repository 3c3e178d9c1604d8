import { Box, Typography } from "@mui/material";
import type { CamouflageFacts } from "../../../../../core/patterns/camouflage/facts";
import type { CamouflageParams } from "../../../../../core/patterns/camouflage/params";
import { formatNumber } from "../../../../../core/units";
import { useJob, usePaints } from "../../../jobStore";
import { mixHex } from "../mixHex";
import { ShareStrip } from "../ShareStrip";

/** All colours by the share that shows in the end, the base first; what was asked as a line under each. */
export function ShareBar({
  params,
  facts,
  settled,
}: {
  readonly params: CamouflageParams;
  readonly facts: CamouflageFacts | null;
  readonly settled: boolean;
}) {
  const job = useJob();
  const paints = usePaints();
  const asked = params.layers.reduce((sum, layer) => sum + (layer.kind === "edge" ? 0 : layer.share), 0);
  const base = facts?.baseShown ?? Math.max(0, 1 - asked / 100);
  const parts = [
    { id: "base", name: "Base", share: base, hex: mixHex(job, paints, params.baseMixId, params.baseColour) },
    ...params.layers.map((layer) => ({
      id: layer.id,
      name: layer.name,
      share:
        facts?.layers.find((one) => one.id === layer.id)?.reached ??
        (layer.kind === "edge" ? 0 : layer.share / 100),
      hex: mixHex(job, paints, layer.mixId, layer.colour),
    })),
  ];
  return (
    <Box sx={{ opacity: settled ? 1 : 0.6 }}>
      <ShareStrip parts={parts} />
      <Typography variant="body2" sx={{ mt: 0.5 }}>
        <b>{formatNumber(base * 100, 1)}&#8239;% of the base still shows.</b>{" "}
        {settled ? "" : "Being laid out anew …"}
      </Typography>
    </Box>
  );
}
