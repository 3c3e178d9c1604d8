import {
  Alert,
  Box,
  Button,
  LinearProgress,
  ToggleButton,
  ToggleButtonGroup,
  Typography,
} from "@mui/material";
import { useMemo, useRef, useState, type PointerEvent } from "react";
import { meanLinear, neutralFrom, type MainColour, type Neutral } from "../../../core/colour/mainColours";
import { encodeSrgb, linearToHex, type Triple } from "../../../core/colour/spaces";
import type { Reference } from "../../../core/job";
import { formatNumber } from "../../../core/units";
import { NumberField } from "../../../ui/NumberField";
import { Picture } from "../../../ui/Picture";
import { taskWorker } from "../../../worker/client";
import { useEdit } from "../jobStore";
import { changeReference, withoutReference, withGoals } from "./goalEdits";
import { usePicture, type PicturePixels } from "./usePicture";

type Colours =
  | { readonly kind: "busy" }
  | { readonly kind: "found"; readonly colours: readonly MainColour[] }
  | { readonly kind: "failed"; readonly message: string }
  | null;
type Mode = "pick" | "grey";

const corrected = (linear: Triple, neutral: Neutral | null): Triple =>
  neutral ? [linear[0] * neutral[0], linear[1] * neutral[1], linear[2] * neutral[2]] : linear;

/** The picture as it looks after the correction; curves of 256 steps do for the eye. */
function shown(picture: PicturePixels, neutral: Neutral | null) {
  if (!neutral) return picture;
  const curves = neutral.map((factor) =>
    Uint8ClampedArray.from({ length: 256 }, (_, byte) => {
      const value = byte / 255;
      const linear = value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4;
      return 255 * encodeSrgb(Math.min(1, linear * factor));
    }),
  );
  const rgba = new Uint8ClampedArray(picture.rgba);
  for (let at = 0; at < rgba.length; at += 4) {
    for (let k = 0; k < 3; k++) rgba[at + k] = curves[k]![rgba[at + k]!]!;
  }
  return { ...picture, rgba };
}

function MainColours({
  reference,
  picture,
}: {
  readonly reference: Reference;
  readonly picture: PicturePixels;
}) {
  const edit = useEdit();
  const [count, setCount] = useState(6);
  const [found, setFound] = useState<Colours>(null);
  const ask = () => {
    setFound({ kind: "busy" });
    const input = { picture: picture.blob, count, neutral: reference.neutral };
    taskWorker().ask("mainColours", input, {
      answer: (colours) => setFound({ kind: "found", colours }),
      failed: (message) => setFound({ kind: "failed", message }),
    });
  };
  const take = (colours: readonly MainColour[]) =>
    edit((job) =>
      withGoals(
        job,
        colours.map(({ colour, share }, at) => ({
          name: `${reference.name.slice(0, 60)} ${at + 1}`,
          colour,
          share,
          referenceId: reference.id,
        })),
      ),
    );
  return (
    <Box sx={{ display: "grid", gap: 1 }}>
      <Box sx={{ display: "flex", gap: 1, alignItems: "flex-start" }}>
        <NumberField
          label="At most"
          unit="colours"
          min={1}
          max={16}
          whole
          width={130}
          value={count}
          onChange={setCount}
        />
        <Button variant="outlined" sx={{ mt: 0.3 }} disabled={found?.kind === "busy"} onClick={ask}>
          Find its main colours
        </Button>
      </Box>
      {found?.kind === "busy" && <LinearProgress aria-label="Finding colours" />}
      {found?.kind === "failed" && (
        <Alert severity="error" variant="outlined">
          {found.message}
        </Alert>
      )}
      {found?.kind === "found" && (
        <>
          <Box sx={{ display: "flex", height: 34 }} role="img" aria-label="Main colours by share">
            {found.colours.map((one) => (
              <Box
                key={one.colour}
                title={`${one.colour}, ${formatNumber(one.share * 100, 0)} %`}
                sx={{ flex: one.share, minWidth: 3, bgcolor: one.colour }}
              />
            ))}
          </Box>
          <Typography variant="body2">
            {found.colours
              .map((one) => `${one.colour} ${formatNumber(one.share * 100, 0)}\u202f%`)
              .join(", ")}
          </Typography>
          <Button sx={{ justifySelf: "start", px: 0 }} onClick={() => take(found.colours)}>
            Take all as goals
          </Button>
        </>
      )}
    </Box>
  );
}

/** One reference picture: pick points, correct its light, find its main colours. */
export function ReferenceCard({ reference }: { readonly reference: Reference }) {
  const edit = useEdit();
  const { pixels, problem } = usePicture(reference.pictureId);
  const [mode, setMode] = useState<Mode>("pick");
  const [radius, setRadius] = useState(4);
  const [note, setNote] = useState<string | null>(null);
  const host = useRef<HTMLDivElement>(null);
  const view = useMemo(() => pixels && shown(pixels, reference.neutral), [pixels, reference.neutral]);
  const point = (event: PointerEvent) => {
    if (!pixels || !host.current) return;
    const box = host.current.getBoundingClientRect();
    const x = Math.floor(((event.clientX - box.left) / box.width) * pixels.width);
    const y = Math.floor(((event.clientY - box.top) / box.height) * pixels.height);
    const mean = meanLinear(pixels.rgba, pixels.width, pixels.height, x, y, radius);
    if (!mean) return;
    if (mode === "grey") {
      edit((job) => changeReference(job, reference.id, { neutral: neutralFrom(mean) }));
      setNote("Corrected: the place you pointed at is grey now. Goals taken before keep their colours.");
      return;
    }
    const colour = linearToHex(corrected(mean, reference.neutral));
    edit((job) =>
      withGoals(job, [
        {
          name: `${reference.name.slice(0, 60)} at ${x}, ${y}`,
          colour,
          share: null,
          referenceId: reference.id,
        },
      ]),
    );
    setNote(`${colour} is a goal now.`);
  };
  return (
    <Box
      component="section"
      aria-label={`Picture ${reference.name}`}
      sx={{ bgcolor: "background.paper", p: 1.5, display: "grid", gap: 1.2 }}
    >
      <Box sx={{ display: "flex", alignItems: "center", gap: 1 }}>
        <Typography variant="h3" noWrap sx={{ flex: 1 }}>
          {reference.name}
        </Typography>
        {reference.neutral && (
          <Button onClick={() => edit((job) => changeReference(job, reference.id, { neutral: null }))}>
            As it was
          </Button>
        )}
        <Button onClick={() => edit((job) => withoutReference(job, reference.id))}>Remove the picture</Button>
      </Box>
      {problem !== null && (
        <Alert severity="error" variant="outlined">
          {problem}
        </Alert>
      )}
      {!view && problem === null && <LinearProgress aria-label="Loading the picture" />}
      {view && pixels && (
        <>
          <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap", alignItems: "flex-start" }}>
            <ToggleButtonGroup
              exclusive
              size="small"
              value={mode}
              aria-label="A click on the picture"
              onChange={(_event, next: Mode | null) => next && setMode(next)}
            >
              <ToggleButton value="pick">Click takes a colour</ToggleButton>
              <ToggleButton value="grey">Click on something grey</ToggleButton>
            </ToggleButtonGroup>
            <NumberField
              label="Averaged over a radius of"
              unit="px"
              min={0}
              max={60}
              whole
              width={180}
              value={radius}
              onChange={setRadius}
            />
          </Box>
          <Box
            ref={host}
            onPointerDown={point}
            sx={{ cursor: "crosshair", maxWidth: 520, lineHeight: 0, justifySelf: "start", width: "100%" }}
          >
            <Picture pixels={view} label={`Reference picture ${reference.name}`} cssWidth="100%" />
          </Box>
          <Typography variant="body2" role="status">
            {note ??
              (mode === "pick"
                ? "Click a place to keep its colour."
                : "Click something that is grey in life.")}
          </Typography>
          <MainColours reference={reference} picture={pixels} />
        </>
      )}
    </Box>
  );
}
