import { Alert, Box, Button, LinearProgress } from "@mui/material";
import { useRef, useState } from "react";
import { ApiError, messageOf } from "../../../ui/api";
import { taskWorker } from "../../../worker/client";
import type { ScaledPicture } from "../../../worker/paletteTasks";
import { useEdit, useJob } from "../jobStore";
import { withReference } from "./goalEdits";

const MOST_PICTURES = 8;

/** Scales a picture in the worker, keeps it on the server. @throws Error with what is wrong */
async function keep(file: File): Promise<{ picture: ScaledPicture; id: string }> {
  const picture = await new Promise<ScaledPicture>((resolve, reject) => {
    taskWorker().ask(
      "picture",
      { file },
      {
        answer: resolve,
        failed: (message) => reject(new Error(message)),
      },
    );
  });
  const response = await fetch("/api/pictures", { method: "POST", body: picture.bytes });
  const body = (await response.json()) as { id?: string; detail?: string };
  if (!response.ok || body.id === undefined)
    throw new ApiError(response.status, body.detail ?? "The picture could not be kept.", {});
  return { picture, id: body.id };
}

/** Takes a picture from the painter's files as a reference of the job; `quiet` where something else is done first. */
export function AddPicture({ quiet = false }: { readonly quiet?: boolean }) {
  const job = useJob();
  const edit = useEdit();
  const input = useRef<HTMLInputElement>(null);
  const [state, setState] = useState<"busy" | { readonly problem: string } | null>(null);
  const take = (file: File) => {
    setState("busy");
    keep(file).then(
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
