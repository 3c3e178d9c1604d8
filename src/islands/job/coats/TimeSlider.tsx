import { Box, Slider, Typography } from "@mui/material";
import { TIME_NAMES, TIMES } from "../../../core/ageing/events";
import { useView } from "../viewStore";

const LAST = TIMES.length - 1;

/** The surface as it was made, as it was used, as it stands. */
export function TimeSlider() {
  const { time, set } = useView();
  const at = time === null ? LAST : TIMES.indexOf(time);
  const name = TIME_NAMES[TIMES[at]!];
  return (
    <Box sx={{ display: "flex", alignItems: "center", gap: 1.2, px: 1 }}>
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
        sx={{ width: 76 }}
      />
      <Typography variant="body2" sx={{ width: 100 }}>
        {name}
      </Typography>
    </Box>
  );
}
