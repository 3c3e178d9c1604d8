import { Box, TextField } from "@mui/material";
import { useState } from "react";
import { readColour } from "../../core/formats/shelf-csv/columns";
import { hexToLab } from "../../core/colour/spaces";
import { formatNumber } from "../../core/units";

interface Props {
  readonly label: string;
  /** "#rrggbb" */
  readonly value: string;
  readonly onChange: (hex: string) => void;
  readonly fullWidth?: boolean;
  /** Told whenever what is typed is or is no colour. */
  readonly onWrong?: (wrong: boolean) => void;
}

/** L*a*b* of a colour as text. */
export const labText = (hex: string): string => {
  const [l, a, b] = hexToLab(hex).map((value) => formatNumber(value, 0));
  return `L* ${l}, a* ${a}, b* ${b}`;
};

/** A colour, picked or typed as #rrggbb or lab(L a b). What is typed stays; it takes effect once it is a colour. */
export function ColourField({ label, value, onChange, fullWidth = true, onWrong }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const text = typed ?? value;
  const wrong = typed !== null && readColour(typed.trim()) === null;
  return (
    <Box sx={{ display: "flex", gap: 1, alignItems: "flex-start" }}>
      <TextField
        label={label}
        value={text}
        error={wrong}
        helperText={wrong ? "#rrggbb like #a8432a, or lab(L a b) like lab(40 45 30)." : labText(value)}
        fullWidth={fullWidth}
        onChange={(event) => {
          setTyped(event.target.value);
          const colour = readColour(event.target.value.trim());
          onWrong?.(colour === null);
          if (colour) onChange(colour);
        }}
        onBlur={() => !wrong && setTyped(null)}
      />
      <input
        type="color"
        aria-label={`${label}, pick`}
        value={value.toLowerCase()}
        onChange={(event) => {
          setTyped(null);
          onWrong?.(false);
          onChange(event.target.value);
        }}
      />
    </Box>
  );
}
