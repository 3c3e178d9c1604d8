import { Box, Slider, Typography } from "@mui/material";

/** Settings by slider, side by side as far as there is room. */
export const SLIDERS = {
  display: "grid",
  gridTemplateColumns: "repeat(auto-fill, minmax(200px, 1fr))",
  columnGap: 3,
  rowGap: 0.5,
} as const;

/** What is told of a setting, whatever its value. */
export interface SliderText {
  readonly label: string;
  /** What it means, shown while it is pointed at. */
  readonly about?: string;
  readonly unit: "°" | "%";
  readonly range: readonly [least: number, most: number];
  readonly step: number;
}

interface Props extends SliderText {
  readonly value: number;
  readonly onChange: (value: number) => void;
}

/** A number set by a slider, with its name and value above it. */
export function SliderSetting({ label, about, unit, range, step, value, onChange }: Props) {
  return (
    <Box title={about}>
      <Box sx={{ display: "flex", justifyContent: "space-between" }}>
        <Typography variant="body2">{label}</Typography>
        <Typography>{unit === "°" ? `${value}°` : `${value}\u202f%`}</Typography>
      </Box>
      <Slider
        size="small"
        aria-label={label}
        {...{ min: range[0], max: range[1], step, value }}
        onChange={(_event, next) => onChange(next)}
        sx={{ py: 0.8 }}
      />
    </Box>
  );
}
