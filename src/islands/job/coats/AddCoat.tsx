import { Box, Button, Menu, MenuItem } from "@mui/material";
import { useState } from "react";
import type { Place, Surface } from "../../../core/job";
import { techniqueIds, techniques, type TechniqueId } from "../../../core/techniques";
import { withNewCoat } from "../../../core/edits/newCoat";
import type { Pattern } from "../../../core/patterns/pattern";
import { useEdit, useJob, usePaints } from "../jobStore";
import { useBuilt } from "../useSurface";
import { useView } from "../viewStore";
import { GlowDialog } from "./GlowDialog";
import { HistoryDialog } from "./HistoryDialog";
import { LeathersDialog } from "./LeathersDialog";
import { OwnSchemesDialog } from "./OwnSchemesDialog";
import { StartDialog } from "./StartDialog";
import { placesFor } from "./places";

/** Where a technique goes first; null where this surface offers nothing for it. */
function firstPlace(id: TechniqueId, pattern: Pattern | null, { hide }: Surface): Place | null {
  const technique = techniques[id];
  if (technique.onThings && !hide) return null;
  if (technique.lays.includes("field")) return technique.startPlace ?? { kind: "everywhere" };
  return placesFor({ technique: { id, version: 1, params: {} } }, pattern)[0] ?? null;
}

/** Adds a coat of the painter's own after the chosen one, and shows all coats again. */
export function AddCoat({ surface }: { readonly surface: Surface }) {
  const job = useJob();
  const { pattern } = useBuilt(surface);
  const edit = useEdit();
  const paints = usePaints();
  const { coatId: chosenId, set, upTo } = useView();
  const [dialog, setDialog] = useState<"start" | "leathers" | "own" | "history" | "glow" | null>(null);
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const add = (id: TechniqueId, place: Place) => {
    const added = withNewCoat(job, surface, paints, { id, place, afterId: chosenId });
    edit(() => added.job);
    set({ coatId: added.coatId, upTo: null });
    setAnchor(null);
  };
  return (
    <Box
      sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", p: 0.5, borderTop: 1, borderColor: "divider" }}
    >
      <Button
        aria-haspopup="menu"
        onClick={(event) => setAnchor(event.currentTarget)}
        disabled={surface.coats.length >= 60}
      >
        Add a coat
      </Button>
      <Button onClick={() => set({ upTo: null })} disabled={upTo === null}>
        Show all coats
      </Button>
      <Button aria-haspopup="dialog" onClick={() => setDialog("start")}>
        From a scheme
      </Button>
      <Button aria-haspopup="dialog" disabled={job.surfaces.length < 2} onClick={() => setDialog("leathers")}>
        Leathers
      </Button>
      <Button aria-haspopup="dialog" onClick={() => setDialog("own")}>
        Own schemes
      </Button>
      <Button
        aria-haspopup="dialog"
        disabled={surface.coats.length === 0}
        onClick={() => setDialog("history")}
      >
        Its history
      </Button>
      <Button aria-haspopup="dialog" onClick={() => setDialog("glow")}>
        A painted light
      </Button>
      {dialog === "glow" && <GlowDialog surface={surface} onClose={() => setDialog(null)} />}
      {dialog === "history" && <HistoryDialog surface={surface} onClose={() => setDialog(null)} />}
      {dialog === "own" && <OwnSchemesDialog surface={surface} onClose={() => setDialog(null)} />}
      {dialog === "start" && <StartDialog surface={surface} onClose={() => setDialog(null)} />}
      {dialog === "leathers" && <LeathersDialog onClose={() => setDialog(null)} />}
      <Menu open={anchor !== null} anchorEl={anchor} onClose={() => setAnchor(null)}>
        {techniqueIds.map((id) => {
          const place = firstPlace(id, pattern, surface);
          return place ? (
            <MenuItem key={id} onClick={() => add(id, place)}>
              {techniques[id].label}
            </MenuItem>
          ) : null;
        })}
      </Menu>
    </Box>
  );
}
