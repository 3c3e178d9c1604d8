import { Button, Snackbar } from "@mui/material";
import { forgetLast, takeBack, useHistoryStore } from "./historyStore";

const SHOWN_MS = 20_000;

/** Says what was done at the bench and offers to take it back; the job's undo does not reach it. */
export function TakeBack() {
  const last = useHistoryStore((state) => state.last);
  return (
    <Snackbar
      key={last ? `${last.kind}/${last.id}/${last.words}` : "none"}
      open={last !== null}
      message={last?.words}
      autoHideDuration={SHOWN_MS}
      onClose={(_event, reason) => reason !== "clickaway" && forgetLast()}
      action={
        <Button color="inherit" onClick={takeBack}>
          Take it back
        </Button>
      }
    />
  );
}
