import { Box, TextField, Typography } from "@mui/material";
import { useState } from "react";
import { countingText, countSays } from "../../../core/plan/countFirst";
import type { Card } from "../../../core/plan/cards";
import type { Counting } from "../../../core/patterns/family";

const MOST = 9999;

/** What was typed as a count; null for nothing, undefined for what is none. */
function countIn(text: string): number | null | undefined {
  if (text.trim() === "") return null;
  const number = Number(text);
  return Number.isInteger(number) && number >= 0 && number <= MOST ? number : undefined;
}

function CountLine({ counting }: { readonly counting: Counting }) {
  const [text, setText] = useState("");
  const counted = countIn(text);
  const says = typeof counted === "number" ? countSays(counting, counted) : null;
  return (
    <Box sx={{ display: "flex", gap: 1.5, alignItems: "center", flexWrap: "wrap" }}>
      <TextField
        label={`Counted ${counting.what}`}
        value={text}
        sx={{ width: 230 }}
        error={counted === undefined}
        helperText={counted === undefined ? `A whole number, 0 to ${MOST}.` : undefined}
        slotProps={{ htmlInput: { inputMode: "numeric" } }}
        onChange={(event) => setText(event.target.value)}
      />
      <Typography
        role="status"
        sx={{ flex: 1, minWidth: 180, fontWeight: says?.right === false ? 600 : 400 }}
      >
        {says?.words ?? `${countingText([counting])} planned`}
      </Typography>
    </Box>
  );
}

/** What is counted before a coat that cannot be wiped off; says at once whether it is right. */
export function CountFirst({ card }: { readonly card: Card }) {
  if (card.countFirst.length === 0) return null;
  return (
    <Box
      component="section"
      aria-label={`Count before ${card.title}`}
      sx={{ border: 1, borderColor: "divider", p: 1.5, mt: 2, display: "grid", gap: 1 }}
    >
      <Typography variant="h3">Count first</Typography>
      <Typography variant="body2">
        Thin lines and touches can still be wiped or covered; full paint cannot.
      </Typography>
      {card.countFirst.map((counting) => (
        <CountLine key={counting.what} counting={counting} />
      ))}
    </Box>
  );
}
