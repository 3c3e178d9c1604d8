import { Button, Dialog, DialogActions, DialogContent, DialogTitle, Box, Typography } from "@mui/material";
import { useState } from "react";
import { isOver, type Surface } from "../../../core/job";
import { layOver, LIGHT_OVER_ABOUT } from "../../../core/schemes/lightOver";
import { LOOKS, type Look } from "../../../core/schemes/scheme";
import { FROM_TOP, leftByHand } from "../../../ui/dialogs";
import { useDesign, useEdit, usePaints } from "../jobStore";
import { useView } from "../viewStore";
import { PlanColumn, useLaying } from "./PlanColumn";
import { Choice, LOOK_NAMES } from "./StartDialog";
import { useLightOver } from "./useStartPlan";

interface Props {
  readonly surface: Surface;
  readonly onClose: () => void;
}

/** Lays light and shade over a pattern, in the steps of its value plan. */
export function OverDialog({ surface, onClose }: Props) {
  const design = useDesign();
  const paints = usePaints();
  const edit = useEdit();
  const setView = useView((view) => view.set);
  const [look, setLook] = useState<Look>("plain");
  const kept = useLightOver(design, paints, surface.id, look);
  const { plan } = useLaying({ surfaceId: surface.id, kept, put: layOver });
  const again = surface.coats.some(({ id }) => isOver(surface.id, id));
  const lay = () => {
    if (!plan) return;
    edit((job) => layOver(job, surface.id, plan));
    setView({ coatId: null, upTo: null, tab: "section" });
    onClose();
  };
  return (
    <Dialog
      open
      onClose={leftByHand(onClose)}
      sx={FROM_TOP}
      maxWidth="md"
      fullWidth
      aria-labelledby="over-title"
    >
      <DialogTitle id="over-title">Light and shade over {surface.name}</DialogTitle>
      <DialogContent sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", md: "1fr 1fr" }, gap: 3 }}>
        <Box sx={{ display: "grid", gap: 2, alignContent: "start" }}>
          <Typography>{LIGHT_OVER_ABOUT}</Typography>
          <Typography variant="body2">
            Where they go follows the lamp and the folds: the steps of light of this piece, as set in the
            Brief. Colours of which little is seen are left as they are, and a pattern with lights of its own
            gets the shade alone. A colour changed afterwards keeps its old light until this is laid again.
          </Typography>
          <Choice question="Which look?" answers={LOOKS} value={look} onChange={setLook} names={LOOK_NAMES} />
        </Box>
        <PlanColumn surfaceId={surface.id} kept={kept} put={layOver} />
      </DialogContent>
      <DialogActions>
        <Typography variant="body2" sx={{ flex: 1, px: 2 }}>
          {again
            ? "It takes the place of the light and shade that is there."
            : "The coats that are there stay as they are."}
        </Typography>
        <Button onClick={onClose}>Leave it</Button>
        <Button variant="contained" disabled={!plan} onClick={lay}>
          Lay it
        </Button>
      </DialogActions>
    </Dialog>
  );
}
