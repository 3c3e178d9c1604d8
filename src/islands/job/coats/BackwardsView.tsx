import { Box, Button, Typography } from "@mui/material";
import { useState } from "react";
import { opticsOfMix } from "../../../core/colour/appearance";
import { masstone } from "../../../core/colour/film";
import { hexToLinear, spectrumToHex, spectrumToLab } from "../../../core/colour/spaces";
import { linearToSpectrum } from "../../../core/colour/spectrum";
import { activeCoats, mixById, type Coat, type Surface } from "../../../core/job";
import { planBackwards, throughFilms, type FilmAbove } from "../../../core/plan/backwards";
import { formatNumber } from "../../../core/units";
import type { CoatEffect } from "../../../worker/steps";
import { useJob, usePaints, useEdit } from "../jobStore";
import { AnswerList } from "../palette/questions/AnswerList";
import { ColourGoal } from "../palette/questions/ColourGoal";
import { withNewMix } from "../../../core/edits/mixes";
import { atHand, shelfKey, useFoundMixes } from "../palette/questions/useFoundMixes";
import { useSimulation } from "../useSimulation";
import { useView } from "../viewStore";

/** A later coat that covers at least this much of the marks tints them; one that covers less is marks beside them. */
const TINTS = 0.5;

function Swatch({ hex, label }: { readonly hex: string; readonly label: string }) {
  return (
    <Box sx={{ width: 92 }}>
      <Box sx={{ height: 40, bgcolor: hex }} role="img" aria-label={`${label}: ${hex}`} />
      <Typography variant="caption">{label}</Typography>
    </Box>
  );
}

const round = (value: number) => formatNumber(value, 0);

function Plan({
  coat,
  effect,
  surface,
}: {
  readonly coat: Coat;
  readonly effect: CoatEffect;
  readonly surface: Surface;
}) {
  const job = useJob();
  const paints = usePaints();
  const edit = useEdit();
  const films = effect.above.filter((film) => film.share >= TINTS);
  const above: FilmAbove[] = films.map(({ coatId, filmUm, share }) => ({
    optics: opticsOfMix(mixById(job, surface.coats.find((one) => one.id === coatId)?.mixId ?? ""), paints),
    filmUm: filmUm * share,
  }));
  const now = masstone(opticsOfMix(mixById(job, coat.mixId), paints));
  const becomes = throughFilms(now, above);
  const [goalHex, setGoal] = useState(() => spectrumToHex(now));
  const plan = planBackwards(linearToSpectrum(hexToLinear(goalHex)), above);
  const question = JSON.stringify([coat.id, spectrumToHex(plan.paint), shelfKey(paints)]);
  const { found, busy, ask, cancel } = useFoundMixes(question);
  const [paintL, nowL] = [spectrumToLab(plan.paint)[0], spectrumToLab(now)[0]];
  const names = films.map(({ coatId }) => surface.coats.find((one) => one.id === coatId)?.name ?? "");
  const buried = effect.above.filter((film) => film.share < TINTS).reduce((sum, film) => sum + film.share, 0);
  return (
    <Box sx={{ display: "flex", gap: 3, flexWrap: "wrap" }}>
      <Box sx={{ width: 330, display: "grid", gap: 1.2, alignContent: "start" }}>
        <Typography>
          {names.length === 0
            ? `Nothing that tints comes over ${coat.name}: what you paint is what stays.`
            : `Over ${coat.name} come ${names.join(", ")}. They take it down from L* ${round(nowL)} to ${round(spectrumToLab(becomes)[0])}.`}
          {buried > 0.05 && ` Other marks hide some ${round(Math.min(1, buried) * 100)} % of it.`}
        </Typography>
        <ColourGoal label="To be seen when all is dry" value={goalHex} onChange={setGoal} />
        <Box sx={{ display: "flex", gap: 1 }}>
          <Swatch hex={spectrumToHex(now)} label="painted now" />
          <Swatch hex={spectrumToHex(becomes)} label="becomes" />
          <Swatch hex={spectrumToHex(plan.paint)} label="paint this" />
        </Box>
      </Box>
      <Box sx={{ flex: 1, minWidth: 280 }}>
        <Typography role="status" data-testid="backwards">
          {plan.reached
            ? `Paint it ${spectrumToHex(plan.paint)}, L* ${round(paintL)}: ${round(Math.abs(paintL - nowL))} ${paintL >= nowL ? "lighter" : "darker"} than now. It will look wrong until the glazes are on.`
            : `No paint is ${paintL > 50 ? "bright" : "dark"} enough under these films. The nearest ends ${formatNumber(plan.difference, 1)} away from the goal; thin the glazes or leave one out.`}
        </Typography>
        <Button
          variant="outlined"
          sx={{ my: 1 }}
          disabled={busy}
          onClick={() => ask(atHand(paints), spectrumToLab(plan.paint))}
        >
          Find a mix for it
        </Button>
        <AnswerList
          found={found}
          onCancel={cancel}
          note="Take makes a new mix and paints this coat with it."
          onTake={({ parts }) =>
            edit((before) => {
              const grown = withNewMix(
                before,
                `${coat.name}, for ${goalHex}`.slice(0, 80),
                parts,
                coat.water,
              );
              const mixId = grown.mixes.at(-1)!.id;
              return {
                ...grown,
                surfaces: grown.surfaces.map((one) =>
                  one.id === surface.id
                    ? {
                        ...one,
                        coats: one.coats.map((own) => (own.id === coat.id ? { ...own, mixId } : own)),
                      }
                    : one,
                ),
              };
            })
          }
        />
      </Box>
    </Box>
  );
}

/** How bright a coat must be painted, for what is to be seen of it after all that follows. */
export function BackwardsView({ surface }: { readonly surface: Surface }) {
  const coatId = useView((view) => view.coatId);
  const effects = useSimulation((state) => state.steps?.effects);
  const coat = activeCoats(surface).find((one) => one.id === coatId);
  const effect = effects?.find((one) => one.coatId === coatId);
  if (!coat || !effect)
    return (
      <Typography sx={{ p: 2 }}>
        Choose a coat on the left: you say what is to be seen of it in the end, and learn what to paint now.
      </Typography>
    );
  return (
    <Box sx={{ p: 2 }}>
      <Plan key={coat.id} coat={coat} effect={effect} surface={surface} />
    </Box>
  );
}
