import { Box, Button, Typography } from "@mui/material";
import { useState } from "react";
import { MOST_IN_SET, withSet } from "../../../../core/groundwork/set";
import type { Surface } from "../../../../core/job";
import { NumberField } from "../../../../ui/NumberField";
import { useEdit } from "../../jobStore";

/** More bases like this one, which belong to it and are not the same. */
export function SetForm({ surface }: { readonly surface: Surface }) {
  const edit = useEdit();
  const [count, setCount] = useState(4);
  return (
    <Box sx={{ display: "grid", gap: 1, borderTop: 1, borderColor: "divider", pt: 1.5 }}>
      <Typography variant="body2">
        A set: the same coats, mixes and kinds of pieces, each base laid out in its own way.
      </Typography>
      <Box sx={{ display: "flex", gap: 1, alignItems: "flex-start" }}>
        <NumberField
          label="Bases in the set"
          whole
          min={2}
          max={MOST_IN_SET}
          value={count}
          onChange={setCount}
          width={130}
        />
        <Button variant="outlined" onClick={() => edit((job) => withSet(job, surface.id, count))}>
          Make the set
        </Button>
      </Box>
    </Box>
  );
}
