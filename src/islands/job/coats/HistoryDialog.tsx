import { Box, Button, Dialog, DialogActions, DialogContent, DialogTitle, Typography } from "@mui/material";
import {
  CHIPPED_BY,
  GROUNDS,
  HANDLED,
  isChipped,
  MADE,
  STUFFS,
  TOLD_NAMES,
  WEATHERS,
  type Told,
} from "../../../core/ageing/told";
import type { Surface } from "../../../core/job";
import { isTold, layHistory, takeHistoryOff } from "../../../core/schemes/history";
import { ColourGoal } from "../palette/questions/ColourGoal";
import { FROM_TOP, leftByHand } from "../../../ui/dialogs";
import { useDesign, useEdit, useJob, usePaints } from "../jobStore";
import { useView } from "../viewStore";
import { PlanColumn, useLaying } from "./PlanColumn";
import { Choice } from "./StartDialog";
import { firstTold, useTold } from "./toldStore";
import { useHistoryPlan } from "./useStartPlan";

interface AnswersProps {
  readonly told: Told;
  readonly onTold: (change: Partial<Told>) => void;
}

/** What happened to it, one question each. */
function Answers({ told, onTold }: AnswersProps) {
  return (
    <Box sx={{ display: "grid", gap: 2, alignContent: "start" }}>
      <Choice
        question="What is it made of, below its paint?"
        answers={STUFFS}
        names={TOLD_NAMES.stuff}
        value={told.stuff}
        onChange={(stuff) => onTold({ stuff })}
      />
      <Choice
        question="When was it made?"
        answers={MADE}
        names={TOLD_NAMES.made}
        value={told.made}
        onChange={(made) => onTold({ made })}
      />
      <Choice
        question="Where was it knocked and handled?"
        answers={HANDLED}
        names={TOLD_NAMES.handled}
        value={told.handled}
        onChange={(handled) => onTold({ handled })}
      />
      <Choice
        question="In which weather was it left?"
        answers={WEATHERS}
        names={TOLD_NAMES.weather}
        value={told.weather}
        onChange={(weather) => onTold({ weather })}
      />
      <Choice
        question="Where does it stand?"
        answers={GROUNDS}
        names={TOLD_NAMES.ground}
        value={told.ground}
        onChange={(ground) => onTold({ ground })}
      />
      {isChipped(told.stuff) && (
        <Choice
          question="With what do you paint its chips?"
          answers={CHIPPED_BY}
          names={TOLD_NAMES.chippedBy}
          value={told.chippedBy}
          onChange={(chippedBy) => onTold({ chippedBy })}
        />
      )}
      {told.ground !== "clean" && (
        <ColourGoal label="Dust of that ground" value={told.dust} onChange={(dust) => onTold({ dust })} />
      )}
    </Box>
  );
}

/** Tells the history of a surface in words, and gets its coats in the order in which things happened. */
export function HistoryDialog({
  surface,
  onClose,
}: {
  readonly surface: Surface;
  readonly onClose: () => void;
}) {
  const design = useDesign();
  const { id: jobId } = useJob();
  const paints = usePaints();
  const edit = useEdit();
  const setView = useView((view) => view.set);
  const key = `${jobId}/${surface.id}`;
  const before = useTold((state) => state.told[key]);
  const tell = useTold((state) => state.tell);
  const told = firstTold(before, surface.volumes.material);
  const kept = useHistoryPlan(design, paints, surface.id, told);
  const { plan } = useLaying({ surfaceId: surface.id, kept, put: layHistory });
  const again = surface.coats.some(({ id }) => isTold(surface.id, id));
  const done = (change: Parameters<typeof edit>[0]) => {
    edit(change);
    setView({ coatId: null, upTo: null, time: null, tab: "section" });
    onClose();
  };
  return (
    <Dialog
      open
      onClose={leftByHand(onClose)}
      sx={FROM_TOP}
      maxWidth="md"
      fullWidth
      aria-labelledby="history-title"
    >
      <DialogTitle id="history-title">What happened to {surface.name}</DialogTitle>
      <DialogContent sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", md: "1fr 1fr" }, gap: 3 }}>
        <Answers told={told} onTold={(change) => tell(key, { ...told, ...change })} />
        <PlanColumn surfaceId={surface.id} kept={kept} put={layHistory} />
      </DialogContent>
      <DialogActions>
        <Typography variant="body2" sx={{ flex: 1, px: 2 }}>
          {again
            ? "It takes the place of the history that was told before."
            : "The coats that are there stay as they are: they are what it was made with."}
        </Typography>
        {again && (
          <Button onClick={() => done((job) => takeHistoryOff(job, surface.id))}>Take its history off</Button>
        )}
        <Button onClick={onClose}>Leave it</Button>
        <Button
          variant="contained"
          disabled={!plan}
          onClick={() => plan && done((job) => layHistory(job, surface.id, plan))}
        >
          Lay its coats
        </Button>
      </DialogActions>
    </Dialog>
  );
}
