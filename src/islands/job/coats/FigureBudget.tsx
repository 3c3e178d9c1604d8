import { Box, Button, Typography } from "@mui/material";
import { useEffect, useRef, useState } from "react";
import type { FigureShare } from "../../../core/effort/overFigure";
import { strokeMinutes } from "../../../core/plan/work";
import type { Surface } from "../../../core/job";
import { formatMinutes } from "../../../core/units";
import { NumberField } from "../../../ui/NumberField";
import { simulationWorker } from "../../../worker/client";
import { useDesign, useEdit, usePainter } from "../jobStore";

/** Minutes that a figure is offered at first. */
const USUAL_MINUTES = 60;
const MOST_MINUTES = 10_000;

/** A budget for all pieces of a figure at once, shared out by what is looked at and lit. */
export function FigureBudget({ surface }: { readonly surface: Surface }) {
  const job = useDesign();
  const edit = useEdit();
  const minutesPerMark = strokeMinutes(usePainter());
  const [minutes, setMinutes] = useState(USUAL_MINUTES);
  const [told, setTold] = useState<string | null>(null);
  const asked = useRef<number | null>(null);
  useEffect(
    () => () => {
      if (asked.current !== null) simulationWorker().cancel(asked.current);
    },
    [],
  );
  const pieces = job.surfaces.filter(({ figureId, seat }) => figureId === surface.figureId && seat !== null);
  if (surface.seat === null || pieces.length < 2) return null;
  const take = (shares: readonly FigureShare[]) => {
    const kept = new Map(shares.map(({ surfaceId, effort }) => [surfaceId, effort]));
    edit((now) => ({
      ...now,
      surfaces: now.surfaces.map((one) => {
        const effort = kept.get(one.id);
        return effort ? { ...one, effort } : one;
      }),
    }));
    const names = [...shares]
      .sort((a, b) => b.kept - a.kept)
      .map(({ surfaceId, kept: marks }) => {
        const { name } = job.surfaces.find(({ id }) => id === surfaceId)!;
        return `${name} ${formatMinutes(marks * minutesPerMark)}`;
      });
    setTold(
      names.length > 0 ? `Shared out: ${names.join(", ")}.` : "No piece here sets its marks one by one.",
    );
  };
  const share = () => {
    setTold("Sharing it out");
    const input = { job, figureId: surface.figureId, marks: Math.max(1, minutes / minutesPerMark) };
    asked.current = simulationWorker().ask("figureEffort", input, {
      answer: take,
      failed: (message) => setTold(message),
    });
  };
  return (
    <Box sx={{ display: "flex", gap: 2, flexWrap: "wrap", alignItems: "flex-start", mt: 2 }}>
      <NumberField
        label="Minutes for the whole figure"
        unit="min"
        width={220}
        min={1}
        max={MOST_MINUTES}
        value={minutes}
        onChange={setMinutes}
      />
      <Button variant="outlined" onClick={share}>
        Share over its pieces
      </Button>
      <Typography role="status" aria-label="Budget of the figure" sx={{ flexBasis: "100%" }}>
        {told}
      </Typography>
    </Box>
  );
}
