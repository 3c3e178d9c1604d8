import { Box, Button, MenuItem, TextField } from "@mui/material";
import type { OwnScheme } from "../../core/job";
import { ColourField } from "../pots/ColourField";
import { ANYTHING, materialOf, type Wanted } from "./finding";

/** A colour to begin with when one is looked for. */
const SOME_COLOUR = "#7a4a33";

function Choice({
  label,
  any,
  value,
  options,
  onChange,
}: {
  readonly label: string;
  readonly any: string;
  readonly value: string;
  readonly options: readonly string[];
  readonly onChange: (value: string) => void;
}) {
  return (
    <TextField
      select
      label={label}
      value={value}
      sx={{ minWidth: 170 }}
      slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
      onChange={(event) => onChange(event.target.value)}
    >
      <MenuItem value="">{any}</MenuItem>
      {options.map((option) => (
        <MenuItem key={option} value={option}>
          {option}
        </MenuItem>
      ))}
    </TextField>
  );
}

const sorted = (values: readonly string[]): string[] =>
  [...new Set(values)].filter((value) => value !== "").toSorted((a, b) => a.localeCompare(b));

interface Props {
  readonly schemes: readonly OwnScheme[];
  readonly wanted: Wanted;
  readonly onChange: (wanted: Wanted) => void;
}

/** What schemes are looked for by: words, material, job, colour. */
export function FindBar({ schemes, wanted, onChange }: Props) {
  const set = (change: Partial<Wanted>) => onChange({ ...wanted, ...change });
  const isAsked = JSON.stringify(wanted) !== JSON.stringify(ANYTHING);
  return (
    <Box role="search" sx={{ display: "flex", gap: 1.5, flexWrap: "wrap", alignItems: "flex-start", mb: 2 }}>
      <TextField
        label="Find in names and notes"
        value={wanted.text}
        onChange={(event) => set({ text: event.target.value })}
      />
      <Choice
        {...{ label: "Material", any: "Any material", value: wanted.material }}
        options={sorted(schemes.map(materialOf))}
        onChange={(material) => set({ material })}
      />
      <Choice
        {...{ label: "Job", any: "Any job", value: wanted.job }}
        options={sorted(schemes.flatMap(({ from }) => from?.job ?? []))}
        onChange={(job) => set({ job })}
      />
      {wanted.colour === null ? (
        <Button variant="outlined" onClick={() => set({ colour: SOME_COLOUR })}>
          Near a colour
        </Button>
      ) : (
        <ColourField
          label="Near"
          value={wanted.colour}
          fullWidth={false}
          onChange={(colour) => set({ colour })}
        />
      )}
      {isAsked && <Button onClick={() => onChange(ANYTHING)}>Show all</Button>}
    </Box>
  );
}
