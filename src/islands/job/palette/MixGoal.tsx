import { Box, Button, Typography } from "@mui/material";
import { memo } from "react";
import { opticsOfMix } from "../../../core/colour/appearance";
import { ciede2000, differenceInWords, directionInWords } from "../../../core/colour/difference";
import { masstone } from "../../../core/colour/film";
import { hexToLab, spectrumToLab } from "../../../core/colour/spaces";
import type { Mix } from "../../../core/job";
import { formatNumber } from "../../../core/units";
import { usePaints } from "../jobStore";
import { ColourGoal } from "./questions/ColourGoal";

/** The colour a mix is meant to show, and how near it comes. */
export const MixGoal = memo(function MixGoal({
  mix,
  change,
}: {
  readonly mix: Mix;
  readonly change: (mix: Mix) => void;
}) {
  const onChange = (goal: string | null) => change({ ...mix, goal });
  const paints = usePaints();
  if (mix.parts.length === 0) return null;
  const lab = spectrumToLab(masstone(opticsOfMix(mix, paints)));
  if (mix.goal === null) {
    return (
      <Button sx={{ px: 0, minWidth: 0 }} onClick={() => onChange("#808080")}>
        Set a goal
      </Button>
    );
  }
  const goal = hexToLab(mix.goal);
  const off = ciede2000(lab, goal);
  const direction = off < 1 ? "" : directionInWords(goal, lab);
  return (
    <Box component="details" sx={{ mt: 0.3 }}>
      <Box component="summary" sx={{ cursor: "pointer", fontSize: 12, color: "text.secondary" }}>
        <Box
          component="span"
          sx={{ display: "inline-block", width: 26, height: 11, bgcolor: mix.goal, mr: 0.7 }}
        />
        goal off by {formatNumber(off, 1)}, {differenceInWords(off)}
        {direction === "" ? "" : `: ${direction}`}
      </Box>
      <Box sx={{ display: "grid", gap: 1, pt: 1, maxWidth: 280 }}>
        <ColourGoal label="Goal" value={mix.goal} onChange={onChange} />
        <Box>
          <Button sx={{ px: 0, minWidth: 0 }} onClick={() => onChange(null)}>
            No goal
          </Button>
          <Typography variant="caption" component="p">
            Judged dry and laid thick.
          </Typography>
        </Box>
      </Box>
    </Box>
  );
});
