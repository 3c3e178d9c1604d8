import { Box, Typography } from "@mui/material";
import type { Surface } from "../../../core/job";
import { groundSteps } from "../../../core/plan/groundPlan";
import { useBuilt } from "../useSurface";

/** What is glued on a base before its first coat, thing by thing. */
export function BuildFirst({ surface }: { readonly surface: Surface }) {
  const { form } = useBuilt(surface);
  const steps = form ? groundSteps(surface, form) : [];
  if (steps.length === 0) return null;
  return (
    <Box role="group" aria-label="Built before any paint" sx={{ display: "grid", gap: 0.5, mt: 2 }}>
      <Typography variant="h3">Built before any paint</Typography>
      {steps.map(({ id, title, how }) => (
        <Box key={id} sx={{ borderTop: 1, borderColor: "divider", py: 0.8 }}>
          <Typography sx={{ fontWeight: 500 }}>{title}</Typography>
          <Typography variant="body2">{how}</Typography>
        </Box>
      ))}
      {[...new Set(steps.map(({ caution }) => caution))].map((caution) => (
        <Typography key={caution}>
          <b>Caution:</b> {caution}
        </Typography>
      ))}
      <Typography variant="caption">Its plan at 1 : 1 is printed with the cards.</Typography>
    </Box>
  );
}
