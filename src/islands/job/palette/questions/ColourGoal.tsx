import { Box, MenuItem, TextField } from "@mui/material";
import { useJob } from "../../jobStore";
import { ColourField } from "../../../pots/ColourField";

interface Props {
  readonly label: string;
  readonly value: string;
  readonly onChange: (hex: string) => void;
}

/** A colour as goal: typed, picked, or one of the job's goals. */
export function ColourGoal({ label, value, onChange }: Props) {
  const job = useJob();
  const goal = job.goals.find((one) => one.colour === value);
  return (
    <Box sx={{ display: "grid", gap: 1 }}>
      <Box sx={{ display: "flex", gap: 1 }}>
        <Box sx={{ width: 34, height: 30, flexShrink: 0, bgcolor: value }} />
        <Box sx={{ flex: 1 }}>
          <ColourField label={label} value={value} onChange={onChange} />
        </Box>
      </Box>
      {job.goals.length > 0 && (
        <TextField
          select
          label={`${label}: a goal`}
          value={goal?.id ?? ""}
          onChange={(event) => {
            const chosen = job.goals.find((one) => one.id === event.target.value);
            if (chosen) onChange(chosen.colour);
          }}
        >
          {job.goals.map((one) => (
            <MenuItem key={one.id} value={one.id}>
              {one.name}
            </MenuItem>
          ))}
        </TextField>
      )}
    </Box>
  );
}
