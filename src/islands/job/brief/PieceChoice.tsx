import { Box, Typography } from "@mui/material";
import { pieceName, withNewPiece } from "../../../core/newJob";
import { formIds, forms, type FormId } from "../../../core/surface/forms";
import { useEdit, useJobStore } from "../jobStore";
import { useView } from "../viewStore";
import { FormPicture } from "./FormPicture";
import { useBriefFigure } from "./FigureSwitch";

/** Adds a piece to the figure in the brief and opens it. */
export function useAddPiece(): (formId: FormId) => void {
  const edit = useEdit();
  const setView = useView((view) => view.set);
  const figure = useBriefFigure();
  return (formId) => {
    const { job } = useJobStore.getState();
    if (!job) return;
    const added = withNewPiece(job, formId, figure.id);
    edit(() => added.job);
    setView({ surfaceId: added.surfaceId, coatId: null, upTo: null });
  };
}

/** What is painted first: asked where a job has nothing on it yet. */
export function PieceChoice() {
  const add = useAddPiece();
  return (
    <Box sx={{ p: 3, overflow: "auto", height: "100%" }}>
      <Typography variant="h2" sx={{ mb: 0.5 }}>
        What do you paint first?
      </Typography>
      <Typography sx={{ mb: 2 }}>
        Choose the piece that comes nearest; you measure it next, and can add others afterwards.
      </Typography>
      <Box
        role="group"
        aria-label="Pieces"
        sx={{
          display: "grid",
          gap: 1,
          gridTemplateColumns: "repeat(auto-fill, minmax(min(100%, 200px), 1fr))",
        }}
      >
        {formIds.map((id) => (
          <Box
            key={id}
            component="button"
            type="button"
            onClick={() => add(id)}
            sx={{
              display: "flex",
              flexDirection: "column",
              font: "inherit",
              color: "text.primary",
              textAlign: "left",
              bgcolor: "background.paper",
              border: 1,
              borderColor: "divider",
              p: 1.5,
              minHeight: 44,
              cursor: "pointer",
              "&:hover": { borderColor: "primary.main" },
            }}
          >
            <FormPicture id={id} heightPx={92} />
            <Typography component="span" sx={{ fontWeight: 500, mt: 1 }}>
              {pieceName(id)}
            </Typography>
            <Typography component="span" variant="caption">
              {forms[id].about}
            </Typography>
          </Box>
        ))}
      </Box>
    </Box>
  );
}
