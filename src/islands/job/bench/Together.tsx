import { Alert, Box, Button, Typography } from "@mui/material";
import { useEffect, useMemo, useState } from "react";
import { apartAgain, broughtTogether, isTogether } from "../../../core/edits/together";
import { surfacesOf } from "../../../core/edits/figures";
import { whyTooMuch } from "../../../core/edits/fits";
import type { Card } from "../../../core/plan/cards";
import { airbrushSaves, type ClosedOff } from "../../../core/plan/together";
import { formatMinutes, formatNumber } from "../../../core/units";
import { taskWorker } from "../../../worker/client";
import { useDesign, useEdit, usePainter, usePaints } from "../jobStore";

/** Which pieces a brush no longer reaches everywhere; empty until the worker has looked. */
function useClosedOff(figureId: string): readonly ClosedOff[] {
  const job = useDesign();
  const [found, setFound] = useState<readonly ClosedOff[]>([]);
  useEffect(() => {
    const worker = taskWorker();
    const id = worker.ask("closedOff", { job, figureId }, { answer: setFound });
    return () => {
      worker.forget(id);
      worker.cancel(id);
    };
  }, [job, figureId]);
  return found;
}

interface Props {
  readonly figureId: string;
  readonly cards: readonly Card[];
}

/** What is painted before a figure is put together, what an airbrush saves on its large pieces, and the dry brush over all of it afterwards. */
export function Together({ figureId, cards }: Props) {
  const job = useDesign();
  const paints = usePaints();
  const painter = usePainter();
  const edit = useEdit();
  const closed = useClosedOff(figureId);
  const [problem, setProblem] = useState<string | null>(null);
  const surfaces = surfacesOf(job, figureId);
  const saves = useMemo(
    () =>
      airbrushSaves(
        cards.filter(({ surface }) => surface.figureId === figureId),
        painter,
      ),
    [cards, figureId, painter],
  );
  const nameOf = (id: string) => surfaces.find((surface) => surface.id === id)?.name ?? "";
  const there = surfaces.some(({ id, coats }) => coats.some((coat) => isTogether(id, coat.id)));
  const toggle = () => {
    const next = there ? apartAgain(job, figureId) : broughtTogether(job, figureId, paints);
    const tooMuch = surfaces.map(({ id }) => whyTooMuch(next, id)).find((why) => why !== null) ?? null;
    setProblem(tooMuch);
    if (tooMuch === null)
      edit((now) => (there ? apartAgain(now, figureId) : broughtTogether(now, figureId, paints)));
  };
  if (surfaces.length < 2 && saves.length === 0) return null;
  return (
    <Box role="group" aria-label="Putting it together" sx={{ display: "grid", gap: 0.5, mt: 2 }}>
      <Typography variant="h3">Putting it together</Typography>
      {closed
        .filter(({ surfaceId }) => nameOf(surfaceId) !== "")
        .map(({ surfaceId, share }) => (
          <Typography key={surfaceId} variant="body2">
            <b>{nameOf(surfaceId)}</b>: {formatNumber(100 * share, 0)}&#8239;% of it lies where no brush comes
            once all is glued. Paint that before.
          </Typography>
        ))}
      {saves.map(({ surface, coats, brushMinutes, savedMinutes }) => (
        <Typography key={surface.id} variant="body2">
          <b>{surface.name}</b>: an airbrush saves {formatMinutes(savedMinutes)} of{" "}
          {formatMinutes(brushMinutes)} on {coats.join(", ")}.
        </Typography>
      ))}
      {surfaces.length > 1 && (
        <>
          <Typography variant="body2">
            {there
              ? "One light dry brush in one mix ends every part: paint those cards when all is together, so that the light is one."
              : "Parts that were painted apart get one more light dry brush over all of them."}
          </Typography>
          <Button variant="outlined" sx={{ justifySelf: "start" }} onClick={toggle}>
            {there ? "Take that dry brush off" : "Dry brush over all parts"}
          </Button>
          {problem !== null && (
            <Alert severity="error" variant="outlined">
              {problem}
            </Alert>
          )}
        </>
      )}
    </Box>
  );
}
