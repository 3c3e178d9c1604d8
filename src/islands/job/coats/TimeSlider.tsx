import { Box, Slider, Typography } from "@mui/material";
import { timesOf } from "../../../core/ageing/asItWas";
import { TIME_NAMES, TIMES } from "../../../core/ageing/events";
import type { Surface } from "../../../core/job";
import { useView } from "../viewStore";

const LAST = TIMES.length - 1;

interface Props {
  /** What is shown at one time or another. */
  readonly surfaces: readonly Surface[];
  /** From the lower left corner of what it lies on, pixels. */
  readonly at: { readonly left: number; readonly bottom: number };
}

/** Surfaces as they were made, as they were used, as they stand; nothing where nothing has happened to any. */
export function TimeSlider({ surfaces, at: { left, bottom } }: Props) {
  const { time, set } = useView();
  if (surfaces.every((surface) => timesOf(surface).length === 0)) return null;
  const at = time === null ? LAST : TIMES.indexOf(time);
  return (
    <Box
      sx={{
        ...{ position: "absolute", left, bottom, bgcolor: "background.paper", px: 1.5, py: 0.6 },
        ...{ border: 1, borderColor: "divider", display: "flex", alignItems: "center", gap: 1.5 },
      }}
    >
      <Slider
        size="small"
        aria-label="Time"
        min={0}
        max={LAST}
        step={1}
        marks
        value={at}
        getAriaValueText={(value) => TIME_NAMES[TIMES[value]!]}
        onChange={(_event, next) => set({ time: next === LAST ? null : TIMES[next]!, upTo: null })}
        sx={{ width: 84 }}
      />
      <Typography variant="body2" sx={{ width: 98 }}>
        {TIME_NAMES[TIMES[at]!]}
      </Typography>
    </Box>
  );
}
