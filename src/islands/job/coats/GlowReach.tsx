import { Box, Typography } from "@mui/material";
import type { GlowPart, GlowPlan } from "../../../core/schemes/glow";
import { LEAST_GLOW } from "../../../core/schemes/glowCoats";
import { formatNumber } from "../../../core/units";
import { useDesign } from "../jobStore";

/** What a light comes to on one surface, in words. */
function verdict({ shows, reached, strongest }: GlowPart): string {
  if (!shows) return "only its own glass is painted here";
  const falls = `reaches ${formatNumber(100 * reached, 0)}\u202f%, ${formatNumber(100 * strongest, 0)}\u202f% of it at most`;
  const { ground, rises } = shows;
  const from = `its soft light ${rises < 0 ? "falls" : "rises"} by ${formatNumber(Math.abs(rises), 1)} L* on ground of L* ${formatNumber(ground, 0)}`;
  return rises < LEAST_GLOW ? `${falls}; cannot show: ${from}. Darken the ground first` : `${falls}; ${from}`;
}

/** On which surfaces a painted light falls, and whether it can show there. */
export function GlowReach({ plan }: { readonly plan: GlowPlan }) {
  const { surfaces } = useDesign();
  if (plan.parts.length === 0)
    return <Typography>It reaches nothing: move it nearer, or let it reach further.</Typography>;
  return (
    <Box
      component="ul"
      aria-label="Where it falls"
      sx={{ m: 0, p: 0, listStyle: "none", display: "grid", gap: 0.5 }}
    >
      {plan.parts.map((part) => (
        <Typography key={part.surfaceId} component="li" variant="body2">
          <strong>{surfaces.find(({ id }) => id === part.surfaceId)?.name}</strong>: {verdict(part)}.
        </Typography>
      ))}
    </Box>
  );
}
