import { Alert, Box, Button, Dialog, DialogActions, DialogContent, LinearProgress } from "@mui/material";
import { useRef, useState } from "react";
import { MOST_PHOTOS, photosIn } from "../../../core/job";
import { messageOf } from "../../../ui/api";
import { changePhotos, useHistory, type PhotoKind } from "../historyStore";
import { keepPicture } from "../keepPicture";

const addressOf = (photo: string) => `/api/pictures/${photo}`;
const THUMB_PX = 72;

interface Props {
  readonly kind: PhotoKind;
  readonly id: string;
  /** What they show, for those who do not see them. */
  readonly of: string;
  readonly photos: readonly string[];
}

interface LargeProps {
  readonly photo: string;
  readonly name: string;
  readonly onClose: () => void;
  readonly onRemove: () => void;
}

function Large({ photo, name, onClose, onRemove }: LargeProps) {
  return (
    <Dialog open onClose={onClose} maxWidth="lg" slotProps={{ paper: { "aria-label": name } }}>
      <DialogContent sx={{ p: 0, display: "grid" }}>
        <Box
          component="img"
          src={addressOf(photo)}
          alt={name}
          sx={{ maxWidth: "100%", maxHeight: "75vh", display: "block" }}
        />
      </DialogContent>
      <DialogActions>
        <Button onClick={onRemove}>Take it off</Button>
        <Button variant="contained" onClick={onClose}>
          Close
        </Button>
      </DialogActions>
    </Dialog>
  );
}

/** Takes photos from the painter's files, or the camera of a tablet, one after the other. */
function useTaking({ kind, id }: Pick<Props, "kind" | "id">, most: number) {
  const [state, setState] = useState<"busy" | { readonly problem: string } | null>(null);
  const take = async (files: readonly File[]) => {
    setState("busy");
    try {
      for (const file of files) {
        const kept = await keepPicture(file);
        changePhotos(kind, id, (now) => [...new Set([...now, kept.id])].slice(0, most));
      }
      setState(null);
    } catch (error) {
      setState({ problem: messageOf(error) });
    }
  };
  return { state, take };
}

/** Photos of an entry or a sitting: looked at, added, taken off. */
export function Photos({ kind, id, of, photos }: Props) {
  const history = useHistory();
  const input = useRef<HTMLInputElement>(null);
  const [shown, setShown] = useState<string | null>(null);
  const own = kind === "log" ? MOST_PHOTOS.entry : MOST_PHOTOS.sitting;
  const free = Math.min(own - photos.length, MOST_PHOTOS.job - photosIn(history).length);
  const { state, take } = useTaking({ kind, id }, own);
  const nameOf = (photo: string) => `Photo ${photos.indexOf(photo) + 1} of ${of}`;
  return (
    <Box
      sx={{
        ...{ display: "flex", gap: 1, flexWrap: "wrap", alignItems: "center" },
        width: photos.length > 0 || state !== null ? "100%" : "auto",
      }}
    >
      {photos.map((photo) => (
        <Box
          key={photo}
          component="button"
          type="button"
          aria-label={`Look at ${nameOf(photo).toLowerCase()}`}
          onClick={() => setShown(photo)}
          sx={{
            p: 0,
            border: 1,
            borderColor: "divider",
            bgcolor: "transparent",
            cursor: "pointer",
            lineHeight: 0,
          }}
        >
          <Box
            component="img"
            src={addressOf(photo)}
            alt=""
            loading="lazy"
            sx={{ width: THUMB_PX, height: THUMB_PX, objectFit: "cover" }}
          />
        </Box>
      ))}
      <Button disabled={state === "busy" || free <= 0} onClick={() => input.current?.click()}>
        {free > 0 ? "Add a photo" : `${photos.length >= own ? own : MOST_PHOTOS.job} photos at most`}
      </Button>
      <input
        ref={input}
        type="file"
        accept="image/png,image/jpeg,image/webp"
        multiple
        aria-label={`Photo of ${of}`}
        hidden
        onChange={(event) => {
          const files = [...(event.target.files ?? [])].slice(0, free);
          event.target.value = "";
          if (files.length > 0) void take(files);
        }}
      />
      {state === "busy" && <LinearProgress aria-label="Taking the photo in" sx={{ width: 120 }} />}
      {state !== null && state !== "busy" && (
        <Alert severity="error" variant="outlined" sx={{ width: "100%" }}>
          {state.problem}
        </Alert>
      )}
      {shown !== null && (
        <Large
          photo={shown}
          name={nameOf(shown)}
          onClose={() => setShown(null)}
          onRemove={() => {
            changePhotos(kind, id, (now) => now.filter((one) => one !== shown), "A photo was taken off.");
            setShown(null);
          }}
        />
      )}
    </Box>
  );
}
