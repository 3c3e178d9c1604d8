import {
  Alert,
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  LinearProgress,
  Typography,
} from "@mui/material";
import { useMemo, useState } from "react";
import { leaveOut } from "../../../../core/edits/leaveOut";
import type { Job } from "../../../../core/job";
import type { Card } from "../../../../core/plan/cards";
import { minutesOn } from "../../../../core/plan/fit/fit";
import { counted, formatMinutes, formatNumber } from "../../../../core/units";
import { FROM_TOP, leftByHand } from "../../../../ui/dialogs";
import { FramedPicture } from "../../../../ui/FramedPicture";
import { NumberField } from "../../../../ui/NumberField";
import { Row } from "../../../../ui/Row";
import type { FitAnswer } from "../../../../worker/questions/fit";
import { useFigurePicture } from "../../../useThumbnail";
import { useDesign, useEdit, usePaints } from "../../jobStore";
import { useCards } from "../../useStageStates";
import { useFit } from "./useFit";

const HIGH_PX = 260;

/** The whole figure, as a job has it. */
function Figure({
  job,
  figureId,
  label,
}: {
  readonly job: Job;
  readonly figureId: string;
  readonly label: string;
}) {
  const picture = useFigurePicture(job, usePaints(), figureId, HIGH_PX);
  // A figure without a body has no picture of the whole.
  if (picture === null) return null;
  return <FramedPicture pixels={picture} label={label} caption={label} high={HIGH_PX} />;
}

/** What is left out, surface by surface. */
function LeftOut({ answer, cards }: { readonly answer: FitAnswer; readonly cards: readonly Card[] }) {
  const out = cards.filter(({ id }) => answer.cardIds.includes(id));
  const surfaces = [...new Map(out.map(({ surface }) => [surface.id, surface])).values()];
  if (out.length === 0) return <Typography>Nothing has to be left out: it fits as it is.</Typography>;
  return (
    <Box role="group" aria-label="Left out">
      {surfaces.map(({ id, name }) => (
        <Box key={id} sx={{ mb: 1 }}>
          <Typography sx={{ fontWeight: 500 }}>
            {name}: {formatNumber(answer.missed[id] ?? 0, 1)} CIEDE2000 missed
          </Typography>
          {out
            .filter(({ surface }) => surface.id === id)
            .map((card) => (
              <Row key={card.id} name={card.title}>
                {formatMinutes(minutesOn(card))}
              </Row>
            ))}
        </Box>
      ))}
    </Box>
  );
}

interface Props {
  readonly figureId: string;
  readonly onClose: () => void;
}

/** So many minutes a figure: what to leave out so that least is missed. */
export function FitDialog({ figureId, onClose }: Props) {
  const job = useDesign();
  const edit = useEdit();
  const cards = useCards();
  const own = useMemo(() => cards.filter(({ surface }) => surface.figureId === figureId), [cards, figureId]);
  const full = own.reduce((sum, card) => sum + minutesOn(card), 0);
  const [minutes, setMinutes] = useState(() => Math.max(1, Math.round(full / 2)));
  const { answer, tried, problem } = useFit(figureId, minutes);
  const fitted = useMemo(() => answer && leaveOut(job, answer.cardIds), [job, answer]);
  const take = () => {
    if (answer) edit((now) => leaveOut(now, answer.cardIds));
    onClose();
  };
  return (
    <Dialog
      open
      onClose={leftByHand(onClose)}
      sx={FROM_TOP}
      maxWidth="md"
      fullWidth
      aria-labelledby="fit-title"
    >
      <DialogTitle id="fit-title">Fit to minutes</DialogTitle>
      <DialogContent
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "1fr", sm: "1fr 1fr" },
          gap: 3,
          alignItems: "start",
        }}
      >
        <Box sx={{ display: "grid", gap: 1.5 }}>
          <Box sx={{ pt: 1 }}>
            <NumberField
              label="Minutes for one figure"
              unit="min"
              value={minutes}
              min={1}
              max={Math.max(1, Math.ceil(full))}
              onChange={setMinutes}
            />
          </Box>
          <Typography variant="body2">
            All its cards take {formatMinutes(full)} of the hand, set-ups counted once a card.
          </Typography>
          {problem !== null && (
            <Alert severity="warning" variant="outlined">
              {problem}
            </Alert>
          )}
          {tried !== null && problem === null && (
            <Box>
              <LinearProgress aria-label="What may be left out is being looked for" />
              <Typography variant="caption">{counted(tried, "way", "ways")} painted</Typography>
            </Box>
          )}
          {answer && (
            <Typography role="status" sx={{ fontWeight: 500 }}>
              {counted(answer.cardIds.length, "card")} left out: {formatMinutes(answer.minutes)} instead of{" "}
              {formatMinutes(answer.fullMinutes)}. What is missed: {formatNumber(answer.meanMissed, 1)}{" "}
              CIEDE2000 on the whole figure, as seen from its viewing distance.
            </Typography>
          )}
          {answer && <LeftOut answer={answer} cards={own} />}
        </Box>
        <Box sx={{ display: "flex", gap: 1 }}>
          <Figure job={job} figureId={figureId} label="with all its coats" />
          {fitted && (
            <Figure job={fitted} figureId={figureId} label={`in ${formatMinutes(answer!.minutes)}`} />
          )}
        </Box>
      </DialogContent>
      <DialogActions>
        <Button sx={{ minHeight: 44 }} onClick={onClose}>
          Leave it
        </Button>
        <Button
          sx={{ minHeight: 44 }}
          variant="contained"
          disabled={tried !== null || !answer || answer.cardIds.length === 0}
          onClick={take}
        >
          Hold these back
        </Button>
      </DialogActions>
    </Dialog>
  );
}
