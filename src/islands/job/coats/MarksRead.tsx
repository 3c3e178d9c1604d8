import type { Coat } from "../../../core/job";
import { completeParams } from "../../../core/params";
import { lightnessToRead, readsFrom } from "../../../core/stats/visibility";
import { isTechniqueId, techniques } from "../../../core/techniques";
import { formatNumber } from "../../../core/units";
import { Row } from "../../../ui/Row";
import { useFigure } from "../useSurface";

interface Props {
  readonly coat: Coat;
  /** L* where its marks lie, without and with it. */
  readonly before: number;
  readonly after: number;
}

const cm = (mm: number): string => `${formatNumber(mm / 10, 0)}\u202fcm`;

/** From how far the single marks of a coat are still told apart, and what tone they would need at the viewing distance. */
export function MarksRead({ coat, before, after }: Props) {
  const { viewingDistanceMm } = useFigure();
  const { id, params } = coat.technique;
  const technique = isTechniqueId(id) ? techniques[id] : null;
  if (!technique?.marksOn || !technique.markWidth) return null;
  const widthMm = completeParams(technique.params, params)[technique.markWidth]!;
  const reads = readsFrom(before, after, widthMm);
  const needed = lightnessToRead(before, widthMm, viewingDistanceMm, after >= before ? 1 : -1);
  return (
    <>
      <Row name="One by one its marks read">
        {reads === 0 ? "from nowhere: too like their ground" : `to ${cm(reads)} away`}
      </Row>
      {reads < viewingDistanceMm && (
        <Row name={`To read from ${cm(viewingDistanceMm)}`}>
          {needed === null
            ? `no tone is enough at ${formatNumber(widthMm, 2)}\u202fmm: seen as one tone`
            : `L* ${formatNumber(needed, 0)} on L* ${formatNumber(before, 0)}`}
        </Row>
      )}
    </>
  );
}
