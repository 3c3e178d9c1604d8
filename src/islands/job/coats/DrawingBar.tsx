import { Box, Button, LinearProgress, Typography } from "@mui/material";
import { drawAgain, stopDrawing, useSimulation } from "../useSimulation";

/** How far the full picture is, with the way out; or that it was stopped, with the way back. */
export function DrawingBar() {
  const { progress, stopped } = useSimulation();
  if (!progress && !stopped) return null;
  return (
    <Box
      sx={{
        ...{ position: "absolute", left: 0, right: 0, top: 0, px: 1.5, minHeight: 40 },
        ...{ display: "flex", alignItems: "center", gap: 1.5, bgcolor: "background.paper" },
      }}
    >
      {progress ? (
        <LinearProgress
          variant="determinate"
          value={(100 * progress.done) / Math.max(1, progress.total)}
          aria-label="Laying coats"
          sx={{ flex: 1 }}
        />
      ) : (
        <Typography role="status" sx={{ flex: 1 }}>
          This is the small picture: the full one was stopped.
        </Typography>
      )}
      <Button size="small" onClick={progress ? stopDrawing : drawAgain}>
        {progress ? "Stop" : "Draw it in full"}
      </Button>
    </Box>
  );
}
