import { Alert, Box, Button, Typography } from "@mui/material";
import { useState } from "react";
import { HANDLE_MM, POST_MM } from "../../../core/plan/handleAids";
import { messageOf, saveFile } from "../../../ui/api";
import { NumberField } from "../../../ui/NumberField";
import { usePrefs } from "../../../ui/prefs";
import { taskWorker } from "../../../worker/client";
import { useJob } from "../jobStore";

/** A figure's crown stands so much higher than its eyes; what is on its head is higher still. */
const ABOVE_EYES = 1.3;

/** A post that is higher than the tallest figure, in whole centimetres. */
const usualPost = (eyeHeights: readonly number[]): number =>
  Math.min(POST_MM[1], Math.max(POST_MM[0], 10 * Math.ceil((ABOVE_EYES * Math.max(0, ...eyeHeights)) / 10)));

/** A ring for the handle and a post for level lines, to be printed and cut from card. */
export function Aids() {
  const { figures } = useJob();
  const { handleMm, setHandleMm } = usePrefs();
  const [post, setPost] = useState<number | null>(null);
  const [state, setState] = useState<{ busy: boolean; problem: string | null }>({
    busy: false,
    problem: null,
  });
  const postMm = post ?? usualPost(figures.map(({ eyeHeightMm }) => eyeHeightMm));
  const make = () => {
    setState({ busy: true, problem: null });
    taskWorker().ask(
      "aidsPdf",
      { handleMm, postMm },
      {
        answer: (pdf) => {
          saveFile("turning-ring-and-post.pdf", pdf, "application/pdf");
          setState({ busy: false, problem: null });
        },
        failed: (problem) => setState({ busy: false, problem: messageOf(problem) }),
        dropped: () => setState({ busy: false, problem: null }),
      },
    );
  };
  return (
    <Box role="group" aria-label="Turning ring and height post" sx={{ display: "grid", gap: 1, mt: 1.5 }}>
      <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 1, alignItems: "start" }}>
        <NumberField
          label="Handle across"
          unit="mm"
          min={HANDLE_MM[0]}
          max={HANDLE_MM[1]}
          value={handleMm}
          onChange={setHandleMm}
        />
        <NumberField
          label="Post, high"
          unit="mm"
          min={POST_MM[0]}
          max={POST_MM[1]}
          value={postMm}
          onChange={setPost}
        />
      </Box>
      <Button variant="outlined" onClick={make} disabled={state.busy}>
        {state.busy ? "Making the PDF" : "Turning ring and post as PDF"}
      </Button>
      <Typography variant="caption">
        The ring tells how far the handle is turned, the post how high a level line runs.
      </Typography>
      {state.problem !== null && (
        <Alert severity="error" variant="outlined">
          The PDF could not be made. {state.problem}
        </Alert>
      )}
    </Box>
  );
}
