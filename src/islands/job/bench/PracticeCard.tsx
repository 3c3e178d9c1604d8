import { Box, Button, Typography } from "@mui/material";
import { practiseHow } from "../../../core/record/practise";
import { usePrefs } from "../../../ui/prefs";

/** What the painter wished to practise before the plan goes on; nothing where there is no such wish. */
export function PracticeCard() {
  const { practise, setPractise } = usePrefs();
  const practice = practise === null ? null : practiseHow(practise);
  if (!practice) return null;
  return (
    <Box
      component="section"
      aria-label="Practice card"
      sx={{ p: 2, borderTop: 1, borderColor: "divider", bgcolor: "background.default" }}
    >
      <Typography sx={{ fontWeight: 500 }}>Practise: {practice.label.toLowerCase()}, ten minutes</Typography>
      <Typography variant="body2" sx={{ my: 0.5 }}>
        {practice.how}
      </Typography>
      <Button onClick={() => setPractise(null)}>Done with it</Button>
    </Box>
  );
}
