import {
  Alert,
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  ToggleButton,
  ToggleButtonGroup,
  Typography,
} from "@mui/material";
import { useMemo, useState } from "react";
import type { Surface } from "../../../core/job";
import { partsText } from "../../../core/plan/cardText";
import { schemeIds, schemes, type SchemeId } from "../../../core/schemes";
import { AGES, LOOKS, MATERIALS, type Age, type Look, type Material } from "../../../core/schemes/scheme";
import { startSurface, type FoundTone, type StartPlan } from "../../../core/schemes/start";
import { counted, formatNumber } from "../../../core/units";
import { Picture } from "../../../ui/Picture";
import { usePrefs } from "../../../ui/prefs";
import { SURROUNDS } from "../../../ui/theme";
import { usePiece } from "../../useThumbnail";
import { useDesign, useEdit, usePaints } from "../jobStore";
import { SearchProgress } from "../palette/questions/AnswerList";
import { ColourGoal } from "../palette/questions/ColourGoal";
import { useView } from "../viewStore";
import { useStartPlan } from "./useStartPlan";

/** One question with its answers in a row. */
export function Choice<T extends string>({
  question,
  answers,
  value,
  onChange,
  names,
}: {
  readonly question: string;
  readonly answers: readonly T[];
  readonly value: T;
  readonly onChange: (answer: T) => void;
  readonly names?: Readonly<Record<string, string>>;
}) {
  return (
    <Box>
      <Typography variant="body2" sx={{ mb: 0.5 }}>
        {question}
      </Typography>
      <ToggleButtonGroup
        exclusive
        size="small"
        aria-label={question}
        value={value}
        onChange={(_event, next: T | null) => next !== null && onChange(next)}
        sx={{ flexWrap: "wrap" }}
      >
        {answers.map((answer) => (
          <ToggleButton key={answer} value={answer}>
            {names?.[answer] ?? answer}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
    </Box>
  );
}

const LOOK_NAMES: Readonly<Record<Look, string>> = {
  quiet: "quiet, for parts that stay back",
  plain: "as it is",
  striking: "draws the eye",
};

function Tone({ found }: { readonly found: FoundTone }) {
  const paints = usePaints();
  const { tone, goal, paint, parts, difference } = found;
  return (
    <Box component="li" sx={{ display: "flex", gap: 1, alignItems: "center", py: 0.3 }}>
      <Box sx={{ display: "flex", width: 44, height: 24, flexShrink: 0 }}>
        <Box sx={{ flex: 1, bgcolor: paint }} title={`painted ${paint}`} />
        <Box sx={{ flex: 1, bgcolor: goal }} title={`seen ${goal}`} />
      </Box>
      <Box sx={{ minWidth: 0 }}>
        <Typography noWrap>
          {tone.name}
          {tone.clear ? ", clear" : ""}
        </Typography>
        <Typography variant="body2" noWrap>
          {parts.length === 0
            ? "no pot at hand: choose one afterwards"
            : `${partsText(parts, paints)}, ${tone.clear ? "tints" : `off by ${formatNumber(difference, 1)}`}`}
        </Typography>
      </Box>
    </Box>
  );
}

function Preview({ surface, plan }: { readonly surface: Surface; readonly plan: StartPlan }) {
  const design = useDesign();
  const paints = usePaints();
  const surround = usePrefs((prefs) => prefs.surround);
  const job = useMemo(() => startSurface(design, surface.id, plan), [design, surface.id, plan]);
  const piece = usePiece(job, paints, surface.id, { pxPerMm: 200, mostPx: 440 });
  return (
    <Box
      sx={{
        bgcolor: SURROUNDS[surround],
        height: 230,
        display: "grid",
        placeItems: "center",
        p: 1.5,
        overflow: "hidden",
      }}
    >
      {piece === undefined && (
        <Typography role="status" sx={{ color: surround === "dark" ? "#fff" : "#1d1d1d" }}>
          Simulating it
        </Typography>
      )}
      {piece && (
        <Picture
          pixels={piece}
          label="As it would be painted, simulated"
          cssWidth={`${Math.min(440, (205 * piece.width) / piece.height)}px`}
        />
      )}
    </Box>
  );
}

/** Starts a surface from a scheme: one question each, and what the answers come to. */
export function StartDialog({
  surface,
  onClose,
}: {
  readonly surface: Surface;
  readonly onClose: () => void;
}) {
  const design = useDesign();
  const paints = usePaints();
  const edit = useEdit();
  const setView = useView((view) => view.set);
  const [schemeId, setScheme] = useState<SchemeId>("leather-stippled");
  const [age, setAge] = useState<Age>("used");
  const [look, setLook] = useState<Look>("plain");
  const [own, setColour] = useState<string | null>(null);
  const scheme = schemes[schemeId];
  const colour = own ?? scheme.startColour;
  const { planned, last, stop, again } = useStartPlan(design, paints, surface.id, schemeId, {
    age,
    look,
    colour,
  });
  const schools = schemeIds.filter((id) => schemes[id].material === scheme.material);
  const pickMaterial = (material: Material) => {
    const first = schemeIds.find((id) => schemes[id].material === material);
    if (first) setScheme(first);
    setColour(null);
  };
  const plan = planned.kind === "ready" ? planned.plan : null;
  const start = () => {
    if (!plan) return;
    edit((job) => startSurface(job, surface.id, plan));
    setView({ coatId: null, upTo: null, tab: "section" });
    onClose();
  };
  return (
    <Dialog open onClose={onClose} maxWidth="md" fullWidth aria-labelledby="start-title">
      <DialogTitle id="start-title">Start {surface.name} from a scheme</DialogTitle>
      <DialogContent sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", md: "1fr 1fr" }, gap: 3 }}>
        <Box sx={{ display: "grid", gap: 2, alignContent: "start" }}>
          <Choice
            question="What is it made of?"
            answers={MATERIALS.filter((one) => schemeIds.some((id) => schemes[id].material === one))}
            value={scheme.material}
            onChange={pickMaterial}
          />
          {schools.length > 1 && (
            <Choice
              question="Which school?"
              answers={schools}
              value={schemeId}
              onChange={setScheme}
              names={Object.fromEntries(schools.map((id) => [id, schemes[id].label]))}
            />
          )}
          <Typography variant="body2">{scheme.about}</Typography>
          <Choice question="How old is it?" answers={AGES} value={age} onChange={setAge} />
          <Choice question="Which look?" answers={LOOKS} value={look} onChange={setLook} names={LOOK_NAMES} />
          <ColourGoal label="Its own colour" value={colour} onChange={setColour} />
        </Box>
        <Box sx={{ display: "grid", gap: 1, alignContent: "start" }}>
          {last ? <Preview surface={surface} plan={last} /> : <Box sx={{ height: 230 }} />}
          {planned.kind === "failed" && (
            <Alert severity="error" variant="outlined">
              {planned.message}
            </Alert>
          )}
          <Typography role="status">
            {plan
              ? `${counted(plan.coats.length, "coat")} in ${counted(plan.tones.length, "mix", "mixes")} of your own pots; left what is painted, right what is seen in the end.`
              : planned.kind === "busy"
                ? "Looking for mixes among your pots"
                : planned.kind === "stopped"
                  ? "Stopped. Nothing was changed."
                  : ""}
          </Typography>
          {planned.kind === "busy" && (
            <SearchProgress done={planned.done} total={planned.total} onCancel={stop} />
          )}
          {planned.kind === "stopped" && (
            <Button variant="outlined" onClick={again} sx={{ justifySelf: "start" }}>
              Look again
            </Button>
          )}
          <Box
            component="ul"
            aria-label="Its tones"
            sx={{ opacity: plan ? 1 : 0.5, listStyle: "none", m: 0, p: 0 }}
          >
            {last?.tones.map((found) => (
              <Tone key={found.key} found={found} />
            ))}
          </Box>
        </Box>
      </DialogContent>
      <DialogActions>
        <Typography variant="body2" sx={{ flex: 1, px: 2 }}>
          {surface.coats.length > 0
            ? `It takes the place of ${counted(surface.coats.length, "coat")}${surface.pattern ? " and of the cloth" : ""}; Undo brings them back.`
            : ""}
        </Typography>
        <Button onClick={onClose}>Leave it</Button>
        <Button variant="contained" disabled={!plan} onClick={start}>
          Start
        </Button>
      </DialogActions>
    </Dialog>
  );
}
