import { Box, Button, Typography } from "@mui/material";
import { useMemo } from "react";
import { practiceOf, type Practice } from "../../../core/record/practise";
import { counted, formatMinutes } from "../../../core/units";
import { usePrefs } from "../../../ui/prefs";
import { useHistory } from "../historyStore";

function reason({ overMinutes, wrong, entries }: Practice): string {
  const over = overMinutes >= 1 ? [`took ${formatMinutes(overMinutes)} more than planned`] : [];
  const missed = wrong > 0 ? [`went wrong ${wrong === 1 ? "once" : `${wrong} times`}`] : [];
  return `${counted(entries, "card")} of it ${[...over, ...missed].join(" and ")}.`;
}

/** The one thing that cost most, and a card for it at the bench where it is wished. */
export function Practise() {
  const { log } = useHistory();
  const practice = useMemo(() => practiceOf(log), [log]);
  const { practise, setPractise } = usePrefs();
  if (!practice) return null;
  const isSet = practise === practice.technique;
  return (
    <Box component="section" aria-label="One thing to practise" sx={{ mb: 3 }}>
      <Typography variant="h2">One thing to practise: {practice.label.toLowerCase()}</Typography>
      <Typography>
        {reason(practice)} {practice.how}
      </Typography>
      <Button
        variant="outlined"
        sx={{ mt: 1 }}
        onClick={() => setPractise(isSet ? null : practice.technique)}
      >
        {isSet ? "Take the practice card off the bench" : "Put a practice card on the bench"}
      </Button>
    </Box>
  );
}
