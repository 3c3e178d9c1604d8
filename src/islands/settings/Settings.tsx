import { Alert, Box, LinearProgress, ToggleButton, ToggleButtonGroup, Typography } from "@mui/material";
import { useEffect, useRef, useState } from "react";
import type { Learned } from "../../core/learning/learned";
import type { Painter } from "../../core/painter";
import { call, messageOf } from "../../ui/api";
import { AppFrame } from "../../ui/AppFrame";
import { TopBar } from "../../ui/TopBar";
import { NumberField } from "../../ui/NumberField";
import { usePrefs, type Fineness, type PiecesDrawn } from "../../ui/prefs";
import { DoubtBoxes } from "../../ui/DoubtBoxes";
import { LearnedNumbers } from "./LearnedNumbers";
import { LearnedPots } from "./LearnedPots";
import { TestPlate } from "./TestPlate";
import { TrueSize } from "./TrueSize";
import { SURROUNDS, type Surround } from "../../ui/theme";

type NumberKey = Exclude<keyof Painter, "hand" | "learning" | "without">;

const FIELDS: readonly {
  key: NumberKey;
  label: string;
  unit: string;
  min: number;
  max: number;
  step: number;
}[] = [
  { key: "waterDropUl", label: "One drop of water", unit: "µl", min: 5, max: 200, step: 5 },
  { key: "brushLossUl", label: "Stays in the brush at each rinse", unit: "µl", min: 0, max: 200, step: 1 },
  { key: "paletteLossUl", label: "Stays on the palette", unit: "µl", min: 0, max: 500, step: 5 },
  { key: "brushLoadUl", label: "A brush takes up", unit: "µl", min: 0.5, max: 50, step: 0.5 },
  { key: "paletteHours", label: "Paint keeps on the palette", unit: "h", min: 0.2, max: 72, step: 0.1 },
  { key: "roomC", label: "Room", unit: "°C", min: 5, max: 40, step: 1 },
  { key: "humidityPercent", label: "Humidity of its air", unit: "%", min: 5, max: 98, step: 1 },
  { key: "airMps", label: "Air over the piece", unit: "m/s", min: 0, max: 5, step: 0.1 },
  { key: "secondsPerPull", label: "One pull of a line", unit: "s", min: 0.5, max: 120, step: 0.5 },
  { key: "secondsPerBox", label: "One box, one pass", unit: "s", min: 0.5, max: 120, step: 0.5 },
  { key: "secondsPerDot", label: "One dot", unit: "s", min: 0.2, max: 60, step: 0.2 },
  { key: "mm2PerMinute", label: "Brushed all over in a minute", unit: "mm²", min: 10, max: 5000, step: 10 },
  { key: "sprayedMm2PerMinute", label: "Sprayed in a minute", unit: "mm²", min: 10, max: 50_000, step: 100 },
  {
    key: "handlingMinutes",
    label: "Taking up one figure of a unit",
    unit: "min",
    min: 0,
    max: 10,
    step: 0.1,
  },
  { key: "dryingTimes", label: "Drying, times of the computed", unit: "×", min: 0.1, max: 10, step: 0.1 },
  { key: "waterTimes", label: "Water, times of what a coat names", unit: "×", min: 0.1, max: 10, step: 0.1 },
  { key: "setUpMinutes", label: "Mixing and setting up a coat", unit: "min", min: 0, max: 30, step: 0.5 },
];

function useProfile() {
  const [painter, setPainter] = useState<Painter | null>(null);
  const [learned, setLearned] = useState<readonly Learned[]>([]);
  const [state, setState] = useState("");
  const [problem, setProblem] = useState<string | null>(null);
  const waiting = useRef<Painter | null>(null);
  const busy = useRef(false);
  useEffect(() => {
    call<{ painter: Painter; learned: Learned[] }>("/api/painter").then(
      (loaded) => {
        setPainter(loaded.painter);
        setLearned(loaded.learned);
      },
      (error: unknown) => setProblem(messageOf(error)),
    );
  }, []);
  /** One at a time, so that they arrive in order; the newest goes out as soon as the one before was heard. */
  const send = async () => {
    if (busy.current) return;
    busy.current = true;
    while (waiting.current) {
      const next = waiting.current;
      waiting.current = null;
      try {
        // It arrives though the page is closed right after the last key.
        const kept = { method: "PUT", json: next, keepalive: true } as const;
        setLearned((await call<{ learned: Learned[] }>("/api/painter", kept)).learned);
        setState("Saved");
        setProblem(null);
      } catch (error) {
        setState("Not saved");
        setProblem(messageOf(error));
      }
    }
    busy.current = false;
  };
  const change = (next: Painter) => {
    setPainter(next);
    setState("Saving");
    waiting.current = next;
    void send();
  };
  return { painter, learned, change, state, problem };
}

/** How pictures of surfaces are drawn on this machine. */
function Drawing() {
  const { fineness, setFineness, pieces, setPieces } = usePrefs();
  return (
    <>
      <Typography variant="body2">How fine surfaces are drawn</Typography>
      <ToggleButtonGroup
        exclusive
        size="small"
        value={fineness}
        aria-label="How fine surfaces are drawn"
        onChange={(_event, next: Fineness | null) => next && setFineness(next)}
      >
        <ToggleButton value="fine">Every mark</ToggleButton>
        <ToggleButton value="quick">Quick, on a slow machine</ToggleButton>
        <ToggleButton value="rough">Rough, on a very slow one</ToggleButton>
      </ToggleButtonGroup>
      <Typography variant="body2">How a piece on its form is drawn</Typography>
      <ToggleButtonGroup
        exclusive
        size="small"
        value={pieces}
        aria-label="How a piece on its form is drawn"
        onChange={(_event, next: PiecesDrawn | null) => next && setPieces(next)}
      >
        <ToggleButton value="as fits">Moving, where there is a graphics chip</ToggleButton>
        <ToggleButton value="moving">Always moving</ToggleButton>
        <ToggleButton value="still">Still pictures</ToggleButton>
      </ToggleButtonGroup>
    </>
  );
}

function Display() {
  const { mode, setMode, surround, setSurround } = usePrefs();
  return (
    <Box sx={{ display: "grid", gap: 2, justifyItems: "start" }}>
      <Typography variant="h2">Screen</Typography>
      <ToggleButtonGroup
        exclusive
        size="small"
        value={mode}
        aria-label="Theme"
        onChange={(_event, next: "light" | "dark" | null) => next && setMode(next)}
      >
        <ToggleButton value="light">Light</ToggleButton>
        <ToggleButton value="dark">Dark</ToggleButton>
      </ToggleButtonGroup>
      <Typography variant="body2">Surround on which colours are judged</Typography>
      <ToggleButtonGroup
        exclusive
        size="small"
        value={surround}
        aria-label="Surround"
        onChange={(_event, next: Surround | null) => next && setSurround(next)}
      >
        {(Object.keys(SURROUNDS) as Surround[]).map((name) => (
          <ToggleButton key={name} value={name}>
            <Box
              component="span"
              sx={{
                width: 14,
                height: 14,
                mr: 1,
                bgcolor: SURROUNDS[name],
                border: 1,
                borderColor: "divider",
              }}
            />
            {name}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      <Drawing />
    </Box>
  );
}

function Profile({
  painter,
  change,
}: {
  readonly painter: Painter;
  readonly change: (painter: Painter) => void;
}) {
  const grid = {
    display: "grid",
    gap: 2,
    gridTemplateColumns: "repeat(auto-fill, minmax(250px, 1fr))",
    mt: 2,
  };
  return (
    <>
      <Typography variant="h2">Hand</Typography>
      <Typography variant="body2">New jobs start with these; each job keeps its own.</Typography>
      <Box sx={grid}>
        <NumberField
          label="Finest line you can make"
          unit="mm"
          min={0.03}
          max={1}
          step={0.01}
          value={painter.hand.finestLineMm}
          onChange={(finestLineMm) => change({ ...painter, hand: { ...painter.hand, finestLineMm } })}
        />
        <NumberField
          label="Steadiness, 0 shaky to 100 very steady"
          unit="%"
          min={0}
          max={100}
          step={5}
          value={painter.hand.steadiness01 * 100}
          onChange={(value) => change({ ...painter, hand: { ...painter.hand, steadiness01: value / 100 } })}
        />
      </Box>
      <Typography variant="h2" sx={{ mt: 4 }}>
        What you do without
      </Typography>
      <Typography variant="body2">
        Another route for a coat leaves these out, and says where a plan asks for them.
      </Typography>
      <DoubtBoxes without={painter.without ?? []} onChange={(without) => change({ ...painter, without })} />
      <Typography variant="h2" sx={{ mt: 4 }}>
        Drops, losses and pace
      </Typography>
      <Typography variant="body2">Counts of drops and minutes on the cards follow these.</Typography>
      <Box sx={grid}>
        {FIELDS.map(({ key, ...field }) => (
          <NumberField
            key={key}
            {...field}
            value={painter[key]}
            onChange={(value) => change({ ...painter, [key]: value })}
          />
        ))}
      </Box>
    </>
  );
}

/** The painter's own numbers, and how the screen looks. */
export function Settings() {
  const { painter, learned, change, state, problem } = useProfile();
  return (
    <AppFrame>
      <Box sx={{ height: "100vh", overflow: "auto", bgcolor: "background.paper" }}>
        <TopBar here="Settings" title="Settings: the painter">
          <Typography variant="body2" role="status">
            {state}
          </Typography>
        </TopBar>
        <Box component="main" sx={{ px: 3, py: 3, maxWidth: 900 }}>
          {problem !== null && (
            <Alert severity="error" variant="outlined" sx={{ mb: 2 }}>
              {problem}
            </Alert>
          )}
          {painter ? (
            <>
              <Profile painter={painter} change={change} />
              <TestPlate painter={painter} change={change} />
              <LearnedNumbers painter={painter} learned={learned} change={change} />
              <LearnedPots painter={painter} change={change} />
            </>
          ) : (
            problem === null && <LinearProgress aria-label="Loading" />
          )}
          <Box sx={{ mt: 4 }}>
            <Display />
            <TrueSize />
          </Box>
        </Box>
      </Box>
    </AppFrame>
  );
}
