import { Box, Checkbox, FormControlLabel, Typography } from "@mui/material";
import type { Job, Surface } from "../../../core/job";
import { useEdit, useJob } from "../jobStore";

const isPair = ([a, b]: Job["touching"][number], one: string, other: string) =>
  (a === one && b === other) || (a === other && b === one);

/** Which other surfaces lie beside this one on the figure. */
export function Touching({ surface }: { readonly surface: Surface }) {
  const { surfaces, touching } = useJob();
  const edit = useEdit();
  const others = surfaces.filter((one) => one.id !== surface.id);
  if (others.length === 0) return null;
  const toggle = (other: string) =>
    edit((job) => ({
      ...job,
      touching: job.touching.some((pair) => isPair(pair, surface.id, other))
        ? job.touching.filter((pair) => !isPair(pair, surface.id, other))
        : [...job.touching, [surface.id, other] as const],
    }));
  return (
    <Box role="group" aria-label="Touches" sx={{ px: 2, pb: 2 }}>
      <Typography variant="h3" sx={{ mb: 0.5 }}>
        It touches
      </Typography>
      {others.map((other) => (
        <FormControlLabel
          key={other.id}
          sx={{ display: "flex", mr: 0, "& .MuiFormControlLabel-label": { fontSize: 13 } }}
          control={
            <Checkbox
              size="small"
              sx={{ py: 0.3 }}
              checked={touching.some((pair) => isPair(pair, surface.id, other.id))}
              onChange={() => toggle(other.id)}
            />
          }
          label={other.name}
        />
      ))}
    </Box>
  );
}
