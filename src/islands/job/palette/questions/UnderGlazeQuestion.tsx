import { Box, Button, Typography } from "@mui/material";
import { useState } from "react";
import { opticsOfMix } from "../../../../core/colour/appearance";
import { groundUnder } from "../../../../core/colour/layering";
import { brushedPassUm } from "../../../../core/colour/mix";
import { hexToLinear, spectrumToHex, spectrumToLab } from "../../../../core/colour/spaces";
import { linearToSpectrum } from "../../../../core/colour/spectrum";
import { mixById } from "../../../../core/job";
import { techniques } from "../../../../core/techniques";
import { counted, formatNumber, formatThinning } from "../../../../core/units";
import { NumberField } from "../../../../ui/NumberField";
import { useEdit, useJob, usePaints } from "../../jobStore";
import { AnswerList } from "./AnswerList";
import { withNewMix } from "../../../../core/edits/mixes";
import { ColourGoal } from "./ColourGoal";
import { MixChoice, Question } from "./Question";
import { atHand, shelfKey, useFoundMixes } from "./useFoundMixes";

function Body() {
  const job = useJob();
  const paints = usePaints();
  const edit = useEdit();
  const [glazeId, setGlaze] = useState(job.mixes.find((mix) => mix.water >= 4)?.id ?? job.mixes[0]?.id ?? "");
  const [coats, setCoats] = useState(2);
  const [hex, setHex] = useState("#7a6440");
  const glaze = mixById(job, glazeId);
  const question = JSON.stringify([glaze?.id, glaze?.parts, glaze?.water, coats, hex, shelfKey(paints)]);
  const { found, busy, ask, cancel } = useFoundMixes(question);
  if (!glaze || glaze.parts.length === 0) {
    return <MixChoice label="Glaze" value={glazeId} onChange={setGlaze} />;
  }
  const optics = opticsOfMix(glaze, paints);
  const filmUm = brushedPassUm(glaze.water) * techniques.glaze.filmShare * coats;
  const goal = linearToSpectrum(hexToLinear(hex));
  const answer = groundUnder(optics, filmUm, goal);
  return (
    <>
      <MixChoice label="Glaze" value={glazeId} onChange={setGlaze} />
      <NumberField label="Coats of it" min={1} max={8} whole value={coats} onChange={setCoats} />
      <ColourGoal label="To be seen" value={hex} onChange={setHex} />
      <Box sx={{ display: "flex", gap: 1, alignItems: "center" }}>
        <Box sx={{ width: 54, height: 40, bgcolor: spectrumToHex(answer.ground), flexShrink: 0 }} />
        <Typography>
          {answer.reached
            ? `This must lie below: ${spectrumToHex(answer.ground)}, L* ${formatNumber(spectrumToLab(answer.ground)[0], 0)}.`
            : `No ground reaches it under ${counted(coats, "coat")} at ${formatThinning(glaze.water)}. This comes nearest, off by ${formatNumber(answer.difference, 1)}.`}
        </Typography>
      </Box>
      <Button
        variant="outlined"
        disabled={busy}
        onClick={() => ask(atHand(paints), spectrumToLab(goal), { kind: "under", optics, filmUm })}
      >
        Find a mix for below
      </Button>
      <AnswerList
        found={found}
        onCancel={cancel}
        note="Differences are those seen through the glaze. Take makes a new mix."
        onTake={({ parts }) => edit((now) => withNewMix(now, `Under ${glaze.name}`, parts, 1))}
      />
    </>
  );
}

/** What must lie under this glaze to end at this colour? */
export function UnderGlazeQuestion() {
  return <Question title="What must lie under this glaze?">{() => <Body />}</Question>;
}
