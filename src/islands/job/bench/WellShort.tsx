import { Box, Button, Checkbox, FormControlLabel, Typography } from "@mui/material";
import { useState } from "react";
import type { Well } from "../../../core/job";
import type { MixNeed } from "../../../core/plan/batches";
import type { Card } from "../../../core/plan/cards";
import { amountText, measureText } from "../../../core/plan/cardText";
import { topUp, type TopUp } from "../../../core/plan/topUp";
import { withToppedUp } from "../../../core/plan/wells";
import { counted, formatNumber } from "../../../core/units";
import { NumberField } from "../../../ui/NumberField";
import { changeWell, useHistory } from "../historyStore";
import { usePainter, usePaints } from "../jobStore";
import { useCards } from "../useStageStates";

/** A difference (CIEDE2000) that is seen beside what is painted already. */
const SEEN = 1;

/** Needs of the cards that the same well still serves after one of them. */
function laterNeeds(card: Card, mixId: string, cards: readonly Card[]): MixNeed[] {
  const batch = card.mixing.find(({ mix }) => mix.id === mixId);
  const at = batch?.cards.findIndex(({ id }) => id === card.id) ?? -1;
  return (batch?.cards.slice(at + 1) ?? []).flatMap(
    ({ id }) => cards.find((one) => one.id === id)?.needs.filter(({ mix }) => mix.id === mixId) ?? [],
  );
}

/** Puts what was added into the well that is kept of the mix; only whole drops are kept. */
function AddedButton({ well, added }: { readonly well: Well; readonly added: TopUp }) {
  const paints = usePaints();
  const { waterDropUl } = usePainter();
  const sizes = { paints, waterDropUl };
  const took = added.pots.map(({ paintId, count }) => ({ paintId, drops: count }));
  const topped = withToppedUp(well, took, sizes);
  const water = Math.round((topped.waterUl - well.waterUl) / waterDropUl);
  const withWater = water > 0 ? `, with ${counted(water, "drop")} of water to keep its thinning` : "";
  return (
    <Button
      variant="outlined"
      onClick={() => changeWell(topped, `${measureText(added, paints)} went into ${well.name}${withWater}.`)}
    >
      It went into {well.name}
      {withWater}
    </Button>
  );
}

function TopUpFields({ card, need }: { readonly card: Card; readonly need: MixNeed }) {
  const paints = usePaints();
  const painter = usePainter();
  const cards = useCards();
  const { wells } = useHistory();
  const [percent, setPercent] = useState(50);
  const [all, setAll] = useState(true);
  const later = laterNeeds(card, need.mix.id, cards);
  const added = topUp([need, ...(all ? later : [])], percent / 100, paints, painter);
  const well = wells.findLast(({ mixId }) => mixId === need.mix.id);
  return (
    <Box sx={{ display: "grid", gap: 1 }}>
      <Box sx={{ display: "flex", gap: 2, flexWrap: "wrap", alignItems: "center" }}>
        <NumberField
          label="Still to paint of this card"
          unit="%"
          value={percent}
          min={2}
          max={100}
          step={10}
          width={190}
          onChange={setPercent}
        />
        {later.length > 0 && (
          <FormControlLabel
            control={<Checkbox checked={all} onChange={(_, checked) => setAll(checked)} />}
            label={`and the ${counted(later.length, "card")} after it`}
          />
        )}
      </Box>
      <Typography sx={{ fontWeight: 600 }} role="status">
        Add {measureText(added, paints)}
        {added.water === null ? "" : `; thin with ${added.water}`}
      </Typography>
      <Typography variant="body2">
        {amountText(added.neededUl)} needed, {amountText(added.addedUl)} added, before thinning.{" "}
        {added.off < SEEN
          ? "The well keeps its colour."
          : `By itself it is off by ${formatNumber(added.off, 1)} (CIEDE2000): stir it in and compare on the nail.`}
      </Typography>
      {well && added.measure === "drops" && (
        <Box>
          <AddedButton well={well} added={added} />
        </Box>
      )}
    </Box>
  );
}

/** What to add where the well runs short before the card is painted. */
export function WellShort({ card }: { readonly card: Card }) {
  const [open, setOpen] = useState(false);
  const need = card.needs.find(({ mix }) => mix.parts.length > 0);
  if (!need) return null;
  return (
    <Box sx={{ mt: 1 }}>
      <Button aria-expanded={open} onClick={() => setOpen(!open)}>
        The well runs short
      </Button>
      {open && (
        <Box sx={{ border: 1, borderColor: "divider", p: 1.5, mt: 0.5 }}>
          <TopUpFields card={card} need={need} />
        </Box>
      )}
    </Box>
  );
}
