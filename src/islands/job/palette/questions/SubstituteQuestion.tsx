import { Button, MenuItem, TextField, Typography } from "@mui/material";
import { useState } from "react";
import { opticsOfMix } from "../../../../core/colour/appearance";
import { layFilm } from "../../../../core/colour/film";
import { brushedPassUm } from "../../../../core/colour/mix";
import { spectrumToLab } from "../../../../core/colour/spaces";
import type { FoundMix } from "../../../../core/colour/search";
import type { Coat, Job, Surface } from "../../../../core/job";
import { mixById } from "../../../../core/job";
import { familyIn } from "../../../../core/patterns";
import { isUnseen } from "../../../../core/patterns/pattern";
import { formatNumber } from "../../../../core/units";
import { useEdit, useJob, usePaints } from "../../jobStore";
import { trueGround } from "../useLight";
import { AnswerList } from "./AnswerList";
import { withParts } from "./goals";
import { Question } from "./Question";
import { atHand, shelfKey, useFoundMixes } from "./useFoundMixes";

/** The first coat that uses a mix: its film is the one in which the substitute must serve. */
function coatWith(job: Job, mixId: string): { surface: Surface; coat: Coat } | null {
  for (const surface of job.surfaces) {
    const coat = surface.coats.find(
      (one) => one.mixId === mixId && !one.held && !isUnseen(familyIn(surface), one),
    );
    if (coat) return { surface, coat };
  }
  return null;
}

function Body() {
  const job = useJob();
  const paints = usePaints();
  const edit = useEdit();
  const used = paints.filter((paint) =>
    job.mixes.some((mix) => mix.parts.some((part) => part.paintId === paint.id)),
  );
  const [lacking, setLacking] = useState(
    used.find((paint) => paint.state !== "have")?.id ?? used[0]?.id ?? "",
  );
  const concerned = job.mixes.filter((mix) => mix.parts.some((part) => part.paintId === lacking));
  const [mixId, setMixId] = useState("");
  const mix = concerned.find((one) => one.id === mixId) ?? concerned[0];
  const place = mix ? coatWith(job, mix.id) : null;
  const water = place?.coat.water ?? mix?.water ?? 1;
  const filmUm = brushedPassUm(water) * (place?.coat.passes ?? 2);
  const question = JSON.stringify([lacking, mix?.id, mix?.parts, filmUm, shelfKey(paints)]);
  const { found, busy, ask, cancel } = useFoundMixes(question);
  if (used.length === 0) return <Typography>No mix uses a pot yet.</Typography>;
  const find = () => {
    if (!mix) return;
    const ground = trueGround(job, mix.id, paints).spectrum;
    const goal = spectrumToLab(layFilm(opticsOfMix(mix, paints), filmUm, ground));
    ask(
      atHand(paints).filter((paint) => paint.id !== lacking),
      goal,
      { kind: "film", filmUm, ground },
    );
  };
  const take = ({ parts }: FoundMix) => mix && edit((now) => withParts(now, mix.id, parts));
  return (
    <>
      <TextField
        select
        label="The pot I lack"
        value={lacking}
        onChange={(event) => setLacking(event.target.value)}
      >
        {used.map((paint) => (
          <MenuItem key={paint.id} value={paint.id}>
            {paint.name}
          </MenuItem>
        ))}
      </TextField>
      {concerned.length > 0 && (
        <TextField
          select
          label="In the mix"
          value={mix?.id ?? ""}
          onChange={(event) => setMixId(event.target.value)}
        >
          {concerned.map((one) => (
            <MenuItem key={one.id} value={one.id}>
              {one.name}
            </MenuItem>
          ))}
        </TextField>
      )}
      {mix && (
        <Typography variant="caption">
          Judged as it lies in{" "}
          {place
            ? `${place.coat.name}: ${formatNumber(brushedPassUm(place.coat.water) * place.coat.passes, 0)} µm`
            : "two coats"}{" "}
          {trueGround(job, mix.id, paints).name}.
        </Typography>
      )}
      <Button variant="outlined" disabled={!mix || busy} onClick={find}>
        Find what replaces it
      </Button>
      <AnswerList
        found={found}
        onCancel={cancel}
        note={`Take puts it into ${(mix && mixById(job, mix.id)?.name) ?? "the mix"}; every coat of it changes.`}
        onTake={take}
      />
    </>
  );
}

/** What replaces the pot I lack, in the coat that needs it? */
export function SubstituteQuestion() {
  return <Question title="What replaces a pot I lack?">{() => <Body />}</Question>;
}
