import { Box, Typography } from "@mui/material";
import type { Card } from "../../../core/plan/cards";
import { Picture } from "../../../ui/Picture";
import { usePrefs } from "../../../ui/prefs";
import { SURROUNDS } from "../../../ui/theme";
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
  const surround = usePrefs((prefs) => prefs.surround);
  const upTo = card.step + (when === "after" ? 1 : 0);
  const piece = usePiece(job, paints, card.surface.id, { pxPerMm: 200, mostPx: MOST_PX, upTo });
  return (
    <Box component="figure" sx={{ m: 0 }}>
      <Box
        sx={{
          ...{ bgcolor: SURROUNDS[surround], p: 1, height: 230, display: "grid", placeItems: "center" },
          "& canvas": { maxWidth: "100%", maxHeight: 214, objectFit: "contain" },
        }}
      >
        {piece ? (
          <Picture pixels={piece} label={`${when} ${card.title}`} cssWidth={`${piece.width}px`} />
        ) : (
          <Typography variant="caption" sx={{ color: surround === "dark" ? "#fff" : "#1d1d1d" }}>
            {piece === undefined ? "being painted …" : "it cannot be painted as it is"}
          </Typography>
        )}
      </Box>
      <Typography component="figcaption" variant="caption">
        {when}
      </Typography>
    </Box>
  );
}
