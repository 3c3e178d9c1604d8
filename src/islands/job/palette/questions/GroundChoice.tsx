import { MenuItem, TextField } from "@mui/material";
import { opticsOfMix, primerSpectrum } from "../../../../core/colour/appearance";
import { masstone } from "../../../../core/colour/film";
import type { Spectrum } from "../../../../core/colour/spectrum";
import { mixById, PRIMERS, type Job, type Paint } from "../../../../core/job";
import { useJob } from "../../jobStore";

const primerOf = (job: Job, ground: string) =>
  PRIMERS.find((primer) => primer === ground) ?? job.figures[0]!.primer;

/** Light of a ground that is named by a primer or a mix laid thick; the first figure's primer where it is neither. */
export function groundSpectrum(job: Job, paints: readonly Paint[], ground: string): Spectrum {
  const mix = mixById(job, ground);
  return mix ? masstone(opticsOfMix(mix, paints)) : primerSpectrum(primerOf(job, ground));
}

/** Chooses what lies below: a primer or one of the job's mixes. */
export function GroundChoice({
  value,
  onChange,
}: {
  readonly value: string;
  readonly onChange: (ground: string) => void;
}) {
  const job = useJob();
  return (
    <TextField
      select
      label="Over"
      value={mixById(job, value) ? value : primerOf(job, value)}
      onChange={(event) => onChange(event.target.value)}
    >
      {PRIMERS.map((name) => (
        <MenuItem key={name} value={name}>
          {name} primer
        </MenuItem>
      ))}
      {job.mixes.map((one) => (
        <MenuItem key={one.id} value={one.id}>
          {one.name}
        </MenuItem>
      ))}
    </TextField>
  );
}
