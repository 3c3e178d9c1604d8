import { TextField, type TextFieldProps } from "@mui/material";
import { useEffect, useRef, useState } from "react";

interface Props {
  readonly label: string;
  readonly value: string;
  readonly most: number;
  /** May be left empty. */
  readonly optional?: boolean;
  readonly onChange: (value: string) => void;
  readonly rows?: number;
  readonly plain?: TextFieldProps;
}

/** Text is kept this long after the last key, so that a crash costs less than a breath. */
const WAIT_MS = 350;

/** A line or some lines of text; kept while typing, not only when the field is left. */
export function TextEdit({ label, value, most, optional = false, onChange, rows, plain }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  const text = typed ?? value;
  const usable = (next: string) => (rows === undefined ? next.trim() : next);
  const wrong = !optional && text.trim() === "" ? "It needs a name." : undefined;
  const keep = (next: string) => {
    if (timer.current) clearTimeout(timer.current);
    timer.current = null;
    const kept = usable(next);
    if (kept !== value && (optional || kept !== "")) onChange(kept);
  };
  useEffect(
    () => () => {
      if (timer.current) clearTimeout(timer.current);
    },
    [],
  );
  return (
    <TextField
      {...plain}
      label={plain ? undefined : label}
      value={text}
      error={wrong !== undefined}
      helperText={wrong}
      {...(rows === undefined ? {} : { multiline: true, minRows: rows, maxRows: 8 })}
      slotProps={{
        ...plain?.slotProps,
        htmlInput: { maxLength: most, ...(plain ? { "aria-label": label } : {}) },
      }}
      onChange={(event) => {
        const next = event.target.value;
        setTyped(next);
        if (timer.current) clearTimeout(timer.current);
        timer.current = setTimeout(() => keep(next), WAIT_MS);
      }}
      onBlur={() => {
        keep(text);
        setTyped(null);
      }}
    />
  );
}
