import { Box } from "@mui/material";
import { spectrumToHex } from "../../../core/colour/spaces";
import { mixById, type Coat } from "../../../core/job";
import { useJob, usePaints } from "../jobStore";
import { CHART_GROUNDS, drawdown, inkOn, trueGround } from "../palette/useLight";

/** The coat's mix in its own passes over black, white and what it really lies on. */
export function CoatSwatches({ coat }: { readonly coat: Coat }) {
  const job = useJob();
  const paints = usePaints();
  const mix = mixById(job, coat.mixId);
  if (!mix) return null;
  const grounds = [...CHART_GROUNDS, { ...trueGround(job, mix.id, paints), name: "its ground" }];
  return (
    <Box sx={{ display: "flex", mx: 2, mb: 1 }}>
      {grounds.map((ground) => {
        const hex = drawdown({ ...mix, water: coat.water }, paints, ground.spectrum)[
          Math.min(2, coat.passes - 1)
        ]!.dry;
        return (
          <Box key={ground.name} sx={{ flex: 1, bgcolor: spectrumToHex(ground.spectrum), p: 0.7, pt: 3.2 }}>
            <Box sx={{ bgcolor: hex, color: inkOn(hex), fontSize: 11, px: 0.6 }}>
              {ground.name.replace("over ", "")}
            </Box>
          </Box>
        );
      })}
    </Box>
  );
}
