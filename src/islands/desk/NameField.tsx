import { Box, Button, TextField } from "@mui/material";
import { useState } from "react";

/** A job's name being changed; null where it is left as it was. */
export function NameField({
  value,
  onDone,
}: {
  readonly value: string;
  readonly onDone: (name: string | null) => void;
}) {
  const [name, setName] = useState(value);
  const trimmed = name.trim();
  const wrong =
    trimmed === "" ? "A job needs a name." : trimmed.length > 80 ? "At most 80 characters." : undefined;
  return (
    <Box
      component="form"
      sx={{ display: "flex", gap: 1, flexWrap: "wrap", pt: 1 }}
      onSubmit={(event) => {
        event.preventDefault();
        if (!wrong) onDone(trimmed);
      }}
    >
      <TextField
        label="Name"
        value={name}
        autoFocus
        fullWidth
        error={wrong !== undefined}
        helperText={wrong}
        onChange={(event) => setName(event.target.value)}
      />
      <Button type="submit" variant="contained" disabled={wrong !== undefined}>
        Rename
      </Button>
      <Button onClick={() => onDone(null)}>Leave it</Button>
    </Box>
  );
}
