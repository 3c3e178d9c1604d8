import {
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  LinearProgress,
  Typography,
  useMediaQuery,
} from "@mui/material";
import { useMemo, useState } from "react";
import { withSurface } from "../../../../core/edits/surfaces";
import { figureOf, type Job, type Surface } from "../../../../core/job";
import { mishaps } from "../../../../core/mishaps";
import type { Told } from "../../../../core/mishaps/mishap";
import type { Card } from "../../../../core/plan/cards";
import type { FilmState } from "../../../../core/plan/clocks";
import { figuresOf } from "../../../../core/plan/progress";
import { FROM_TOP, leftByHand } from "../../../../ui/dialogs";
import { noteMishap, useHistory } from "../../historyStore";
import { useDesign, useEdit } from "../../jobStore";
import { useCards } from "../../useStageStates";
import { leftText } from "../atBench/Clocks";
import { useNow } from "../atBench/useClocks";
import type { PlanItem } from "../usePlan";
import { Answer } from "./Answer";
import { paintedOn, possible, stateOf } from "./happening";
import { useMending } from "./useMending";
import { WrongForm } from "./WrongForm";

const EVERY_MS = 5000;
const STATE_WORDS: Readonly<Record<FilmState, string>> = {
  workable: "The film can be worked",
  setting: "The film sets: leave it alone",
  "touch dry": "The film is touch dry",
  "dry through": "The film is dry through",
};

interface Props {
  readonly item: PlanItem;
  readonly onClose: () => void;
  /** What was taken, once it is. */
  readonly onTaken: () => void;
}

const firstTold = (coatId: string, kind: Told["kind"], job: Job): Told => ({
  ...{ kind, coatId, along: 0.5, up: 0.5, amount: mishaps[kind].asks.amount?.usual ?? 0 },
  mixId: mishaps[kind].asks.mix ? (job.mixes.find(({ id }) => id !== mixOf(job, coatId))?.id ?? null) : null,
});

const mixOf = (job: Job, coatId: string): string | undefined =>
  job.surfaces.flatMap(({ coats }) => coats).find(({ id }) => id === coatId)?.mixId;

/** What the dialog knows of the card it is about. */
function useWrong(card: Card, surface: Surface) {
  const job = useDesign();
  const cards = useCards();
  const { log } = useHistory();
  const now = useNow(EVERY_MS);
  const { state, left } = stateOf(card, log, now);
  const done = useMemo(() => paintedOn(cards, surface.id, log), [cards, surface.id, log]);
  const painted = useMemo(
    () => (done.includes(card.coat.id) ? done : [...done, card.coat.id]),
    [done, card.coat.id],
  );
  const kinds = useMemo(() => possible(job, surface, card.coat, done), [job, surface, card.coat, done]);
  return { job, state, left, done, painted, kinds };
}

/** Tells what went wrong with a card, shows what comes of it, and takes one of the ways on. */
export function WrongDialog({ item, onClose, onTaken }: Props) {
  const card = item.cards.at(-1)!;
  const edit = useEdit();
  const design = useDesign();
  const surface = design.surfaces.find(({ id }) => id === card.surface.id) ?? card.surface;
  const { job, state, left, done, painted, kinds } = useWrong(card, surface);
  const [told, setTold] = useState<Told | null>(null);
  const [chosenId, setChosenId] = useState<string | null>(null);
  const {
    answer: mending,
    tried,
    problem,
  } = useMending(surface.id, told, told?.kind === "forgotten" ? done : painted, state);
  const small = useMediaQuery("(max-width:599px)");
  const chosen = mending && told && (mending.ways.find(({ id }) => id === chosenId) ?? mending.ways[0]!);
  const figures = figureOf(job, surface).count > 1 ? figuresOf(card) : [];
  const change = (part: Partial<Told>) => {
    setTold((now) => now && { ...now, ...part });
    setChosenId(null);
  };
  const take = () => {
    if (!chosen) return;
    noteMishap(item, told, `${mishaps[told.kind].label}. ${chosen.label}.`);
    edit((now) => withSurface(now, surface.id, () => chosen.surface));
    onTaken();
  };
  return (
    <Dialog
      open
      fullScreen={small}
      onClose={leftByHand(onClose)}
      sx={FROM_TOP}
      maxWidth="md"
      fullWidth
      aria-labelledby="wrong-title"
    >
      <DialogTitle id="wrong-title">It went wrong: {card.title}</DialogTitle>
      <DialogContent
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "1fr", sm: "2fr 3fr" },
          gap: 3,
          alignItems: "start",
        }}
      >
        <Box>
          <Typography sx={{ mb: 1, fontWeight: 500 }} role="status">
            {STATE_WORDS[state]}
            {state !== "dry through" && ` for ${leftText(left)} more`}.
          </Typography>
          <WrongForm
            {...{ job, surface, told, figures, possible: kinds, onTold: change }}
            onKind={(kind) => {
              const coat = kinds.find((one) => one.kind === kind)?.coats[0];
              setTold({ ...firstTold((coat ?? card.coat).id, kind, job), ...firstFigures(item, figures) });
              setChosenId(null);
            }}
          />
        </Box>
        <Box aria-live="polite" aria-busy={tried !== null}>
          {told === null && (
            <Typography variant="body2">
              Say what happened: the piece is painted on from what is there now, in every way that leads back
              to the plan.
            </Typography>
          )}
          {problem !== null && <Typography color="error">{problem}</Typography>}
          {told !== null && tried !== null && problem === null && (
            <Box sx={{ mb: 1 }}>
              <LinearProgress aria-label="Ways on are being painted" />
              <Typography variant="caption">{tried} ways painted</Typography>
            </Box>
          )}
          {chosen && (
            <Answer
              {...{
                job,
                surfaceId: surface.id,
                mending,
                chosen,
                goal: mishaps[told.kind].goal,
                onChoose: setChosenId,
              }}
            />
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
          disabled={!chosen || tried !== null}
          onClick={take}
        >
          Go on this way
        </Button>
      </DialogActions>
    </Dialog>
  );
}

/** One figure of a unit is taken first: seldom does the same happen to all of them. */
const firstFigures = ({ turn }: PlanItem, figures: readonly number[]): Pick<Told, "figures"> =>
  figures.length > 1 ? { figures: [turn.figures[0] ?? figures[0]!] } : {};
