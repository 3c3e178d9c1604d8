import { Box, Button, FormControlLabel, MenuItem, Switch, TextField, Typography } from "@mui/material";
import { withSeat } from "../../../core/edits/seats";
import { bodyOf } from "../../../core/figure/bodies";
import { seatAcross } from "../../../core/figure/pairs";
import { figureOf, onSeat, type SeatId, type SeatUse, type Surface } from "../../../core/job";
import { seatFor } from "../../../core/newJob";
import { NumberField } from "../../../ui/NumberField";
import { useEdit, useJob } from "../jobStore";

/** "left-arm" as it is read: "left arm". */
const seatName = (id: SeatId): string => id.replace("-", " ");

type Moved = Exclude<keyof SeatUse, "id" | "both">;

const TURNS: readonly { readonly key: Moved; readonly label: string }[] = [
  { key: "turnDeg", label: "Turned" },
  { key: "tiltDeg", label: "Tilted" },
  { key: "leanDeg", label: "Leaning" },
];
const MOVES: readonly { readonly key: Moved; readonly label: string }[] = [
  { key: "asideMm", label: "Aside" },
  { key: "upMm", label: "Up" },
  { key: "outMm", label: "Outwards" },
];

interface PairProps {
  readonly seat: SeatUse;
  readonly across: SeatId;
  /** Seats of the body it is on; none where there is no body. */
  readonly seats: readonly SeatId[];
  readonly set: (seat: SeatUse) => void;
}

/** Whether there are two of it. Two are planned also where no body shows the other one. */
function PairSwitch({ seat, across, seats, set }: PairProps) {
  const label = seats.includes(across)
    ? `A pair: ${seatName(across)} too, mirrored, in the same coats`
    : "A pair: two alike are planned, though only one is shown";
  return (
    <FormControlLabel
      control={<Switch checked={seat.both} onChange={(_, both) => set({ ...seat, both })} />}
      label={label}
    />
  );
}

/** Where a surface sits on its figure, turned and moved. */
export function SeatForm({ surface }: { readonly surface: Surface }) {
  const job = useJob();
  const edit = useEdit();
  const body = bodyOf(figureOf(job, surface));
  const { seat } = surface;
  const set = (next: SeatUse | null) => edit((now) => withSeat(now, surface.id, next));
  const across = seat && seatAcross(seat.id);
  if (!body)
    return (
      seat &&
      across && (
        <Box role="group" aria-label="On the figure" sx={{ px: 2, pb: 2, display: "grid", gap: 2 }}>
          <Typography variant="h3">On the figure</Typography>
          <PairSwitch {...{ seat, across, seats: [], set }} />
        </Box>
      )
    );
  const offered = seatFor(job, { ...surface });
  // Two seats may have one name, as a roof has two sides: each is told once.
  const ids = [...new Set(body.seats.map(({ id }) => id))];
  const missing = seat !== null && !ids.includes(seat.id);
  return (
    <Box role="group" aria-label="On the figure" sx={{ px: 2, pb: 2, display: "grid", gap: 2 }}>
      <Typography variant="h3">On the figure</Typography>
      <TextField
        select
        label="Seat"
        value={seat?.id ?? "aside"}
        error={missing}
        helperText={
          missing
            ? `This body has no ${seatName(seat.id)}: choose another seat.`
            : "Where it is worn or fixed."
        }
        onChange={(event) => {
          const id = event.target.value;
          set(id === "aside" ? null : { ...(seat ?? onSeat(id as SeatId)), id: id as SeatId });
        }}
      >
        <MenuItem value="aside">lies aside</MenuItem>
        {missing && <MenuItem value={seat.id}>{seatName(seat.id)}</MenuItem>}
        {ids.map((id) => (
          <MenuItem key={id} value={id}>
            {seatName(id)}
          </MenuItem>
        ))}
      </TextField>
      {!seat && offered && (
        <Button variant="outlined" onClick={() => set(offered)}>
          Seat it: {seatName(offered.id)}
        </Button>
      )}
      {seat && (
        <>
          {across !== null && <PairSwitch {...{ seat, across, seats: ids, set }} />}
          {[
            { list: TURNS, unit: "°", most: 180, step: 5 },
            { list: MOVES, unit: "mm", most: 400, step: 0.5 },
          ].map(({ list, unit, most, step }) => (
            <Box key={unit} sx={{ display: "grid", gap: 1.5, gridTemplateColumns: "1fr 1fr 1fr" }}>
              {list.map(({ key, label }) => (
                <NumberField
                  key={key}
                  label={label}
                  unit={unit}
                  min={-most}
                  max={most}
                  step={step}
                  value={seat[key]}
                  onChange={(value) => set({ ...seat, [key]: value })}
                />
              ))}
            </Box>
          ))}
        </>
      )}
    </Box>
  );
}
