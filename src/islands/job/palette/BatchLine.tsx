import { Box, Button, Typography } from "@mui/material";
import { memo, useDeferredValue } from "react";
import type { Batch } from "../../../core/plan/drops";
import type { Mix } from "../../../core/job";
import { wellFrom } from "../../../core/plan/wells";
import { counted, formatNumber, formatThinning, withUnit } from "../../../core/units";
import { beginWell } from "../historyStore";
import { useJob, usePainter, usePaints } from "../jobStore";
import { useView } from "../viewStore";
import { useAreaAtHand } from "./useArea";

/** What is wrong with a batch in whole drops, and the next one that is right. */
export function batchWarning(batch: Batch, water: number): string | null {
  const { warning } = batch;
  if (!warning) return null;
  if (warning.why === "too small") {
    return `Smallest batch in whole drops: ${formatNumber(batch.surplus, 0)} times what is needed. Mix parts with smaller numbers waste less.`;
  }
  const off = `Whole drops thin it ${formatThinning(batch.realWater)} instead of ${formatThinning(water)}.`;
  return warning.next
    ? `${off} Next workable batch: ${withUnit(warning.next.batchUl, 0, "µl")}, ${warning.next.times} times the parts with ${counted(warning.next.waterDrops, "drop")} of water.`
    : off;
}

/** Drops of a mix for the largest area that asks for it, and a well begun with them. */
export const BatchLine = memo(function BatchLine({ mix }: { readonly mix: Mix }) {
  // Amounts wait until the edit itself is shown.
  const job = useDeferredValue(useJob());
  const paints = usePaints();
  const painter = usePainter();
  const set = useView((view) => view.set);
  const area = useAreaAtHand(job, mix);
  if (!area || mix.parts.length === 0) return null;
  const { batch, coat } = area;
  const name = (id: string) => paints.find((paint) => paint.id === id)?.name ?? "missing pot";
  const drops = [
    ...batch.drops.map((pot) => `${pot.drops} ${name(pot.paintId)}`),
    ...(batch.waterDrops > 0 ? [`${batch.waterDrops} water`] : []),
  ].join(", ");
  const warning = batchWarning(batch, coat.water);
  return (
    <Box sx={{ width: "100%", borderTop: 1, borderColor: "divider", pt: 0.7, display: "flex", gap: 1 }}>
      <Box sx={{ flex: 1 }}>
        <Typography variant="body2">
          For {coat.name}
          {area.pieces > 1 ? " on both pieces" : ""}
          {area.figures > 1 ? ` on ${area.figures} figures` : ""}: drops {drops};{" "}
          {withUnit(batch.batchUl, 0, "µl")} mixed, {withUnit(batch.neededUl, 0, "µl")} needed with losses.
        </Typography>
        {warning !== null && <Typography variant="body2">Note: {warning}</Typography>}
      </Box>
      <Button
        sx={{ alignSelf: "flex-start", minWidth: 0 }}
        onClick={() => {
          beginWell((id) => wellFrom(id, mix, batch, { paints, waterDropUl: painter.waterDropUl }));
          set({ paletteView: "wells" });
        }}
      >
        Begin a well
      </Button>
    </Box>
  );
});
