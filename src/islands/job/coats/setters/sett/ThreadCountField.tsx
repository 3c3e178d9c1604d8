import { Box, TextField } from "@mui/material";
import { useState } from "react";
import {
  expandPeriod,
  parseThreadCount,
  periodThreads,
  ThreadCountError,
} from "../../../../../core/patterns/sett/threadCount";

interface Props {
  readonly label: string;
  readonly value: string;
  readonly onChange: (text: string) => void;
}

function read(text: string): { error: ThreadCountError | null; summary: string } {
  try {
    const sett = parseThreadCount(text);
    const threads = periodThreads(expandPeriod(sett, "full"));
    const kind = sett.symmetrical
      ? "symmetrical, mirrored at both pivots"
      : "not symmetrical, repeats as it stands";
    return {
      error: null,
      summary: `${sett.stripes.length} stripes, ${threads} threads to the repeat, ${kind}.`,
    };
  } catch (error) {
    if (error instanceof ThreadCountError) return { error, summary: "" };
    throw error;
  }
}

/** The text again with the wrong place underlined. */
function Marked({ text, from, to }: { readonly text: string; readonly from: number; readonly to: number }) {
  return (
    <Box component="span" sx={{ display: "block", whiteSpace: "pre-wrap", fontFamily: "inherit" }}>
      {text.slice(0, from)}
      <Box
        component="mark"
        sx={{
          bgcolor: "transparent",
          color: "inherit",
          borderBottom: 2,
          borderColor: "error.main",
          fontWeight: 600,
        }}
      >
        {text.slice(from, Math.max(to, from + 1)) || " "}
      </Box>
      {text.slice(Math.max(to, from + 1))}
    </Box>
  );
}

/** A thread count as text. It takes effect as soon as it can be read; until then it stays as typed. */
export function ThreadCountField({ label, value, onChange }: Props) {
  const [typed, setTyped] = useState<{ text: string; on: string } | null>(null);
  // An edit from elsewhere (undo, the stripe table) replaces what was typed.
  const text = typed?.on === value ? typed.text : value;
  const { error, summary } = read(text);
  const take = (next: string) => {
    const usable = read(next).error === null;
    setTyped({ text: next, on: usable ? next : value });
    if (usable) onChange(next);
  };
  return (
    <TextField
      label={label}
      value={text}
      fullWidth
      error={error !== null}
      slotProps={{ htmlInput: { spellCheck: false, maxLength: 600 } }}
      helperText={
        error ? (
          <>
            <Marked text={text} from={error.from} to={error.to} />
            {error.message}
          </>
        ) : (
          `${summary} A slash, as in R/2, marks a pivot.`
        )
      }
      onChange={(event) => take(event.target.value)}
    />
  );
}
