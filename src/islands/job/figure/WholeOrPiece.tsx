import { Box, ToggleButton, ToggleButtonGroup } from "@mui/material";
import type { Surface } from "../../../core/job";
import { useFigureLook } from "./figureLook";

interface Props {
  readonly surface: Surface;
  /** Which of the stages that can show either: Check begins with the figure. */
  readonly of?: "whole" | "judged";
}

/** Whether the one surface or the whole figure is shown. */
export function WholeOrPiece({ surface, of = "whole" }: Props) {
  const { [of]: whole, set } = useFigureLook();
  return (
    <Box sx={{ px: 2, py: 0.75, borderBottom: 1, borderColor: "divider", bgcolor: "background.paper" }}>
      <ToggleButtonGroup
        exclusive
        size="small"
        aria-label="Shown"
        value={whole}
        onChange={(_, next: boolean | null) => next !== null && set({ [of]: next })}
      >
        <ToggleButton value={false}>{surface.name}</ToggleButton>
        <ToggleButton value={true}>Whole figure</ToggleButton>
      </ToggleButtonGroup>
    </Box>
  );
}
