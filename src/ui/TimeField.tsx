import { TextField } from "@mui/material";
import { useState } from "react";

/** A time as a field for it has it: in the painter's own zone, without one. */
function localText(iso: string): string {
  const at = new Date(iso);
  const two = (value: number) => String(value).padStart(2, "0");
  return `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}T${two(at.getHours())}:${two(at.getMinutes())}`;
}

interface Props {
  readonly label: string;
  /** ISO 8601, UTC. */
  readonly at: string;
  /** Why a time cannot be; null where it can. Any can where left out. */
  readonly wrong?: (iso: string) => string | null;
  readonly onChange: (iso: string) => void;
}

/** A day and a time. What is typed stays as typed until it can be. */
export function TimeField({ label, at, wrong = () => null, onChange }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const problemOf = (text: string): string | null => {
    const time = new Date(text);
    return Number.isNaN(time.getTime()) ? "A day and a time." : wrong(time.toISOString());
  };
  const problem = typed === null ? null : problemOf(typed);
  return (
    <TextField
      label={label}
      type="datetime-local"
      value={typed ?? localText(at)}
      error={problem !== null}
      helperText={problem ?? undefined}
      slotProps={{ inputLabel: { shrink: true } }}
      onChange={({ target: { value } }) => {
        setTyped(value);
        if (problemOf(value) === null) onChange(new Date(value).toISOString());
      }}
      onBlur={() => problem === null && setTyped(null)}
    />
  );
}
