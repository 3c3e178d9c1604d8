import type { Card } from "../../../core/plan/cards";
import { FramedPicture } from "../../../ui/FramedPicture";
import { usePiece } from "../../useThumbnail";
import { useDesign, usePaints } from "../jobStore";

/** Pixels of a card's picture: sharp on fine screens, small enough to be there at once. */
const MOST_PX = 420;

interface MomentProps {
  readonly card: Card;
  readonly when: "before" | "after";
}

/** The piece on its form before or after the card's coat. */
export function Moment({ card, when }: MomentProps) {
  const job = useDesign();
  const paints = usePaints();
  const upTo = card.step + (when === "after" ? 1 : 0);
  const piece = usePiece(job, paints, card.surface.id, { pxPerMm: 200, mostPx: MOST_PX, upTo });
  return <FramedPicture pixels={piece} label={`${when} ${card.title}`} caption={when} high={230} />;
}
