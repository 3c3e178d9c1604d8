import { Box, Button, Link, Typography } from "@mui/material";
import { memo, useState } from "react";
import type { Paint } from "../../../core/job";
import { call } from "../../../ui/api";
import { ColumnHead } from "../../../ui/Row";
import { PotDialog } from "../../pots/PotDialog";
import { blankPot, potLook } from "../../pots/potLooks";
import { useJobStore, usePaints } from "../jobStore";

interface PotRowProps {
  readonly paint: Paint;
  readonly onOpen: (opened: { paint: Paint; isNew: boolean }) => void;
}

/** One pot. Its looks are worked out when it is first drawn, so that a long shelf is drawn in pieces. */
const PotRow = memo(function PotRow({ paint, onOpen }: PotRowProps) {
  return (
    <Box
      component="button"
      type="button"
      onClick={() => onOpen({ paint, isNew: false })}
      sx={{
        display: "flex",
        alignItems: "center",
        gap: 1.2,
        width: "100%",
        font: "inherit",
        color: "text.primary",
        textAlign: "left",
        bgcolor: "transparent",
        border: 0,
        borderTop: 1,
        borderColor: "divider",
        px: 2,
        py: 0.9,
        cursor: "pointer",
      }}
    >
      <Box sx={{ display: "flex", width: 54, height: 22, flexShrink: 0 }}>
        <Box sx={{ flex: 1, bgcolor: potLook(paint).thick }} />
        {paint.hiding !== "opaque" && <Box sx={{ flex: 1, bgcolor: potLook(paint).overWhite }} />}
      </Box>
      <Typography noWrap sx={{ flex: 1 }}>
        {paint.name}
      </Typography>
      <Typography variant="body2">
        {paint.state === "have" ? (paint.hiding === "transparent" ? "clear" : paint.hiding) : paint.state}
      </Typography>
    </Box>
  );
});

/** The pots at hand; a click opens one. */
export function Shelf() {
  const paints = usePaints();
  const [open, setOpen] = useState<{ paint: Paint; isNew: boolean } | null>(null);
  const setPaints = useJobStore((state) => state.setPaints);
  const reload = async () => setPaints((await call<{ paints: Paint[] }>("/api/paints")).paints);
  const have = paints.filter((paint) => paint.state === "have" || paint.state === "low").length;
  return (
    <Box
      sx={{
        flex: 1,
        minHeight: 0,
        display: "flex",
        flexDirection: "column",
      }}
    >
      <ColumnHead title="Shelf" note={`${paints.length} pots, ${have} at hand`} />
      <Box sx={{ flex: 1, overflow: "auto" }}>
        {paints.map((paint) => (
          <PotRow key={paint.id} paint={paint} onOpen={setOpen} />
        ))}
      </Box>
      <Box sx={{ display: "flex", alignItems: "center", justifyContent: "space-between", px: 1, py: 0.5 }}>
        <Button onClick={() => setOpen({ paint: blankPot(), isNew: true })}>Add a pot</Button>
        <Link href="/shelf" sx={{ px: 1 }}>
          Whole shelf
        </Link>
      </Box>
      {open && (
        <PotDialog
          first={open.paint}
          isNew={open.isNew}
          shelf={paints}
          onClose={() => setOpen(null)}
          onSave={(paint) => call(`/api/paints/${paint.id}`, { method: "PUT", json: paint }).then(reload)}
          onRemove={(paint) => call(`/api/paints/${paint.id}`, { method: "DELETE" }).then(reload)}
        />
      )}
    </Box>
  );
}
