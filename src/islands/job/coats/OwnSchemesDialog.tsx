import {
  Alert,
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  LinearProgress,
  TextField,
  Typography,
} from "@mui/material";
import { useMemo, useState } from "react";
import { paintByScheme, schemeOf } from "../../../core/edits/ownSchemes";
import { InputError } from "../../../core/errors";
import type { Job, OwnScheme, Surface } from "../../../core/job";
import { familyIn } from "../../../core/patterns";
import { counted } from "../../../core/units";
import { Picture } from "../../../ui/Picture";
import { usePiece } from "../../useThumbnail";
import { useDesign, useEdit, useJob, usePaints } from "../jobStore";
import { useView } from "../viewStore";
import { newSchemeId, useOwnSchemes } from "../../schemes/useOwnSchemes";

/** The surface painted by a scheme; words where it cannot be. */
function useTried(surface: Surface, scheme: OwnScheme): Job | string {
  const design = useDesign();
  const paints = usePaints();
  return useMemo(() => {
    try {
      return paintByScheme(design, surface.id, scheme, paints);
    } catch (error) {
      if (error instanceof InputError) return error.message;
      throw error;
    }
  }, [design, surface.id, scheme, paints]);
}

function Tried({
  job,
  surface,
  name,
}: {
  readonly job: Job;
  readonly surface: Surface;
  readonly name: string;
}) {
  const piece = usePiece(job, usePaints(), surface.id, { pxPerMm: 200, mostPx: 300 });
  if (piece === undefined) return <Typography variant="body2">Painting it</Typography>;
  if (piece === null) return <Typography variant="body2">It cannot be painted on this piece.</Typography>;
  return <Picture pixels={piece} label={`${surface.name} in ${name}, simulated`} cssWidth="100%" />;
}

interface SchemeProps {
  readonly scheme: OwnScheme;
  readonly surface: Surface;
  readonly onStart: () => void;
  readonly onRemove: () => void;
}

function SchemeRow({ scheme, surface, onStart, onRemove }: SchemeProps) {
  const tried = useTried(surface, scheme);
  const pattern = familyIn(scheme)?.label;
  return (
    <Box
      component="li"
      aria-label={scheme.name}
      sx={{ display: "flex", gap: 2, alignItems: "center", borderTop: 1, borderColor: "divider", py: 1.5 }}
    >
      <Box sx={{ width: 200, minHeight: 60, flexShrink: 0, overflow: "hidden" }}>
        {typeof tried === "string" ? null : <Tried job={tried} surface={surface} name={scheme.name} />}
      </Box>
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <Typography sx={{ fontWeight: 500 }}>{scheme.name}</Typography>
        <Typography variant="body2">
          {counted(scheme.coats.length, "coat")} in {counted(scheme.mixes.length, "mix", "mixes")}
          {pattern ? `, ${pattern.toLowerCase()}` : ""}
        </Typography>
        {typeof tried === "string" && <Typography color="error">{tried}</Typography>}
      </Box>
      <Button variant="outlined" disabled={typeof tried === "string"} onClick={onStart}>
        Paint it so
      </Button>
      <Button onClick={onRemove}>Remove</Button>
    </Box>
  );
}

function KeepForm({
  surface,
  onKeep,
}: {
  readonly surface: Surface;
  readonly onKeep: (name: string) => void;
}) {
  const [name, setName] = useState(surface.name);
  const trimmed = name.trim();
  const wrong =
    trimmed === "" ? "A scheme needs a name." : trimmed.length > 80 ? "At most 80 characters." : undefined;
  return (
    <Box
      component="form"
      sx={{ display: "flex", gap: 1, alignItems: "flex-start", pt: 1, pb: 2 }}
      onSubmit={(event) => {
        event.preventDefault();
        if (wrong === undefined) onKeep(trimmed);
      }}
    >
      <TextField
        label="Name of the scheme"
        value={name}
        error={wrong !== undefined}
        helperText={wrong}
        sx={{ flex: 1 }}
        onChange={(event) => setName(event.target.value)}
      />
      <Button
        type="submit"
        variant="outlined"
        sx={{ mt: 0.3 }}
        disabled={wrong !== undefined || surface.coats.length === 0}
      >
        Keep these {counted(surface.coats.length, "coat")}
      </Button>
    </Box>
  );
}

/** Schemes of the painter's own: this surface's coats kept as one, and any of them put on this surface. */
export function OwnSchemesDialog({
  surface,
  onClose,
}: {
  readonly surface: Surface;
  readonly onClose: () => void;
}) {
  const job = useJob();
  const paints = usePaints();
  const edit = useEdit();
  const set = useView((view) => view.set);
  const { schemes, problem, keep, remove } = useOwnSchemes();
  const paint = (scheme: OwnScheme) => {
    edit((now) => paintByScheme(now, surface.id, scheme, paints));
    set({ coatId: null, upTo: null });
    onClose();
  };
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="own-title">
      <DialogTitle id="own-title">Your own schemes</DialogTitle>
      <DialogContent>
        <KeepForm
          surface={surface}
          onKeep={(name) =>
            void keep(schemeOf(job, surface, { id: newSchemeId(), name, at: new Date().toISOString() }))
          }
        />
        {problem !== null && (
          <Alert severity="error" variant="outlined">
            {problem}
          </Alert>
        )}
        {schemes === null && problem === null && <LinearProgress aria-label="Loading your schemes" />}
        {schemes?.length === 0 && (
          <Typography>
            None yet. Keep the coats of {surface.name} as a scheme, and any piece of any job can be painted
            alike: coats, pattern and mixes, with marks that fall anew.
          </Typography>
        )}
        <Box component="ul" sx={{ listStyle: "none", m: 0, p: 0 }}>
          {schemes?.map((scheme) => (
            <SchemeRow
              key={scheme.id}
              scheme={scheme}
              surface={surface}
              onStart={() => paint(scheme)}
              onRemove={() => void remove(scheme.id)}
            />
          ))}
        </Box>
      </DialogContent>
      <DialogActions>
        <Typography variant="body2" sx={{ flex: 1, px: 2 }}>
          A scheme takes the place of all coats of {surface.name}; Undo brings them back.
        </Typography>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}
