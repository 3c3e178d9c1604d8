import { Box, ToggleButton, ToggleButtonGroup, Typography } from "@mui/material";

/** One of a few named ways. */
export function Choice<T extends string>({
  label,
  value,
  options,
  onChange,
}: {
  readonly label: string;
  readonly value: T;
  readonly options: readonly (readonly [T, string])[];
  readonly onChange: (value: T) => void;
}) {
  return (
    <Box>
      <Typography variant="caption" component="div">
        {label}
      </Typography>
      <ToggleButtonGroup
        exclusive
        size="small"
        value={value}
        aria-label={label}
        onChange={(_event, next: T | null) => next !== null && onChange(next)}
      >
        {options.map(([name, text]) => (
          <ToggleButton key={name} value={name}>
            {text}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
    </Box>
  );
}
