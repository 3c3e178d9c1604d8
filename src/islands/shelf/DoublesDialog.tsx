import {
  Alert,
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  Typography,
} from "@mui/material";
import { useMemo, useState } from "react";
import { differenceInWords } from "../../core/colour/difference";
import type { Paint } from "../../core/job";
import { formatNumber } from "../../core/units";
import { messageOf } from "../../ui/api";
import { NumberField } from "../../ui/NumberField";
import { potLook } from "../pots/potLooks";
import { findDoubles } from "./finding";
import { useShelf } from "./shelfStore";

function Half({ paint, onOff }: { readonly paint: Paint; readonly onOff: () => void }) {
  const look = potLook(paint);
  return (
    <Box sx={{ flex: 1, minWidth: 0 }}>
      <Box sx={{ display: "flex", height: 30 }}>
        <Box sx={{ flex: 2, bgcolor: look.thick }} />
        <Box sx={{ flex: 1, bgcolor: look.overBlack }} />
        <Box sx={{ flex: 1, bgcolor: look.overWhite }} />
      </Box>
      <Typography noWrap>
        {paint.name}
        <Box component="span" sx={{ color: "text.secondary" }}>
          {" "}
          {paint.range}, {paint.state}
        </Box>
      </Typography>
      <Button sx={{ px: 0 }} aria-label={`Take ${paint.name} off the shelf`} onClick={onOff}>
        Take off
      </Button>
    </Box>
  );
}

/** Pots that look alike, thick and thin. */
export function DoublesDialog({ onClose }: { readonly onClose: () => void }) {
  const { paints, change } = useShelf();
  const [limit, setLimit] = useState(3);
  const [problem, setProblem] = useState<string | null>(null);
  const doubles = useMemo(() => findDoubles(paints, limit), [paints, limit]);
  const off = (paint: Paint) =>
    void change([], [paint.id]).then(
      () => setProblem(null),
      (error: unknown) => setProblem(messageOf(error)),
    );
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm">
      <DialogTitle>Pots that look alike</DialogTitle>
      <DialogContent>
        <Box sx={{ display: "flex", gap: 2, pt: 1, pb: 2, alignItems: "flex-start" }}>
          <NumberField
            label="Alike below (CIEDE2000)"
            min={0.5}
            max={10}
            step={0.5}
            width={190}
            value={limit}
            onChange={setLimit}
          />
          <Typography variant="caption">
            Compared thick, and as one full coat over black and over white; the largest difference counts.
          </Typography>
        </Box>
        {problem !== null && (
          <Alert severity="error" variant="outlined" sx={{ mb: 1 }}>
            {problem}
          </Alert>
        )}
        {doubles.length === 0 && <Typography>No two pots are that alike.</Typography>}
        {doubles.slice(0, 60).map(({ one, other, off: difference }) => (
          <Box key={`${one.id}/${other.id}`} sx={{ borderTop: 1, borderColor: "divider", py: 1 }}>
            <Typography variant="body2">
              {formatNumber(difference, 1)} apart, {differenceInWords(difference)}
            </Typography>
            <Box sx={{ display: "flex", gap: 1 }}>
              <Half paint={one} onOff={() => off(one)} />
              <Half paint={other} onOff={() => off(other)} />
            </Box>
          </Box>
        ))}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}
