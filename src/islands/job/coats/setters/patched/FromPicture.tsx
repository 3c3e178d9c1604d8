import { Alert, Box, Button, LinearProgress, MenuItem, TextField, Typography } from "@mui/material";
import { useState } from "react";
import type { PlacedColour, Shown } from "../../../../../core/colour/placedColours";
import type { Reference } from "../../../../../core/job";
import { COLOURS, type PatchedParams } from "../../../../../core/patterns/patched/params";
import { formatNumber } from "../../../../../core/units";
import { NumberField } from "../../../../../ui/NumberField";
import { Picture } from "../../../../../ui/Picture";
import { taskWorker } from "../../../../../worker/client";
import { useJob } from "../../../jobStore";
import { AddPicture } from "../../../palette/AddPicture";
import { usePicture } from "../../../palette/usePicture";
import { Choice } from "../Choice";
import { SITS_NAMES, withPicture } from "./edits";

interface Props {
  readonly params: PatchedParams;
  readonly change: (part: Partial<PatchedParams>) => void;
}

type State =
  | { readonly kind: "idle" | "busy" }
  | { readonly kind: "found"; readonly colours: readonly PlacedColour[] }
  | { readonly kind: "failed"; readonly message: string };

const placeText = ({ sits, keeps }: PlacedColour): string =>
  sits === "anywhere" ? "anywhere" : `${SITS_NAMES[sits]}, ${keeps}\u202f%`;

function Found({
  colours,
  onTake,
}: {
  readonly colours: readonly PlacedColour[];
  readonly onTake: () => void;
}) {
  const few = colours.length < COLOURS.least;
  return (
    <Box role="status" sx={{ display: "grid", gap: 1, justifyItems: "start" }}>
      {colours.map((one) => (
        <Box key={one.colour} sx={{ display: "flex", gap: 1, alignItems: "center" }}>
          <Box aria-hidden sx={{ width: 34, height: 18, bgcolor: one.colour }} />
          <Typography variant="body2">
            {one.colour} on {formatNumber(one.share, 1)}&#8239;%, {placeText(one)}
          </Typography>
        </Box>
      ))}
      {few ? (
        <Typography variant="body2">
          {colours.length === 0 ? "Nothing is left of the picture." : "Only one colour was found."} A patched
          coat has two at least: ask for more colours, or take another picture.
        </Typography>
      ) : (
        <Button variant="contained" onClick={onTake}>
          Take these colours
        </Button>
      )}
    </Box>
  );
}

/** One kept picture, and what is read from it. */
function Reading({ reference, params, change }: Props & { readonly reference: Reference }) {
  const { pixels, problem } = usePicture(reference.pictureId);
  const [most, setMost] = useState(3);
  const [shown, setShown] = useState<Shown>("all-over");
  const [state, setState] = useState<State>({ kind: "idle" });
  if (problem !== null)
    return (
      <Alert severity="error" variant="outlined">
        {problem}
      </Alert>
    );
  if (!pixels) return <LinearProgress aria-label="Loading the picture" />;
  const ask = () => {
    setState({ kind: "busy" });
    taskWorker().ask(
      "placedColours",
      { picture: pixels.blob, most, neutral: reference.neutral, shown },
      {
        answer: (colours) => setState({ kind: "found", colours }),
        failed: (message) => setState({ kind: "failed", message }),
      },
    );
  };
  return (
    <Box sx={{ display: "flex", gap: 2, flexWrap: "wrap", alignItems: "flex-start" }}>
      <Picture pixels={pixels} label={`Reference picture ${reference.name}`} cssWidth={200} />
      <Box sx={{ display: "grid", gap: 1.2, flex: 1, minWidth: 260 }}>
        <Box sx={{ display: "flex", gap: 1.5, flexWrap: "wrap", alignItems: "flex-end" }}>
          <Choice
            label="The picture shows"
            value={shown}
            options={[
              ["all-over", "hair all over"],
              ["before-ground", "a beast before a ground"],
            ]}
            onChange={setShown}
          />
          <NumberField
            label="At most"
            unit="colours"
            min={COLOURS.least}
            max={COLOURS.most}
            whole
            width={120}
            value={most}
            onChange={setMost}
          />
          <Button variant="outlined" disabled={state.kind === "busy"} onClick={ask}>
            Read the coat
          </Button>
        </Box>
        {state.kind === "busy" && <LinearProgress aria-label="Reading the coat" />}
        {state.kind === "failed" && (
          <Alert severity="error" variant="outlined">
            {state.message}
          </Alert>
        )}
        {state.kind === "found" && (
          <Found colours={state.colours} onTake={() => change(withPicture(params, state.colours))} />
        )}
      </Box>
    </Box>
  );
}

/** Colours, shares and places from a picture of the animal. */
export function FromPicture({ params, change }: Props) {
  const { references } = useJob();
  const [wanted, setWanted] = useState<string | null>(null);
  const reference = references.find(({ id }) => id === wanted) ?? references.at(-1);
  return (
    <Box component="section" aria-label="From a picture" sx={{ display: "grid", gap: 1.2 }}>
      <Box sx={{ display: "flex", gap: 1.5, alignItems: "center", flexWrap: "wrap" }}>
        <Typography variant="h3">From a picture</Typography>
        {references.length > 0 && (
          <TextField
            select
            value={reference!.id}
            sx={{ width: 180 }}
            slotProps={{ select: { SelectDisplayProps: { "aria-label": "Picture to read" } } }}
            onChange={(event) => setWanted(event.target.value)}
          >
            {references.map(({ id, name }) => (
              <MenuItem key={id} value={id}>
                {name}
              </MenuItem>
            ))}
          </TextField>
        )}
        <AddPicture quiet />
      </Box>
      {reference ? (
        <Reading key={reference.id} {...{ reference, params, change }} />
      ) : (
        <Typography variant="body2">
          A picture of the animal gives the colours, how much of it each has, and whether they sit on the
          back, the belly or the ends.
        </Typography>
      )}
    </Box>
  );
}
