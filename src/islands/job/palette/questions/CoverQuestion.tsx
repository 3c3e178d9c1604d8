import { Box, Typography } from "@mui/material";
import { useState } from "react";
import { opticsOfMix } from "../../../../core/colour/appearance";
import { coatsToCover, MOST_COATS } from "../../../../core/colour/layering";
import { spectrumToHex } from "../../../../core/colour/spaces";
import { mixById } from "../../../../core/job";
import { counted, formatNumber, formatThinning } from "../../../../core/units";
import { NumberField } from "../../../../ui/NumberField";
import { useJob, usePaints } from "../../jobStore";
import { GroundChoice, groundSpectrum } from "./GroundChoice";
import { MixChoice, Question } from "./Question";
import { useFigure } from "../../useSurface";

function Body() {
  const job = useJob();
  const figure = useFigure();
  const paints = usePaints();
  const [mixId, setMix] = useState(job.mixes[0]?.id ?? "");
  const [ground, setGround] = useState<string>(figure.primer);
  const [limit, setLimit] = useState(2.5);
  const mix = mixById(job, mixId);
  const below = groundSpectrum(job, paints, ground);
  const steps =
    mix && mix.parts.length > 0 ? coatsToCover(opticsOfMix(mix, paints), mix.water, below, limit) : [];
  const last = steps.at(-1);
  return (
    <>
      <MixChoice label="Mix" value={mixId} onChange={setMix} />
      <GroundChoice value={ground} onChange={setGround} />
      <NumberField
        label="Ground may show by (CIEDE2000)"
        min={0.5}
        max={10}
        step={0.5}
        value={limit}
        onChange={setLimit}
      />
      {mix && last && (
        <>
          <Box sx={{ display: "flex", height: 36 }}>
            <Box sx={{ flex: 1, bgcolor: spectrumToHex(below) }} title="the ground" />
            {steps.map((step) => (
              <Box
                key={step.coats}
                sx={{ flex: 1, bgcolor: spectrumToHex(step.spectrum) }}
                title={`${counted(step.coats, "coat")}, off by ${formatNumber(step.difference, 1)}`}
              />
            ))}
          </Box>
          <Typography>
            {last.difference < limit
              ? `${counted(last.coats, "coat")} at ${formatThinning(mix.water)}; off by ${formatNumber(last.difference, 1)} then.`
              : `Not even ${MOST_COATS} coats at ${formatThinning(mix.water)}: off by ${formatNumber(last.difference, 1)}. Thin it less or paint something nearer below.`}
          </Typography>
        </>
      )}
    </>
  );
}

/** How many coats until the ground no longer shows? */
export function CoverQuestion() {
  return <Question title="How many coats to cover?">{() => <Body />}</Question>;
}
