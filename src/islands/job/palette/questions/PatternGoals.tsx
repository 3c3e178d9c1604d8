import { Box, Typography } from "@mui/material";
import { differenceInWords } from "../../../../core/colour/difference";
import type { GoalMatch } from "../../../../core/patterns/family";
import { formatNumber } from "../../../../core/units";
import { usePatternGoals } from "./goals";

function MatchRow({ match }: { readonly match: GoalMatch }) {
  return (
    <Box sx={{ display: "flex", gap: 1, alignItems: "center", py: 1, borderTop: 1, borderColor: "divider" }}>
      <Box
        sx={{ display: "flex", width: 60, height: 30, flexShrink: 0 }}
        title="left the goal, right the paint"
      >
        <Box sx={{ flex: 1, bgcolor: match.goalHex }} />
        <Box sx={{ flex: 1, bgcolor: match.gotHex }} />
      </Box>
      <Typography>
        {match.text}: off by {formatNumber(match.difference, 1)}, {differenceInWords(match.difference)}
      </Typography>
    </Box>
  );
}

/** How near paint comes to each colour that the surface's pattern wants. */
export function PatternGoals() {
  const own = usePatternGoals();
  if (!own || own.matches.length === 0) return null;
  return (
    <Box component="section" aria-label={own.title} sx={{ px: 2, pt: 2 }}>
      <Typography variant="h3">{own.title}</Typography>
      <Typography variant="caption" component="p" sx={{ my: 0.5 }}>
        {own.about}
      </Typography>
      {own.matches.map((match) => (
        <MatchRow key={match.key} match={match} />
      ))}
    </Box>
  );
}
