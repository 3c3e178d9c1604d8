import { Box, Button, MenuItem, TextField, Typography } from "@mui/material";
import { HIDING, type Hiding } from "../../core/colour/paint";
import {
  FINISHES,
  PAINT_KINDS,
  PAINT_STATES,
  type Finish,
  type Paint,
  type PaintKind,
  type PaintState,
} from "../../core/job";
import { NumberField } from "../../ui/NumberField";
import { ColourField } from "./ColourField";
import { misfitsOf } from "../../core/colour/misfit";
import { PotDrawdown } from "./PotDrawdown";
import { withKind, withLook } from "./potLooks";

interface Props {
  readonly paint: Paint;
  readonly set: (change: Partial<Paint>) => void;
  /** Told which colour is typed wrongly, so that it is not left behind in silence. */
  readonly onWrong: (field: string, wrong: boolean) => void;
}

interface ChoiceProps<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly values: readonly T[];
  readonly onChange: (value: T) => void;
}

function Choice<T extends string>({ label, value, values, onChange }: ChoiceProps<T>) {
  return (
    <TextField
      select
      label={label}
      value={value}
      fullWidth
      onChange={(event) => onChange(event.target.value as T)}
    >
      {values.map((one) => (
        <MenuItem key={one} value={one}>
          {one}
        </MenuItem>
      ))}
    </TextField>
  );
}

/** A colour that may be left out. */
function OptionalColour({
  label,
  ask,
  value,
  begin,
  onChange,
  onWrong,
}: {
  readonly label: string;
  readonly ask: string;
  readonly value: string | null;
  readonly begin: string;
  readonly onChange: (value: string | null) => void;
  readonly onWrong: (wrong: boolean) => void;
}) {
  if (value === null) {
    return (
      <Button sx={{ justifySelf: "start", px: 0 }} onClick={() => onChange(begin)}>
        {ask}
      </Button>
    );
  }
  return (
    <Box>
      <ColourField label={label} value={value} onChange={onChange} onWrong={onWrong} />
      <Button
        sx={{ px: 0 }}
        onClick={() => {
          onWrong(false);
          onChange(null);
        }}
      >
        Leave this colour out
      </Button>
    </Box>
  );
}

/** What a painter can say about a pot by eye. */
export function PotFields({ paint, set, onWrong }: Props) {
  // A colour given by eye takes the place of what was read.
  const look = (change: Partial<Paint>) => set(withLook(paint, change));
  const misfits = misfitsOf(paint);
  return (
    <Box sx={{ display: "grid", gap: 2, pt: 1 }}>
      <PotDrawdown paint={paint} />
      <Box sx={{ display: "flex", gap: 1 }}>
        <TextField
          label="Name"
          fullWidth
          value={paint.name}
          autoFocus
          onChange={(event) => set({ name: event.target.value.slice(0, 80) })}
        />
        <TextField
          label="Range (optional)"
          fullWidth
          value={paint.range}
          onChange={(event) => set({ range: event.target.value.slice(0, 80) })}
        />
      </Box>
      <ColourField
        label="Dry colour of a thick coat"
        value={paint.thick}
        onChange={(thick) => look({ thick })}
        onWrong={(wrong) => onWrong("thick", wrong)}
      />
      <OptionalColour
        label="One full coat over white"
        ask="Add its colour in one coat over white"
        value={paint.overWhite}
        begin={paint.thick}
        onChange={(overWhite) => look({ overWhite })}
        onWrong={(wrong) => onWrong("white", wrong)}
      />
      <OptionalColour
        label="One full coat over black"
        ask="Add its colour in one coat over black"
        value={paint.overBlack}
        begin={paint.thick}
        onChange={(overBlack) => look({ overBlack })}
        onWrong={(wrong) => onWrong("black", wrong)}
      />
      {misfits.map(({ field, message }) => (
        <Typography key={field} variant="body2" role="status" color="error">
          {message}
        </Typography>
      ))}
      {paint.overBlack !== null && (
        <Typography variant="caption">
          Hiding is taken from these colours, not from the word. A full coat is 30&#8239;µm dry.
        </Typography>
      )}
      <Box sx={{ display: "flex", gap: 1 }}>
        <Choice<Hiding>
          label="Hiding"
          value={paint.hiding}
          values={HIDING}
          onChange={(hiding) => look({ hiding })}
        />
        <Choice<Finish>
          label="Finish"
          value={paint.finish}
          values={FINISHES}
          onChange={(finish) => set({ finish })}
        />
      </Box>
      <Box sx={{ display: "flex", gap: 1 }}>
        <Choice<PaintKind>
          label="Kind"
          value={paint.kind}
          values={PAINT_KINDS}
          onChange={(kind) => set(withKind(paint, kind))}
        />
        <Choice<PaintState>
          label="State"
          value={paint.state}
          values={PAINT_STATES}
          onChange={(state) => set({ state })}
        />
      </Box>
      <Box sx={{ display: "flex", gap: 1 }}>
        <NumberField
          label="Tinting strength, 1 ordinary"
          min={0.2}
          max={20}
          step={0.1}
          value={paint.strength}
          onChange={(strength) => set({ strength })}
        />
        <NumberField
          label="One drop"
          unit="µl"
          min={5}
          max={200}
          step={5}
          value={paint.dropUl}
          onChange={(dropUl) => set({ dropUl })}
        />
      </Box>
    </Box>
  );
}
