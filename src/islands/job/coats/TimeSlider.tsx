import { Box, Slider, Typography } from "@mui/material";
import { timesOf } from "../../../core/ageing/asItWas";
import { TIME_NAMES, TIMES } from "../../../core/ageing/events";
import type { Surface } from "../../../core/job";
import { useView } from "../viewStore";

const LAST = TIMES.length - 1;

/** The surface as it was made, as it was used, as it stands; nothing where nothing has happened to it. */
export function TimeSlider({ surface }: { readonly surface: Surface }) {
  const { time, set } = useView();
  if (timesOf(surface).length === 0) return null;
  const at = time === null ? LAST : TIMES.indexOf(time);
  return (
    <Box
      sx={{
        ...{ position: "absolute", left: 40, bottom: 10, bgcolor: "background.paper", px: 1.5, py: 0.6 },
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
