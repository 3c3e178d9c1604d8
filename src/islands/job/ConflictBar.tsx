import { Box, Button, Typography } from "@mui/material";
import { useJobStore } from "./jobStore";
import { settleConflict } from "./useAutosave";

/** Shown while another window's edit and this one's contradict each other. */
export function ConflictBar() {
  const save = useJobStore((state) => state.save);
  if (save.kind !== "conflict") return null;
  return (
    <Box
      role="alert"
      sx={{
        display: "flex",
        gap: 2,
        alignItems: "center",
        px: 2,
        py: 1,
        borderBottom: 1,
        borderColor: "divider",
        bgcolor: "background.paper",
      }}
    >
      <Typography sx={{ flex: 1 }}>
        <b>Changed in another window.</b> Your last edits here are not saved yet. Nothing is lost: choose
        which to keep; undo brings the other one back.
      </Typography>
      <Button variant="outlined" onClick={() => settleConflict("theirs")}>
        Take the other window&apos;s
      </Button>
      <Button variant="contained" onClick={() => settleConflict("mine")}>
        Keep mine
      </Button>
    </Box>
  );
}
