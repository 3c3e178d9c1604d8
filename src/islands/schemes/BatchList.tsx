import { Box, Typography } from "@mui/material";
import { swatchOfMix } from "../../core/colour/appearance";
import { ciede2000, differenceInWords, directionInWords } from "../../core/colour/difference";
import { labToHex, spectrumToLab, type Triple } from "../../core/colour/spaces";
import type { Addition, Batch, Mix, Paint } from "../../core/job";
import { partsOf } from "../../core/record/mixedParts";
import { counted, formatNumber } from "../../core/units";

const potName = (paintId: string | null, paints: readonly Paint[]): string =>
  paintId === null ? "water" : (paints.find(({ id }) => id === paintId)?.name ?? "a pot that is gone");

const recipe = (added: readonly Addition[], paints: readonly Paint[]): string =>
  added.map(({ paintId, drops }) => `${counted(drops, "drop")} ${potName(paintId, paints)}`).join(", ");

function Swatch({ name, lab }: { readonly name: string; readonly lab: Triple }) {
  return (
    <Box component="figure" sx={{ m: 0 }}>
      <Box sx={{ width: 84, height: 56, bgcolor: labToHex(lab) }} />
      <Typography component="figcaption" variant="caption">
        {name}
      </Typography>
    </Box>
  );
}

interface LineProps {
  readonly batch: Batch;
  readonly number: number;
  readonly mixes: readonly Mix[];
  readonly paints: readonly Paint[];
}

function BatchLine({ batch, number, mixes, paints }: LineProps) {
  const parts = partsOf(batch.added, paints);
  const planned = mixes.find(({ name }) => name === batch.mix);
  const shown = (of: Pick<Mix, "parts">) => spectrumToLab(swatchOfMix(of, paints));
  const mixed = shown({ parts });
  const plan = planned && shown(planned);
  const away = plan ? ciede2000(plan, mixed) : 0;
  return (
    <Box
      component="li"
      aria-label={`Batch ${number}, ${batch.mix}`}
      sx={{ display: "flex", gap: 2, borderTop: 1, borderColor: "divider", py: 1.5, flexWrap: "wrap" }}
    >
      <Box sx={{ display: "flex", gap: 0.5 }}>
        {parts.length > 0 && <Swatch name="as mixed" lab={mixed} />}
        {batch.read && <Swatch name="read, dry" lab={batch.read} />}
        {plan && <Swatch name="as planned" lab={plan} />}
      </Box>
      <Box sx={{ flex: 1, minWidth: 220 }}>
        <Typography sx={{ fontWeight: 500 }}>
          {number} {batch.mix}
        </Typography>
        <Typography>{recipe(batch.added, paints)}</Typography>
        <Typography variant="body2">
          {batch.water === undefined
            ? ""
            : `Thinned with ${formatNumber(batch.water, 1)} parts of water to 1. `}
          For {batch.coats.join(", ")}.
        </Typography>
        {plan && away >= 1 && (
          <Typography variant="body2">
            {[differenceInWords(away), directionInWords(plan, mixed)]
              .filter((word) => word !== "")
              .join(", ")}{" "}
            against the plan, CIEDE2000 {formatNumber(away, 1)}.
          </Typography>
        )}
      </Box>
    </Box>
  );
}

interface Props {
  readonly batches: readonly Batch[];
  /** The mixes they were to be. */
  readonly mixes: readonly Mix[];
  readonly paints: readonly Paint[];
}

/** Wells as they were really mixed, in their order, each beside what it was to be: to match them again. */
export function BatchList({ batches, mixes, paints }: Props) {
  return (
    <Box component="ol" sx={{ listStyle: "none", m: 0, p: 0 }}>
      {batches.map((batch, at) => (
        <BatchLine key={at} batch={batch} number={at + 1} mixes={mixes} paints={paints} />
      ))}
    </Box>
  );
}
