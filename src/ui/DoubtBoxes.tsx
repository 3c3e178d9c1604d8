import { Box, Checkbox, FormControlLabel } from "@mui/material";
import { DOUBT_IDS, type DoubtId } from "../core/routes/doubtIds";
import { DOUBTS } from "../core/routes/doubts";

interface Props {
  readonly without: readonly DoubtId[];
  readonly onChange: (without: readonly DoubtId[]) => void;
}

/** What a painter does without, to be ticked. */
export const DoubtBoxes = ({ without, onChange }: Props) => (
  <Box role="group" aria-label="What you do without">
    {DOUBT_IDS.map((doubt) => (
      <FormControlLabel
        key={doubt}
        control={
          <Checkbox
            checked={without.includes(doubt)}
            onChange={(_, on) => onChange(on ? [...without, doubt] : without.filter((one) => one !== doubt))}
          />
        }
        label={DOUBTS[doubt].label}
      />
    ))}
  </Box>
);
