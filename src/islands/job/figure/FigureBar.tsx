import { Alert, Box, Button, MenuItem, TextField, ToggleButton, ToggleButtonGroup } from "@mui/material";
import type { Figure } from "../../../core/job";
import { formatNumber } from "../../../core/units";
import type { FigureShown } from "../../../worker/figureSkins";
import { useJob } from "../jobStore";
import { DISTANCES, useView } from "../viewStore";
import { SIDES, useFigureLook } from "./figureLook";
import { useFigureFile } from "./useFigureFile";

const distanceName = (mm: number | null) =>
  mm === null ? "Every mark" : `${formatNumber(mm / 10, 0)}\u202fcm`;

const AS_NAMES: Readonly<Record<FigureShown["as"], string>> = {
  paint: "painted",
  primer: "primed",
  sprayed: "white over black",
  values: "steps of light",
};

/** From which side, from how far, and as what a figure is looked at. */
export function FigureBar({ figure }: { readonly figure: Figure }) {
  const { turnDeg, tiltDeg, as, set } = useFigureLook();
  const file = useFigureFile(figure);
  const dressed = useJob().surfaces.some((one) => one.figureId === figure.id && one.seat !== null);
  const distanceMm = useView((view) => view.distanceMm);
  const setView = useView((view) => view.set);
  const side = SIDES.find((one) => one.turnDeg === turnDeg && one.tiltDeg === tiltDeg)?.name ?? null;
  return (
    <Box
      sx={{
        ...{ display: "flex", gap: 1, flexWrap: "wrap", flexShrink: 0, px: 1, py: 0.75 },
        ...{ bgcolor: "background.paper", borderBottom: 1, borderColor: "divider" },
        "& .MuiToggleButton-root": { whiteSpace: "nowrap", px: 0.75 },
      }}
    >
      <ToggleButtonGroup
        exclusive
        size="small"
        aria-label={`Side from which ${figure.name} is seen`}
        value={side}
        onChange={(_, name: string | null) => {
          const next = SIDES.find((one) => one.name === name);
          if (next) set({ turnDeg: next.turnDeg, tiltDeg: next.tiltDeg });
        }}
      >
        {SIDES.map(({ name }) => (
          <ToggleButton key={name} value={name}>
            {name}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      <ToggleButtonGroup
        exclusive
        size="small"
        aria-label="Seen from"
        value={distanceMm ?? 0}
        onChange={(_, mm: number | null) => mm !== null && setView({ distanceMm: mm === 0 ? null : mm })}
      >
        {DISTANCES.map((mm) => (
          <ToggleButton key={mm ?? 0} value={mm ?? 0}>
            {distanceName(mm)}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      <TextField
        select
        size="small"
        label="Shown"
        value={as}
        onChange={(event) => set({ as: event.target.value as typeof as })}
        sx={{ width: 150 }}
      >
        {Object.entries(AS_NAMES).map(([one, name]) => (
          <MenuItem key={one} value={one}>
            {name}
          </MenuItem>
        ))}
      </TextField>
      {figure.body && dressed && (
        <Button disabled={file.busy} onClick={file.make} title="Every piece with its paint, in metres">
          {file.busy ? "Making the file" : "Export glTF"}
        </Button>
      )}
      {file.problem !== null && <Alert severity="error">{file.problem}</Alert>}
    </Box>
  );
}
