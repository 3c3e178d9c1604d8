import { Box, Button, FormControlLabel, Switch, Typography } from "@mui/material";
import { memo, useCallback, useDeferredValue, useState } from "react";
import { applyRemedy } from "../../../core/checks/applyRemedy";
import { withCoat, withSurface } from "../../../core/edits/surfaces";
import type { Coat, Surface } from "../../../core/job";
import { hasRoutes } from "../../../core/routes/doubts";
import { isTechniqueId, techniques } from "../../../core/techniques";
import { ColumnHead } from "../../../ui/Row";
import { FindingLine } from "../check/FindingLine";
import { useEdit } from "../jobStore";
import { useFindings } from "../useStageStates";
import { useEditSurface } from "../useSurface";
import { useView } from "../viewStore";
import { CoatEffects } from "./CoatEffects";
import { CoatEvent } from "./CoatEvent";
import { CoatSettings, type ChangeCoat } from "./CoatSettings";
import { CoatSwatches } from "./CoatSwatches";
import { CopyCoat } from "./CopyCoat";
import { RouteDialog } from "./RouteDialog";

interface CoatProps {
  readonly coat: Coat;
  readonly surface: Surface;
}

/** What can be done with the coat as a whole. */
function CoatActions({ coat, surface, change }: CoatProps & { readonly change: ChangeCoat }) {
  const editSurface = useEditSurface();
  const remove = () =>
    editSurface(surface.id, (now) => ({ ...now, coats: now.coats.filter((one) => one.id !== coat.id) }));
  const [routing, setRouting] = useState(false);
  return (
    <Box sx={{ px: 2, display: "flex", flexWrap: "wrap", alignItems: "center" }}>
      <FormControlLabel
        control={
          <Switch
            size="small"
            checked={coat.held}
            onChange={(_event, held) => change((now) => ({ ...now, held }))}
          />
        }
        label="Hold back"
      />
      <Button
        onClick={() => change((now) => ({ ...now, seed: (now.seed + 7919) % 100000 }))}
        title="The same coat as another try of the same hand would lay it"
      >
        Other strokes
      </Button>
      {coat.role === null && <CopyCoat coat={coat} surface={surface} />}
      {coat.role === null && <Button onClick={remove}>Remove</Button>}
      {hasRoutes(coat) && <Button onClick={() => setRouting(true)}>Another route</Button>}
      {routing && <RouteDialog surface={surface} coat={coat} onClose={() => setRouting(false)} />}
    </Box>
  );
}

/** What was found about this coat. */
function CoatFindings({ coat, surface }: CoatProps) {
  const edit = useEdit();
  const findings = useFindings();
  return (
    <Box sx={{ px: 2, pt: 1.5, display: "grid", gap: 1 }}>
      {findings
        .filter((finding) => finding.coatId === coat.id && finding.surfaceId === surface.id)
        .map((finding) => (
          <FindingLine
            key={finding.id}
            finding={finding}
            onRemedy={(remedy) => edit((job) => applyRemedy(job, remedy))}
            short
          />
        ))}
    </Box>
  );
}

interface PanelProps {
  readonly surface: Surface;
  readonly coatId: string | null;
}

const Panel = memo(function Panel({ surface, coatId }: PanelProps) {
  const edit = useEdit();
  const surfaceId = surface.id;
  const change = useCallback<ChangeCoat>(
    (next) => edit((job) => withSurface(job, surfaceId, (now) => withCoat(now, coatId ?? "", next))),
    [edit, surfaceId, coatId],
  );
  const at = surface.coats.findIndex((one) => one.id === coatId);
  const coat = surface.coats[at];
  if (!coat)
    return (
      <Typography sx={{ p: 2 }}>Choose a coat on the left to set it and to see what it does.</Typography>
    );
  const label = isTechniqueId(coat.technique.id) ? techniques[coat.technique.id].label.toLowerCase() : "";
  return (
    <Box sx={{ overflow: "auto", pb: 2 }}>
      <ColumnHead title={`${at + 1} ${coat.name}`} note={label} />
      <CoatSwatches coat={coat} />
      <CoatSettings coat={coat} surface={surface} change={change} />
      <Box sx={{ px: 2, pt: 1.5, display: "grid" }}>
        <CoatEvent event={coat.event} change={change} />
      </Box>
      <CoatActions coat={coat} surface={surface} change={change} />
      <CoatEffects coat={coat} surface={surface} />
      <CoatFindings coat={coat} surface={surface} />
    </Box>
  );
});

/** The chosen coat: how it is set, and what that does. Another coat's panel is built in pieces, between frames. */
export function CoatInspector({ surface }: { readonly surface: Surface }) {
  const chosen = useView((view) => view.coatId);
  const coatId = useDeferredValue(chosen);
  // Until the chosen coat's own panel is there, nothing can be set on the former one by mistake.
  const former = coatId !== chosen;
  return (
    <Box sx={{ minHeight: 0, display: "flex", flexDirection: "column" }} inert={former} aria-hidden={former}>
      <Panel surface={surface} coatId={coatId} />
    </Box>
  );
}
