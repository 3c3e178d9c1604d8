import { Box, Typography } from "@mui/material";
import type { CoatEffect } from "../../../worker/steps";
import { chromaOf } from "../../../core/colour/spaces";
import { activeCoats, type Coat, type Surface } from "../../../core/job";
import { paintFact, strokesText } from "../../../core/plan/cardText";
import { isTechniqueId, techniques } from "../../../core/techniques";
import { baseIndex } from "../../../core/checks/seen";
import { formatMinutes, formatNumber } from "../../../core/units";
import { Row } from "../../../ui/Row";
import { useJudged } from "../useJudged";
import { useSimulation } from "../useSimulation";
import { useBuilt } from "../useSurface";
import { useCards } from "../useStageStates";
import { placeName } from "../../../core/plan/placeWords";
import { MarksRead } from "./MarksRead";

interface DullsProps {
  readonly effect: CoatEffect;
  readonly surface: Surface;
}

const isOfMarks = ({ technique: { id } }: Coat): boolean =>
  isTechniqueId(id) && techniques[id].marksOn !== undefined;

/** What a glaze or wash takes from the strokes below it: their contrast, from the darkest set to the lightest. */
function Dulls({ effect, surface }: DullsProps) {
  const sets = effect.earlier.flatMap(({ coatId, lightness }) => {
    const coat = surface.coats.find(({ id }) => id === coatId);
    return coat && lightness && isOfMarks(coat) ? [lightness] : [];
  });
  if (sets.length < 2) return null;
  const span = (at: 0 | 1) => {
    const all = sets.map((lightness) => lightness[at]);
    return formatNumber(Math.max(...all) - Math.min(...all), 0);
  };
  return (
    <Row name="Contrast of strokes below">
      L* {span(0)} → {span(1)}
    </Row>
  );
}

/** What a coat does, computed: never help text. */
export function CoatEffects({ coat, surface }: { readonly coat: Coat; readonly surface: Surface }) {
  const { pattern } = useBuilt(surface);
  const steps = useSimulation((state) => state.steps);
  const current = useSimulation((state) => state.settled);
  const counted = useJudged((judged) => judged.settled);
  const card = useCards().find((one) => one.coat.id === coat.id && one.surface.id === surface.id);
  const effect = steps?.effects.find((one) => one.coatId === coat.id);
  const painted = activeCoats(surface);
  const isBase = painted[baseIndex(painted)]?.id === coat.id && surface.pattern === null;
  if (coat.held)
    return <Typography sx={{ px: 2, py: 1 }}>Held back: it is not painted and does nothing.</Typography>;
  const stale = (!current && effect !== undefined) || (!counted && card !== undefined);
  return (
    <Box sx={{ px: 2, pt: 1.5 }} aria-busy={stale}>
      <Box sx={{ display: "flex", justifyContent: "space-between", mb: 0.7 }}>
        <Typography variant="h3">What it does</Typography>
        {stale && <Typography variant="caption">as it was before this change</Typography>}
      </Box>
      <Box sx={{ color: stale ? "text.secondary" : "text.primary" }}>
        <Row name="Where">{placeName(coat.place, pattern)}</Row>
        {effect && (
          <>
            <Row name="Covers">{formatNumber(effect.coveredShare * 100, 1)}&#8239;% of the surface</Row>
            <Row name="Still shows in the end">
              {effect.coveredShare > 0 ? formatNumber((100 * effect.showing) / effect.coveredShare, 0) : "0"}
              &#8239;% of it
            </Row>
            <Row name="Film">{formatNumber(effect.meanUm, 1)}&#8239;µm dry</Row>
            <Row name="Lightness there">
              L* {formatNumber(effect.before[0], 0)} → {formatNumber(effect.after[0], 0)}
            </Row>
            <Row name="Chroma there">
              {formatNumber(chromaOf(effect.before), 0)} → {formatNumber(chromaOf(effect.after), 0)}
            </Row>
            <Dulls {...{ effect, surface }} />
            <MarksRead {...{ coat }} before={effect.before[0]} after={effect.after[0]} />
          </>
        )}
        {effect && effect.earlier.length > 0 && (
          <Box component="details" sx={{ borderTop: 1, borderColor: "divider", py: 0.6 }}>
            <Box component="summary" sx={{ cursor: "pointer", fontSize: 13 }}>
              What still shows of earlier coats
            </Box>
            {effect.earlier.map(({ coatId, share, lightness }) => (
              <Row key={coatId} name={surface.coats.find((one) => one.id === coatId)?.name ?? ""}>
                {formatNumber(Math.min(1, share) * 100, 0)}&#8239;%
                {lightness && `, L* ${formatNumber(lightness[0], 0)} → ${formatNumber(lightness[1], 0)}`}
              </Row>
            ))}
          </Box>
        )}
        {steps?.baseHue && isBase && (
          <Row name="Its hue reads on">
            {formatNumber(steps.baseHue.share * 100, 0)}&#8239;%, mean hue{" "}
            {formatNumber(steps.baseHue.meanDeg, 0)}° of {formatNumber(steps.baseHue.baseDeg, 0)}°
          </Row>
        )}
        {card && (
          <>
            <Row name="Strokes">{strokesText(card)}</Row>
            {card.needs.length > 0 && <Row name="Paint">{paintFact(card)}</Row>}
            <Row name="Hand time, drying">
              {formatMinutes(card.handMinutes)}, {formatMinutes(card.dryMinutes * coat.passes)}
            </Row>
          </>
        )}
      </Box>
    </Box>
  );
}
