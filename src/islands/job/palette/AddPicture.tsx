import { Alert, Box, Button, LinearProgress } from "@mui/material";
import { useRef, useState } from "react";
import { messageOf } from "../../../ui/api";
import { keepPicture } from "../keepPicture";
import { useEdit, useJob } from "../jobStore";
import { withReference } from "./goalEdits";

const MOST_PICTURES = 8;

/** Takes a picture from the painter's files as a reference of the job; `quiet` where something else is done first. */
export function AddPicture({ quiet = false }: { readonly quiet?: boolean }) {
  const job = useJob();
  const edit = useEdit();
  const input = useRef<HTMLInputElement>(null);
  const [state, setState] = useState<"busy" | { readonly problem: string } | null>(null);
  const take = (file: File) => {
    setState("busy");
    keepPicture(file).then(
      ({ picture, id }) => {
        setState(null);
        const name =
          file.name
            .replace(/\.[a-z]+$/i, "")
            .trim()
            .slice(0, 80) || "Picture";
        edit((now) =>
          withReference(now, {
            name,
            pictureId: id,
            width: picture.width,
            height: picture.height,
            neutral: null,
          }),
        );
      },
      (error: unknown) => setState({ problem: messageOf(error) }),
    );
  };
  return (
    <Box>
      <Button
        variant={quiet ? "outlined" : "contained"}
        disabled={state === "busy" || job.references.length >= MOST_PICTURES}
        onClick={() => input.current?.click()}
      >
        Add a reference picture
      </Button>
      <input
        ref={input}
        type="file"
        accept="image/png,image/jpeg,image/webp"
        aria-label="Reference picture"
        hidden
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) take(file);
          event.target.value = "";
        }}
      />
      {state === "busy" && <LinearProgress aria-label="Reading the picture" sx={{ mt: 1 }} />}
      {state !== null && state !== "busy" && (
        <Alert severity="error" variant="outlined" sx={{ mt: 1, bgcolor: "background.paper" }}>
          {state.problem}
        </Alert>
      )}
    </Box>
  );
}
