import { Alert, Box, Button } from "@mui/material";
import { useMemo } from "react";
import { InputError } from "../../../core/errors";
import type { Surface } from "../../../core/job";
import { buildForm } from "../../../core/surface/forms/buildForm";
import { useView } from "../viewStore";

/** Why a surface cannot be built; null where it can. */
function problemOf(surface: Surface): string | null {
  try {
    buildForm(surface);
    return null;
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    return error.message;
  }
}

/** Pieces that are missing on the figure, as their sizes cannot be, with a way to each. */
export function LeftOut({ surfaces }: { readonly surfaces: readonly Surface[] }) {
  const set = useView((view) => view.set);
  const left = useMemo(
    () =>
      surfaces.flatMap((surface) => {
        const problem = problemOf(surface);
        return problem === null ? [] : [{ surface, problem }];
      }),
    [surfaces],
  );
  if (left.length === 0) return null;
  return (
    <Box sx={{ position: "absolute", left: 12, bottom: 44, maxWidth: 460, display: "grid", gap: 1 }}>
      {left.map(({ surface, problem }) => (
        <Alert
          key={surface.id}
          severity="warning"
          action={
            <Button
              color="inherit"
              onClick={() => set({ surfaceId: surface.id, coatId: null, upTo: null, findingId: null })}
            >
              Choose it
            </Button>
          }
        >
          {surface.name} is left out. {problem} Its sizes are in the Brief.
        </Alert>
      ))}
    </Box>
  );
}
