import { Box, Button, MenuItem, TextField, ToggleButton, ToggleButtonGroup, Typography } from "@mui/material";
import { memo } from "react";
import { usePrefs, type Shape } from "../../../ui/prefs";
import { SURROUNDS, type Surround } from "../../../ui/theme";
import { useFigureLook } from "../figure/figureLook";
import { DISTANCES, useView, type LightShown } from "../viewStore";

const DISTANCE_NAMES: Readonly<Record<string, string>> = {
  null: "every mark",
  "200": "in the hand, 20 cm",
  "600": "at arm's length, 60 cm",
  "1200": "across the table, 120 cm",
};

/** Shows the surface before the chosen coat for as long as it is held down. */
function HoldBefore({ disabled }: { readonly disabled: boolean }) {
  const set = useView((view) => view.set);
  const before = useView((view) => view.before);
  const hold = (held: boolean) => set({ before: held });
  return (
    <Button
      variant="outlined"
      disabled={disabled}
      aria-pressed={before}
      sx={{ touchAction: "none" }}
      onPointerDown={() => hold(true)}
      onPointerUp={() => hold(false)}
      onPointerLeave={() => hold(false)}
      onPointerCancel={() => hold(false)}
      onKeyDown={(event) => [" ", "Enter"].includes(event.key) && hold(true)}
      onKeyUp={() => hold(false)}
      onBlur={() => hold(false)}
    >
      Hold: before it
    </Button>
  );
}

const row = {
  display: "flex",
  alignItems: "center",
  flexWrap: "wrap",
  columnGap: 0.6,
  rowGap: 0.5,
  py: 0.4,
} as const;

/** What is shown of one surface, and from how far. */
function Shown() {
  const { light, distanceMm, set } = useView();
  return (
    <>
      <ToggleButtonGroup
        exclusive
        size="small"
        aria-label="What is shown"
        value={light}
        onChange={(_event, next: LightShown | null) => next && set({ light: next })}
      >
        <ToggleButton value="colour">Colour</ToggleButton>
        <ToggleButton value="lit">Lit</ToggleButton>
        <ToggleButton value="light">Light map</ToggleButton>
        <ToggleButton value="values" aria-label="Value plan">
          Values
        </ToggleButton>
        <ToggleButton value="wear">Wear map</ToggleButton>
      </ToggleButtonGroup>
      <TextField
        select
        size="small"
        label="Seen"
        value={String(distanceMm)}
        onChange={(event) =>
          set({ distanceMm: event.target.value === "null" ? null : Number(event.target.value) })
        }
        sx={{ width: 158 }}
      >
        {DISTANCES.map((mm) => (
          <MenuItem key={String(mm)} value={String(mm)}>
            {DISTANCE_NAMES[String(mm)]}
          </MenuItem>
        ))}
      </TextField>
    </>
  );
}

/** How near one surface is shown, and on what. */
function Near() {
  const { zoom, trueSize, set } = useView();
  const { surround, setSurround } = usePrefs();
  return (
    <>
      <ToggleButtonGroup
        exclusive
        size="small"
        aria-label="How near"
        value={trueSize ? "true" : [1, 2, 4].includes(zoom) ? zoom : null}
        onChange={(_event, next: number | "true" | null) =>
          next !== null && set(next === "true" ? { trueSize: true } : { trueSize: false, zoom: next })
        }
      >
        <ToggleButton value="true">True size</ToggleButton>
        <ToggleButton value={1}>Whole</ToggleButton>
        <ToggleButton value={2}>Near</ToggleButton>
        <ToggleButton value={4}>Nearest</ToggleButton>
      </ToggleButtonGroup>
      <ToggleButtonGroup
        exclusive
        size="small"
        aria-label="Surround"
        value={surround}
        onChange={(_event, next: Surround | null) => next && setSurround(next)}
      >
        {(Object.keys(SURROUNDS) as Surround[]).map((name) => (
          <ToggleButton key={name} value={name} aria-label={`${name} surround`} sx={{ px: 0.7 }}>
            <Box
              component="span"
              sx={{ width: 16, height: 16, bgcolor: SURROUNDS[name], border: 1, borderColor: "divider" }}
            />
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
    </>
  );
}

interface ToolbarProps {
  /** Painted coats of the surface. */
  readonly count: number;
  /** The chosen coat is one of them. */
  readonly chosenPainted: boolean;
}

/** How the specimen is shown; drawn anew only where what it shows has changed, as every edit passes by here. */
export const SpecimenBar = memo(function SpecimenBar({ count, chosenPainted }: ToolbarProps) {
  const { upTo, shape, set } = useView();
  const setShape = usePrefs((prefs) => prefs.setShape);
  const { whole, as, set: look } = useFigureLook();
  const chooseShape = (next: Shape | "figure" | null) => {
    if (!next) return;
    look({ whole: next === "figure" });
    if (next === "figure") return;
    set({ shape: next });
    setShape(next);
  };
  // Primed or in its steps of light, a figure is the same whatever has been painted.
  const bare = whole && as !== "paint";
  const shown = upTo === null ? count : Math.min(upTo, count);
  const step = (to: number) => set({ upTo: to >= count ? null : Math.max(0, to) });
  return (
    <Box sx={{ bgcolor: "background.paper", borderBottom: 1, borderColor: "divider", px: 1.5, py: 0.5 }}>
      <Box sx={row}>
        <ToggleButtonGroup
          exclusive
          size="small"
          aria-label="Shape"
          value={whole ? "figure" : shape}
          onChange={(_event, next: Shape | "figure" | null) => chooseShape(next)}
        >
          <ToggleButton value="figure">On the figure</ToggleButton>
          <ToggleButton value="form">On its form</ToggleButton>
          <ToggleButton value="flat">Flat</ToggleButton>
        </ToggleButtonGroup>
        {!whole && <Shown />}
      </Box>
      <Box sx={row}>
        {!whole && <Near />}
        <HoldBefore disabled={bare || !chosenPainted} />
        <Box sx={{ flex: 1 }} />
        <Typography variant="body2" role="status">
          {bare ? "before any coat" : `after coat ${shown} of ${count}`}
        </Typography>
        <Button
          variant="outlined"
          sx={{ minWidth: 0 }}
          aria-label="One coat back"
          disabled={bare || shown === 0}
          onClick={() => step(shown - 1)}
        >
          Back
        </Button>
        <Button
          variant="outlined"
          sx={{ minWidth: 0 }}
          aria-label="One coat on"
          disabled={bare || shown >= count}
          onClick={() => step(shown + 1)}
        >
          On
        </Button>
      </Box>
    </Box>
  );
});
