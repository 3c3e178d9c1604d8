import { MenuItem, TextField } from "@mui/material";
import { MixOption } from "../../MixOption";
import { useJob } from "../../jobStore";

/** One of the job's mixes. */
export function MixPick({
  label,
  value,
  onChange,
  none,
}: {
  readonly label: string;
  readonly value: string | null;
  readonly onChange: (id: string | null) => void;
  readonly none?: boolean;
}) {
  const job = useJob();
  return (
    <TextField
      select
      label={label}
      sx={{ width: 150 }}
      value={job.mixes.some((mix) => mix.id === value) ? value : ""}
      onChange={(event) => onChange(event.target.value === "" ? null : event.target.value)}
    >
      {none && <MenuItem value="">none</MenuItem>}
      {job.mixes.map((mix) => (
        <MenuItem key={mix.id} value={mix.id}>
          <MixOption mix={mix} />
        </MenuItem>
      ))}
    </TextField>
  );
}
