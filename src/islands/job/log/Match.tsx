import { Typography } from "@mui/material";
import { batchesOf } from "../../../core/record/batches";
import { BatchList } from "../../schemes/BatchList";
import { useHistory } from "../historyStore";
import { useJob, usePaints } from "../jobStore";

/** The wells of the job as they were really mixed, in their order: to match them weeks later. */
export function Match() {
  const { log } = useHistory();
  const { mixes } = useJob();
  const paints = usePaints();
  const batches = batchesOf(log);
  if (batches.length === 0)
    return (
      <Typography>
        No well is in the log yet. Note the drops you mix at the bench or under Palette, Wells; each card you
        tick off then keeps what it was painted with.
      </Typography>
    );
  return (
    <>
      <Typography sx={{ mb: 2 }}>
        Mix the drops in their order, and let a stroke dry beside the old paint before you judge it: wet paint
        looks lighter. Swatches show dry paint, laid thick; one that was read from the figure tells most.
      </Typography>
      <BatchList batches={batches} mixes={mixes} paints={paints} />
    </>
  );
}
