import { TextField } from "@mui/material";
import { useState } from "react";

interface Props {
  readonly label: string;
  /** Undefined where it was not noted. */
  readonly value: number | undefined;
  readonly least: number;
  readonly most: number;
  readonly whole?: boolean;
  /** Told where what is typed is not allowed. */
  readonly allowed: string;
  readonly onChange: (value: number | undefined) => void;
}

/** A number of an entry that may be left empty. What is typed is kept when the field is left. */
export function EntryNumber({ label, value, least, most, whole = false, allowed, onChange }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const text = typed ?? (value === undefined ? "" : String(Math.round(value * 1000) / 1000));
  const number = text.trim() === "" ? undefined : Number(text.replace(",", "."));
  const isAllowed =
    number === undefined || (number >= least && number <= most && (!whole || Number.isInteger(number)));
  return (
    <TextField
      label={label}
      value={text}
      error={!isAllowed}
      helperText={isAllowed ? undefined : allowed}
      sx={{ width: 132 }}
      slotProps={{ htmlInput: { inputMode: "decimal" } }}
      onChange={(event) => setTyped(event.target.value)}
      onBlur={() => {
        if (!isAllowed) return;
        setTyped(null);
        if (typed !== null && number !== value) onChange(number);
      }}
    />
  );
}
