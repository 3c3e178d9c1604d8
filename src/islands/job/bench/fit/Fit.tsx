import { Button } from "@mui/material";
import { useState } from "react";
import { FitDialog } from "./FitDialog";

/** Opens what fits a figure to the minutes there are. */
export function Fit({ figureId }: { readonly figureId: string }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button variant="outlined" onClick={() => setOpen(true)} sx={{ mt: 1.5 }}>
        Fit to minutes
      </Button>
      {open && <FitDialog figureId={figureId} onClose={() => setOpen(false)} />}
    </>
  );
}
