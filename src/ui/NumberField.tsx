import { InputAdornment, TextField } from "@mui/material";
import { useId, useState } from "react";

interface Props {
  readonly label: string;
  readonly value: number;
  readonly unit?: string;
  readonly min: number;
  readonly max: number;
  readonly step?: number;
  readonly whole?: boolean;
  /** A problem found elsewhere, shown under the field. */
  readonly problem?: string | undefined;
  readonly hideLabel?: boolean;
  readonly width?: number | string;
  readonly onChange: (value: number) => void;
  readonly onFocus?: () => void;
}

const show = (value: number) => String(Math.round(value * 10000) / 10000);
const read = (text: string) =>
  text.trim() === "" ? NaN : Number(text.trim().replace(",", ".").replace("−", "-"));

function wrong(value: number, { min, max, unit, whole, label }: Props): string | null {
  const allowed = `${min} to ${max}${unit ? ` ${unit}` : ""}`;
  if (!Number.isFinite(value)) return `${label} needs a number, ${allowed}.`;
  if (value < min || value > max) return `Allowed: ${allowed}.`;
  return whole && !Number.isInteger(value) ? `A whole number, ${allowed}.` : null;
}

/** A number with its unit. What is typed stays as typed; it takes effect as soon as it is allowed. */
export function NumberField(props: Props) {
  const { label, value, unit, step = 1, problem, hideLabel, width, onChange, onFocus } = props;
  const id = useId();
  const [typed, setTyped] = useState<string | null>(null);
  const text = typed ?? show(value);
  const own = typed === null ? null : wrong(read(typed), props);
  const message = own ?? problem;
  const take = (next: string) => {
    setTyped(next);
    const number = read(next);
    if (wrong(number, props) === null && number !== value) onChange(number);
  };
  const nudge = (by: number) => {
    const next = Math.min(props.max, Math.max(props.min, Math.round((value + by) * 10000) / 10000));
    setTyped(null);
    onChange(next);
  };
  return (
    <TextField
      id={id}
      label={hideLabel ? undefined : label}
      value={text}
      error={message !== undefined}
      helperText={message}
      onChange={(event) => take(event.target.value)}
      onBlur={() => own === null && setTyped(null)}
      onFocus={onFocus}
      onKeyDown={(event) => {
        if (event.key !== "ArrowUp" && event.key !== "ArrowDown") return;
        event.preventDefault();
        nudge(event.key === "ArrowUp" ? step : -step);
      }}
      sx={{ width: width ?? "100%" }}
      slotProps={{
        htmlInput: { inputMode: "decimal", "aria-label": hideLabel ? label : undefined },
        input: unit ? { endAdornment: <InputAdornment position="end">{unit}</InputAdornment> } : {},
      }}
    />
  );
}
