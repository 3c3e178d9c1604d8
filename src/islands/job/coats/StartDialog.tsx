import {
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
import { useState } from "react";
import type { Surface } from "../../../core/job";
import { schemeIds, schemes, type SchemeId } from "../../../core/schemes";
import { AGES, LOOKS, MATERIALS, type Age, type Look, type Material } from "../../../core/schemes/scheme";
import { startSurface } from "../../../core/schemes/start";
import { counted } from "../../../core/units";
import { FROM_TOP, leftByHand } from "../../../ui/dialogs";
import { useDesign, useEdit, usePaints } from "../jobStore";
import { ColourGoal } from "../palette/questions/ColourGoal";
import { useView } from "../viewStore";
import { PlanColumn, useLaying } from "./PlanColumn";
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

export const LOOK_NAMES: Readonly<Record<Look, string>> = {
  quiet: "quiet, for parts that stay back",
  plain: "as it is",
  striking: "draws the eye",
};

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
  const kept = useStartPlan(design, paints, surface.id, schemeId, { age, look, colour });
  const schools = schemeIds.filter((id) => schemes[id].material === scheme.material);
  const pickMaterial = (material: Material) => {
    const first = schemeIds.find((id) => schemes[id].material === material);
    if (first) setScheme(first);
    setColour(null);
  };
  const { plan } = useLaying({ surfaceId: surface.id, kept, put: startSurface });
  const start = () => {
    if (!plan) return;
    edit((job) => startSurface(job, surface.id, plan));
    setView({ coatId: null, upTo: null, tab: "section" });
    onClose();
  };
  return (
    <Dialog
      open
      onClose={leftByHand(onClose)}
      sx={FROM_TOP}
      maxWidth="md"
      fullWidth
      aria-labelledby="start-title"
    >
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
        <PlanColumn surfaceId={surface.id} kept={kept} put={startSurface} />
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
