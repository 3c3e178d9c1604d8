import { Box, Typography } from "@mui/material";
import { opticsOfMix } from "../../../../../core/colour/appearance";
import { masstone } from "../../../../../core/colour/film";
import { spectrumToHex } from "../../../../../core/colour/spaces";
import { mixById, type Job, type Paint } from "../../../../../core/job";
import type { CamouflageFacts } from "../../../../../core/patterns/camouflage/facts";
import type { CamouflageParams } from "../../../../../core/patterns/camouflage/params";
import { formatNumber } from "../../../../../core/units";
import { useJob, usePaints } from "../../../jobStore";

/** Colour of a mix, laid thick. */
export function mixHex(job: Job, paints: readonly Paint[], mixId: string, otherwise: string): string {
  const mix = mixById(job, mixId);
  return mix && mix.parts.length > 0 ? spectrumToHex(masstone(opticsOfMix(mix, paints))) : otherwise;
}

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
  const words = parts.map(({ name, share }) => `${name} ${formatNumber(share * 100, 1)} %`).join(", ");
  return (
    <Box sx={{ opacity: settled ? 1 : 0.6 }}>
      <Box role="img" aria-label={`Shares that show: ${words}`} sx={{ display: "flex", height: 22 }}>
        {parts.map(({ id, share, hex }) => (
          <Box key={id} sx={{ flexGrow: Math.max(0, share), flexBasis: 0, bgcolor: hex }} />
        ))}
      </Box>
      <Typography variant="body2" sx={{ mt: 0.5 }}>
        <b>{formatNumber(base * 100, 1)}&#8239;% of the base still shows.</b>{" "}
        {settled ? "" : "Being laid out anew …"}
      </Typography>
    </Box>
  );
}
