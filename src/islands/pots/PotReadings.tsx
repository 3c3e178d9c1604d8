import {
  Alert,
  Box,
  Button,
  IconButton,
  LinearProgress,
  MenuItem,
  TextField,
  Typography,
} from "@mui/material";
import { useState } from "react";
import { mdiClose } from "@mdi/js";
import { Icon } from "../../ui/Icon";
import { paintOptics } from "../../core/colour/appearance";
import { differenceInWords } from "../../core/colour/difference";
import { masstone } from "../../core/colour/film";
import { fitOptics } from "../../core/colour/fit";
import { contrastRatio, hidingOf, STANDARD_FILM_UM } from "../../core/colour/paint";
import { labToHex, spectrumToHex, type Triple } from "../../core/colour/spaces";
import { READING_WAYS, type Paint, type PaintReading } from "../../core/job";
import { formatNumber } from "../../core/units";
import { NumberField } from "../../ui/NumberField";
import { useReader } from "./useReader";

const PLACE_NAMES: Readonly<Record<PaintReading["laid"], string>> = {
  thick: "a thick dry coat",
  black: "a film over black",
  white: "a film over white",
  tint: "a thick tint with white",
};

const describe = (reading: PaintReading): string => {
  if (reading.filmUm !== null)
    return `${formatNumber(reading.filmUm, 0)}\u202fµm over ${reading.laid === "black" ? "black" : "white"}`;
  return reading.whiteParts === null
    ? "thick"
    : `1 with ${formatNumber(reading.whiteParts, 1)} parts of white`;
};

interface Props {
  readonly paint: Paint;
  readonly shelf: readonly Paint[];
  readonly set: (change: Partial<Paint>) => void;
}

interface Laid {
  readonly laid: PaintReading["laid"];
  readonly filmUm: number;
  readonly whiteParts: number;
  readonly whiteId: string;
}

interface LaidProps {
  readonly at: Laid;
  readonly whites: readonly Paint[];
  readonly set: (change: Partial<Laid>) => void;
}

/** Where the reader is put down: thick, on a film over black or white, or on a tint. */
function PutDownOn({ at: { laid, filmUm, whiteParts, whiteId }, whites, set }: LaidProps) {
  return (
    <>
      <Box sx={{ display: "flex", gap: 1 }}>
        <TextField
          select
          label="Put down on"
          value={laid}
          fullWidth
          onChange={(event) => set({ laid: event.target.value as PaintReading["laid"] })}
        >
          {READING_WAYS.map((one) => (
            <MenuItem key={one} value={one}>
              {PLACE_NAMES[one]}
            </MenuItem>
          ))}
        </TextField>
        {(laid === "black" || laid === "white") && (
          <NumberField
            label="Dry film"
            unit="µm"
            min={1}
            max={200}
            value={filmUm}
            onChange={(next) => set({ filmUm: next })}
          />
        )}
        {laid === "tint" && (
          <NumberField
            label="Parts of white to 1"
            min={0.5}
            max={50}
            step={0.5}
            value={whiteParts}
            onChange={(next) => set({ whiteParts: next })}
          />
        )}
      </Box>
      {laid === "tint" && (
        <TextField
          select
          label="White of the tint"
          value={whites.some(({ id }) => id === whiteId) ? whiteId : ""}
          onChange={(event) => set({ whiteId: event.target.value })}
        >
          {whites.map((one) => (
            <MenuItem key={one.id} value={one.id}>
              {one.name}
            </MenuItem>
          ))}
        </TextField>
      )}
    </>
  );
}

/** L*a*b* of a real device, typed. */
function TypedReading({ onAdd }: { readonly onAdd: (lab: Triple) => void }) {
  const [typed, setTyped] = useState<Triple>([50, 0, 0]);
  return (
    <Box sx={{ display: "flex", gap: 1, alignItems: "flex-start" }}>
      {(["L*", "a*", "b*"] as const).map((name, axis) => (
        <NumberField
          key={name}
          label={name}
          min={axis === 0 ? 0 : -128}
          max={axis === 0 ? 100 : 128}
          value={typed[axis]!}
          onChange={(value) =>
            setTyped((now) => now.map((one, at) => (at === axis ? value : one)) as unknown as Triple)
          }
        />
      ))}
      <Button sx={{ flexShrink: 0, mt: 0.4 }} onClick={() => onAdd(typed)}>
        Add as typed
      </Button>
    </Box>
  );
}

interface ListProps {
  readonly readings: readonly PaintReading[];
  readonly onDrop: (at: number) => void;
}

function ReadingList({ readings, onDrop }: ListProps) {
  return (
    <Box component="ul" aria-label="Readings" sx={{ m: 0, p: 0, listStyle: "none" }}>
      {readings.map((reading, at) => (
        <Box
          component="li"
          key={at}
          sx={{
            display: "flex",
            alignItems: "center",
            gap: 1,
            borderTop: 1,
            borderColor: "divider",
            py: 0.5,
          }}
        >
          <Box sx={{ width: 34, height: 24, bgcolor: labToHex(reading.lab) }} />
          <Typography sx={{ flex: 1 }}>{describe(reading)}</Typography>
          <Typography variant="body2">
            {reading.lab.map((value) => formatNumber(value, 1)).join("  ")}
          </Typography>
          <IconButton size="small" aria-label={`Drop reading ${at + 1}`} onClick={() => onDrop(at)}>
            <Icon path={mdiClose} fontSize="inherit" />
          </IconButton>
        </Box>
      ))}
    </Box>
  );
}

/** Readings of a pot by the colour reader or typed, and the fit of K and S to them. */
export function PotReadings({ paint, shelf, set }: Props) {
  const whites = shelf.filter((one) => one.id !== paint.id && one.kind === "paint");
  const lightest = whites.reduce<Paint | null>(
    (best, one) => (best === null || one.thick > best.thick ? one : best),
    null,
  );
  const [at, setAt] = useState<Laid>({
    ...{ laid: "thick", filmUm: STANDARD_FILM_UM, whiteParts: 4 },
    whiteId: lightest?.id ?? "",
  });
  const { laid, filmUm, whiteParts } = at;
  const white = whites.find((one) => one.id === at.whiteId) ?? null;
  const reader = useReader(paint, white);
  const [readings, setReadings] = useState<readonly PaintReading[]>(paint.fit?.readings ?? []);
  const [problem, setProblem] = useState<string | null>(null);
  const spot = {
    laid,
    filmUm: laid === "black" || laid === "white" ? filmUm : null,
    whiteParts: laid === "tint" ? whiteParts : null,
  };
  const add = (lab: Triple | null) => lab && setReadings((list) => [...list, { ...spot, lab }]);
  const tint = white && { optics: paintOptics(white), strength: white.strength };
  const fit = () => {
    try {
      const start = paintOptics({ ...paint, fit: null });
      const found = fitOptics(readings, start, paint.strength, tint);
      setProblem(null);
      set({
        fit: found.fit,
        thick: spectrumToHex(masstone(found.optics)),
        hiding: hidingOf(contrastRatio(found.optics)),
        ...(found.strength === null ? {} : { strength: Math.round(found.strength * 100) / 100 }),
      });
    } catch (error) {
      if (!(error instanceof RangeError)) throw error;
      setProblem(error.message);
    }
  };
  return (
    <Box sx={{ display: "grid", gap: 2, pt: 1 }}>
      <Alert severity="info" variant="outlined" icon={false}>
        Simulated colour reader. No device is connected: its readings are made up, with noise, near what the
        label says. Readings of a real device can be typed in below.
      </Alert>
      <PutDownOn at={at} whites={whites} set={(change) => setAt((now) => ({ ...now, ...change }))} />
      <Box sx={{ display: "flex", gap: 1, alignItems: "center", flexWrap: "wrap" }}>
        <Button variant="outlined" disabled={reader.busy} onClick={() => void reader.calibrate()}>
          Calibrate on the white tile
        </Button>
        <Button variant="contained" disabled={reader.busy} onClick={() => void reader.read(spot).then(add)}>
          Read
        </Button>
        <Typography variant="body2" role="status">
          {reader.left > 0 ? `${reader.left} readings until the white tile` : "not calibrated"}
        </Typography>
      </Box>
      {reader.busy && <LinearProgress aria-label="Reading" />}
      {reader.problem !== null && (
        <Alert severity="warning" variant="outlined">
          {reader.problem}
        </Alert>
      )}
      <TypedReading onAdd={add} />
      <ReadingList
        readings={readings}
        onDrop={(at) => setReadings((list) => list.filter((_, k) => k !== at))}
      />
      {problem !== null && (
        <Alert severity="error" variant="outlined">
          {problem}
        </Alert>
      )}
      <Box sx={{ display: "flex", gap: 1 }}>
        <Button variant="contained" disabled={readings.length === 0} onClick={fit}>
          Fit the pot to these readings
        </Button>
        {paint.fit && <Button onClick={() => set({ fit: null })}>Go back to the colours by eye</Button>}
      </Box>
      {paint.fit && (
        <Typography role="status">
          Fitted to {paint.fit.readings.length} readings. What remains:{" "}
          {formatNumber(paint.fit.meanDifference, 1)} on average,{" "}
          {formatNumber(paint.fit.largestDifference, 1)} at most,{" "}
          {differenceInWords(paint.fit.largestDifference)}.
        </Typography>
      )}
    </Box>
  );
}
