import { Alert, Box, Button, MenuItem, TextField, Typography } from "@mui/material";
import { useState } from "react";
import { HIDING } from "../../core/colour/paint";
import { FINISHES, PAINT_KINDS, PAINT_STATES, type Paint } from "../../core/job";
import { counted } from "../../core/units";
import { messageOf } from "../../ui/api";
import { useShelf } from "./shelfStore";

type Field = "state" | "kind" | "finish" | "hiding" | "range" | "dropUl";

const NAMES: Readonly<Record<Field, string>> = {
  state: "State",
  kind: "Kind",
  finish: "Finish",
  hiding: "Hiding",
  range: "Range",
  dropUl: "One drop, µl",
};
const VALUES: Readonly<Partial<Record<Field, readonly string[]>>> = {
  state: PAINT_STATES,
  kind: PAINT_KINDS,
  finish: FINISHES,
  hiding: HIDING,
};

const drop = (text: string) => Number(text.replace(",", "."));

/** What is wrong with a value for all; null where nothing is. */
function wrong(field: Field, value: string): string | null {
  if (field !== "dropUl") return null;
  const ul = drop(value);
  return value.trim() !== "" && ul >= 5 && ul <= 200 ? null : "Allowed: 5 to 200 µl.";
}

/** One change for all marked pots. */
export function BulkBar({ pots, onDone }: { readonly pots: readonly Paint[]; readonly onDone: () => void }) {
  const change = useShelf((shelf) => shelf.change);
  const [field, setField] = useState<Field>("state");
  const [value, setValue] = useState("have");
  const [problem, setProblem] = useState<string | null>(null);
  const values = VALUES[field];
  const bad = wrong(field, value);
  const run = (work: Promise<void>) =>
    work.then(
      () => setProblem(null),
      (error: unknown) => setProblem(messageOf(error)),
    );
  const set = () =>
    run(
      change(
        pots.map((paint) => ({
          ...paint,
          [field]: field === "dropUl" ? drop(value) : value.trim(),
          ...(field === "hiding" ? { fit: null } : {}),
        })),
      ),
    );
  return (
    <Box role="group" aria-label="Marked pots" sx={{ bgcolor: "chosen", px: 3, py: 1 }}>
      <Box sx={{ display: "flex", alignItems: "flex-start", gap: 1, flexWrap: "wrap" }}>
        <Typography sx={{ pt: 0.8, mr: 1 }}>{counted(pots.length, "pot")} marked</Typography>
        <TextField
          select
          label="Change"
          value={field}
          sx={{ width: 130 }}
          onChange={(event) => {
            const next = event.target.value as Field;
            setField(next);
            setValue(VALUES[next]?.[0] ?? (next === "dropUl" ? "40" : ""));
          }}
        >
          {(Object.keys(NAMES) as Field[]).map((one) => (
            <MenuItem key={one} value={one}>
              {NAMES[one]}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          select={values !== undefined}
          label="To"
          value={value}
          error={bad !== null}
          helperText={bad}
          sx={{ width: 150 }}
          onChange={(event) => setValue(event.target.value.slice(0, 80))}
        >
          {values?.map((one) => (
            <MenuItem key={one} value={one}>
              {one}
            </MenuItem>
          ))}
        </TextField>
        <Button variant="contained" sx={{ mt: 0.4 }} disabled={bad !== null} onClick={() => void set()}>
          Change all marked
        </Button>
        <Button
          sx={{ mt: 0.4 }}
          onClick={() =>
            void run(
              change(
                [],
                pots.map((paint) => paint.id),
              ).then(onDone),
            )
          }
        >
          Take off the shelf
        </Button>
        <Button sx={{ mt: 0.4, ml: "auto" }} onClick={onDone}>
          Unmark
        </Button>
      </Box>
      {problem !== null && (
        <Alert severity="error" variant="outlined" sx={{ mt: 1 }}>
          {problem}
        </Alert>
      )}
    </Box>
  );
}
