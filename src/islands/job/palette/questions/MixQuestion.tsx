import { Box, Button, MenuItem, TextField } from "@mui/material";
import { useState } from "react";
import { hexToLinear, spectrumToHex, spectrumToLab } from "../../../../core/colour/spaces";
import { linearToSpectrum } from "../../../../core/colour/spectrum";
import { mixById } from "../../../../core/job";
import { useEdit, useJob, usePaints } from "../../jobStore";
import { AnswerList } from "./AnswerList";
import { useGoals, withParts } from "./goals";
import { withNewMix } from "../../../../core/edits/mixes";
import { ColourField } from "../../../pots/ColourField";
import { Question } from "./Question";
import { atHand, shelfKey, useFoundMixes } from "./useFoundMixes";

function Body() {
  const job = useJob();
  const paints = usePaints();
  const edit = useEdit();
  const goals = useGoals();
  const [picked, setPicked] = useState("colour");
  const [hex, setHex] = useState("#6f7d5a");
  const goal = goals.find((one) => one.id === picked);
  const spectrum = goal?.spectrum ?? linearToSpectrum(hexToLinear(hex));
  const wanted = spectrumToLab(spectrum);
  const question = JSON.stringify([goal?.id, wanted, goal?.mixId, shelfKey(paints)]);
  const { found, busy, ask, cancel } = useFoundMixes(question);
  const into = goal?.mixId ?? null;
  return (
    <>
      <TextField
        select
        label="Goal"
        value={goal ? picked : "colour"}
        onChange={(event) => setPicked(event.target.value)}
      >
        <MenuItem value="colour">a colour</MenuItem>
        {goals.map((one) => (
          <MenuItem key={one.id} value={one.id}>
            {one.label}
          </MenuItem>
        ))}
      </TextField>
      {goal ? (
        <Box sx={{ width: 54, height: 30, bgcolor: spectrumToHex(goal.spectrum) }} />
      ) : (
        <ColourField label="Colour" value={hex} onChange={setHex} />
      )}
      <Button variant="outlined" disabled={busy} onClick={() => ask(atHand(paints), wanted)}>
        Find mixes
      </Button>
      <AnswerList
        found={found}
        onCancel={cancel}
        note={
          into === null
            ? "Take makes a new mix."
            : `Take puts it into ${mixById(job, into)?.name ?? "the mix"}.`
        }
        onTake={({ parts }) =>
          edit((now) =>
            into === null
              ? withNewMix(now, `Mix ${now.mixes.length + 1}`, parts, 1, goal?.colour ?? hex)
              : withParts(now, into, parts),
          )
        }
      />
    </>
  );
}

/** What do I mix for this colour? Over all pots at hand, in whole parts. */
export function MixQuestion() {
  return (
    <Question title="What do I mix for this colour?" openFirst>
      {() => <Body />}
    </Question>
  );
}
