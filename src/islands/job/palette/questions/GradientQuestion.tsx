import { Box, Button, MenuItem, TextField, Typography } from "@mui/material";
import { useMemo, useState } from "react";
import { opticsOfMix } from "../../../../core/colour/appearance";
import {
  continuousPull,
  gradientBetween,
  placesOfSteps,
  stepsWithoutJump,
  type Gradient,
  type GradientFilm,
} from "../../../../core/colour/gradient";
import { brushedPassUm } from "../../../../core/colour/mix";
import { wholeParts } from "../../../../core/colour/wholeParts";
import { spectrumToHex } from "../../../../core/colour/spaces";
import type { Spectrum } from "../../../../core/colour/spectrum";
import { mixById, type Mix, type MixPart } from "../../../../core/job";
import { partsText } from "../../../../core/plan/cardText";
import { counted, formatNumber, formatThinning } from "../../../../core/units";
import { NumberField } from "../../../../ui/NumberField";
import { useEdit, useJob, usePaints } from "../../jobStore";
import { trueGround } from "../useLight";
import { withNewMix } from "../../../../core/edits/mixes";
import { MixChoice, Question } from "./Question";
import { useFigure } from "../../useSurface";

const MOST_PARTS = 8;
/** Most drops of one pot that are counted without losing count. */
const MOST_POT_PARTS = 12;
const PULL_STEPS = 64;

const sum = (mix: Mix) => mix.parts.reduce((total, part) => total + part.parts, 0);

/** Share errors below this do not show. */
const EXACT = 0.004;

/** Whole parts of the pots for so many parts of two mixed wells: the same ratio, or the nearest that can be counted. */
function potsOf(
  first: Mix,
  second: Mix,
  [a, b]: readonly [number, number],
): { readonly pots: MixPart[]; readonly exact: boolean } {
  const parts = new Map<string, number>();
  const add = (mix: Mix, times: number) =>
    mix.parts.forEach((part) => parts.set(part.paintId, (parts.get(part.paintId) ?? 0) + part.parts * times));
  add(first, a * sum(second));
  add(second, b * sum(first));
  const used = [...parts].filter(([, count]) => count > 0);
  const { parts: whole, error } = wholeParts(
    used.map(([, count]) => count),
    MOST_POT_PARTS,
  );
  const pots = used.map(([paintId], at) => ({ paintId, parts: whole[at]! }));
  return { pots, exact: error < EXACT };
}

/** The gradient drawn as one pull, the steps marked where they lie on the visible way. */
function Pull({ pull, gradient }: { readonly pull: readonly Spectrum[]; readonly gradient: Gradient }) {
  return (
    <Box role="img" aria-label="The gradient as one pull, its steps marked">
      <Box sx={{ display: "flex", height: 34 }}>
        {pull.map((spectrum, at) => (
          <Box key={at} sx={{ flex: 1, bgcolor: spectrumToHex(spectrum) }} />
        ))}
      </Box>
      <Box sx={{ position: "relative", height: 12, mx: "2px" }}>
        {placesOfSteps(gradient).map((place, at) => (
          <Box
            key={at}
            sx={{
              position: "absolute",
              left: `${place * 100}%`,
              width: 5,
              height: 8,
              ml: "-2.5px",
              mt: "2px",
              bgcolor: "text.primary",
              clipPath: "polygon(50% 0, 100% 100%, 0 100%)",
            }}
          />
        ))}
      </Box>
    </Box>
  );
}

interface StepsProps {
  readonly first: Mix;
  readonly second: Mix;
  readonly gradient: Gradient;
}

function Steps({ first, second, gradient }: StepsProps) {
  const edit = useEdit();
  const paints = usePaints();
  return gradient.steps.map((step, at) => {
    const { pots, exact } = potsOf(first, second, step.parts);
    const inner = step.parts[0] > 0 && step.parts[1] > 0;
    const name = `${step.parts[0]} ${first.name} : ${step.parts[1]} ${second.name}`;
    return (
      <Box key={at} sx={{ display: "flex", alignItems: "center", gap: 1, minHeight: 34 }}>
        <Box sx={{ width: 54, alignSelf: "stretch", bgcolor: spectrumToHex(step.spectrum) }} />
        <Typography sx={{ flex: 1 }}>
          {inner ? `${step.parts[0]} : ${step.parts[1]}` : (step.parts[0] > 0 ? first : second).name}
          <Box component="span" sx={{ color: "text.secondary" }}>
            {" "}
            L* {formatNumber(step.lab[0], 0)}
          </Box>
        </Typography>
        {inner && (
          <Button
            sx={{ minWidth: 0 }}
            title={`${exact ? "" : "about "}${partsText(pots, paints)}`}
            onClick={() => edit((now) => withNewMix(now, name, pots, first.water))}
          >
            Take
          </Button>
        )}
      </Box>
    );
  });
}

function Body() {
  const job = useJob();
  const figure = useFigure();
  const paints = usePaints();
  const [firstId, setFirst] = useState(job.mixes[0]?.id ?? "");
  const [secondId, setSecond] = useState(job.mixes[1]?.id ?? "");
  const [count, setCount] = useState(5);
  const [seen, setSeen] = useState<"film" | "thick">("film");
  const [passes, setPasses] = useState(2);
  const [lengthMm, setLength] = useState(6);
  const [first, second] = [mixById(job, firstId), mixById(job, secondId)];
  const ground = trueGround(job, firstId, paints);
  const drawn = useMemo(() => {
    if (!first || !second || first.id === second.id) return null;
    if (first.parts.length === 0 || second.parts.length === 0) return null;
    const film: GradientFilm =
      seen === "thick" ? null : { filmUm: brushedPassUm(first.water) * passes, ground: ground.spectrum };
    const ends = [opticsOfMix(first, paints), opticsOfMix(second, paints)] as const;
    return {
      gradient: gradientBetween(...ends, count, MOST_PARTS, film),
      pull: continuousPull(...ends, film, PULL_STEPS),
      smooth: stepsWithoutJump(...ends, film, { lengthMm, distanceMm: figure.viewingDistanceMm }),
    };
  }, [first, second, seen, passes, count, lengthMm, paints, figure.viewingDistanceMm, ground.spectrum]);
  return (
    <>
      <MixChoice label="From" value={firstId} onChange={setFirst} />
      <MixChoice label="To" value={secondId} onChange={setSecond} />
      <NumberField
        label="Steps, both ends counted"
        min={2}
        max={12}
        whole
        value={count}
        onChange={setCount}
      />
      <TextField
        select
        label="Seen"
        value={seen}
        onChange={(event) => setSeen(event.target.value as "film" | "thick")}
      >
        <MenuItem value="film">dry, in its film</MenuItem>
        <MenuItem value="thick">dry, laid thick</MenuItem>
      </TextField>
      {seen === "film" && (
        <NumberField label="Coats of each step" min={1} max={8} whole value={passes} onChange={setPasses} />
      )}
      <NumberField
        label="Length on the figure"
        unit="mm"
        min={0.5}
        max={200}
        step={0.5}
        value={lengthMm}
        onChange={setLength}
      />
      {drawn && first && second ? (
        <Box>
          <Pull pull={drawn.pull} gradient={drawn.gradient} />
          <Steps first={first} second={second} gradient={drawn.gradient} />
          <Typography variant="caption" component="p" sx={{ mt: 1 }}>
            {seen === "film" &&
              `${counted(passes, "coat")} at ${formatThinning(first.water)} ${ground.name}. `}
            Parts are of the two mixed wells. Steps differ by{" "}
            {formatNumber(Math.min(...drawn.gradient.jumps), 1)} to{" "}
            {formatNumber(Math.max(...drawn.gradient.jumps), 1)}, within{" "}
            {formatNumber(drawn.gradient.unevenness * 100, 0)}&#8239;% of their mean
            {drawn.gradient.unevenness > 0.1 ? ", the nearest that whole parts to 8 allow" : ""}. From{" "}
            {formatNumber(figure.viewingDistanceMm / 10, 0)}&#8239;cm the eye sees no jump with{" "}
            {counted(drawn.smooth, "step")}.
          </Typography>
        </Box>
      ) : (
        <Typography>Choose two different mixes that have paint.</Typography>
      )}
    </>
  );
}

/** Draw the gradient between these two: even to the eye, in whole parts. */
export function GradientQuestion() {
  return <Question title="Draw the gradient between these two">{() => <Body />}</Question>;
}
