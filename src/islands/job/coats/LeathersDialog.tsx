import {
  Alert,
  Box,
  Button,
  Checkbox,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  FormControlLabel,
  Typography,
} from "@mui/material";
import { useEffect, useMemo, useRef, useState } from "react";
import { labOfParts } from "../../../core/colour/search";
import { chromaOf, hexToLab, labToHex } from "../../../core/colour/spaces";
import type { Job, Surface } from "../../../core/job";
import { assignColours, leatherFamily } from "../../../core/plan/leathers";
import type { SchemeId } from "../../../core/schemes";
import { AGES, LOOKS, type Age, type Look } from "../../../core/schemes/scheme";
import { startSurface, type StartPlan } from "../../../core/schemes/start";
import { formatNumber } from "../../../core/units";
import { FROM_TOP, leftByHand } from "../../../ui/dialogs";
import { useEdit, useJob, usePaints } from "../jobStore";
import { SearchProgress } from "../palette/questions/AnswerList";
import { ColourGoal } from "../palette/questions/ColourGoal";
import { useView } from "../viewStore";
import { Choice } from "./StartDialog";
import { askPlan, type AskedPlan } from "./useStartPlan";

const isLeather = (surface: Surface) =>
  surface.pattern === null &&
  ["strap", "bag", "glove", "hand", "boot", "limb", "sleeve", "panel"].includes(surface.form.id);

/** The most colourful mix of the figure that no leather uses: what the browns are drawn towards. */
function echoOf(job: Job, paints: ReturnType<typeof usePaints>, leathers: readonly string[]) {
  const used = new Set(
    job.surfaces
      .filter((one) => !leathers.includes(one.id))
      .flatMap((one) => one.coats.map((coat) => coat.mixId)),
  );
  const labs = job.mixes
    .filter((mix) => used.has(mix.id) && mix.parts.length > 0)
    .map((mix) => labOfParts(mix.parts, paints));
  return labs.sort((a, b) => chromaOf(b) - chromaOf(a))[0] ?? null;
}

const SCHOOLS: Readonly<Record<string, string>> = {
  "leather-stippled": "stippled and glazed",
  "leather-scrubbed": "scrubbed and washed",
};

interface LeatherProps {
  readonly name: string;
  readonly on: boolean;
  readonly hex: string;
  readonly onToggle: () => void;
}

function LeatherRow({ name, on, hex, onToggle }: LeatherProps) {
  return (
    <Box sx={{ display: "flex", alignItems: "center", gap: 1 }}>
      <FormControlLabel
        sx={{ flex: 1 }}
        control={<Checkbox size="small" checked={on} onChange={onToggle} />}
        label={name}
      />
      {on && (
        <>
          <Box sx={{ width: 54, height: 22, bgcolor: hex }} />
          <Typography sx={{ width: 120 }} variant="body2">
            {hex}, L* {formatNumber(hexToLab(hex)[0], 0)}
          </Typography>
        </>
      )}
    </Box>
  );
}

type Wish = readonly [surfaceId: string, answers: Parameters<typeof askPlan>[4]];

/** Works schemes out one after another; all are painted in one step, or none. */
function usePainting(schemeId: SchemeId, onPainted: () => void) {
  const job = useJob();
  const paints = usePaints();
  const edit = useEdit();
  const [done, setDone] = useState<number | null>(null);
  const [failure, setFailure] = useState<string | null>(null);
  const running = useRef<AskedPlan | null>(null);
  const left = useRef(false);
  useEffect(() => {
    left.current = false;
    return () => {
      left.current = true;
      running.current?.stop();
    };
  }, []);
  const start = async (wishes: readonly Wish[]) => {
    const plans: [string, StartPlan][] = [];
    setFailure(null);
    for (const [id, answers] of wishes) {
      setDone(plans.length);
      const asked = askPlan(job, paints, id, schemeId, answers, (progress) =>
        setDone(plans.length + progress.done / progress.total),
      );
      running.current = asked;
      const made = await asked.planned;
      // A plan that was ready just as the dialog was left must not be painted all the same.
      if (left.current) return;
      if (made.kind !== "ready") {
        setFailure(made.kind === "failed" ? made.message : null);
        setDone(null);
        return;
      }
      plans.push([id, made.plan]);
    }
    edit((now) => plans.reduce((current, [id, plan]) => startSurface(current, id, plan), now));
    onPainted();
  };
  return { done, failure, start, stop: () => running.current?.stop() };
}

/** Browns for all leathers of a figure, unlike each other wherever they touch, painted in one go. */
export function LeathersDialog({ onClose }: { readonly onClose: () => void }) {
  const job = useJob();
  const paints = usePaints();
  const setView = useView((view) => view.set);
  const [chosen, setChosen] = useState<readonly string[]>(() =>
    job.surfaces.filter(isLeather).map((one) => one.id),
  );
  const [colour, setColour] = useState("#6b432c");
  const [schemeId, setScheme] = useState<SchemeId>("leather-stippled");
  const [age, setAge] = useState<Age>("used");
  const [look, setLook] = useState<Look>("plain");
  const { done, failure, start, stop } = usePainting(schemeId, () => {
    setView({ coatId: null, upTo: null });
    onClose();
  });
  const given = useMemo(() => {
    const family = leatherFamily(hexToLab(colour), echoOf(job, paints, chosen), Math.max(3, chosen.length));
    return { family, ...assignColours(chosen, job.touching, family) };
  }, [job, paints, chosen, colour]);
  const hexOf = (id: string) => labToHex(given.family[given.colourOf[id] ?? 0]!);
  const toggle = (id: string) =>
    setChosen(chosen.includes(id) ? chosen.filter((one) => one !== id) : [...chosen, id]);
  return (
    <Dialog
      open
      onClose={leftByHand(onClose)}
      sx={FROM_TOP}
      maxWidth="sm"
      fullWidth
      aria-labelledby="leathers-title"
    >
      <DialogTitle id="leathers-title">The leathers of {job.name}</DialogTitle>
      <DialogContent sx={{ display: "grid", gap: 2 }}>
        <Typography>
          Each gets a brown of its own, drawn a little towards the figure&apos;s colours; no two that touch
          are alike in lightness. Which surfaces touch is set in the brief.
        </Typography>
        <ColourGoal label="The leather it is known by" value={colour} onChange={setColour} />
        <Box role="group" aria-label="Leathers">
          {job.surfaces.map(({ id, name }) => (
            <LeatherRow
              key={id}
              name={name}
              on={chosen.includes(id)}
              hex={hexOf(id)}
              onToggle={() => toggle(id)}
            />
          ))}
        </Box>
        <Typography role="status" data-testid="least-step">
          {Number.isFinite(given.leastStep)
            ? `Neighbours are L* ${formatNumber(given.leastStep, 0)} apart at least.`
            : "None of them touch, as the brief has it."}
        </Typography>
        <Choice
          question="Which school?"
          answers={Object.keys(SCHOOLS) as SchemeId[]}
          value={schemeId}
          onChange={setScheme}
          names={SCHOOLS}
        />
        <Choice question="How old are they?" answers={AGES} value={age} onChange={setAge} />
        <Choice question="Which look?" answers={LOOKS} value={look} onChange={setLook} />
        {done !== null && <SearchProgress done={done} total={Math.max(1, chosen.length)} onCancel={stop} />}
        {failure !== null && (
          <Alert severity="error" variant="outlined">
            {failure}
          </Alert>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Leave them</Button>
        <Button
          variant="contained"
          disabled={chosen.length === 0 || done !== null}
          onClick={() => void start(chosen.map((id) => [id, { age, look, colour: hexOf(id) }]))}
        >
          Paint them so
        </Button>
      </DialogActions>
    </Dialog>
  );
}
