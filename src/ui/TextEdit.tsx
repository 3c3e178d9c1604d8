import { TextField, type TextFieldProps } from "@mui/material";
import { useRef, useState } from "react";
import { whileTyping } from "./typing";

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

/** A line or some lines of text; every key is kept at once, and one stay in the field is one step for undo. */
export function TextEdit({ label, value, most, optional = false, onChange, rows, plain }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const stay = useRef({});
  const text = typed ?? value;
  const usable = (next: string) => (rows === undefined ? next.trim() : next);
  const wrong = !optional && text.trim() === "" ? "It needs a name." : undefined;
  const keep = (next: string) => {
    const kept = usable(next);
    if (kept !== value && (optional || kept !== "")) whileTyping(stay.current, () => onChange(kept));
  };
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
        keep(next);
      }}
      onBlur={() => {
        keep(text);
        stay.current = {};
        setTyped(null);
      }}
    />
  );
}
