import { Box, Button, Typography } from "@mui/material";
import type { Card } from "../../../core/plan/cards";
import { cardFacts } from "../../../core/plan/cardText";
import { addsText, stopText, type CardAdds } from "../../../core/plan/stopping";
import { Picture } from "../../../ui/Picture";
import { usePrefs } from "../../../ui/prefs";
import { SURROUNDS } from "../../../ui/theme";
import { usePiece } from "../../useThumbnail";
import { useDesign, usePainter, usePaints } from "../jobStore";

/** Pixels of a card's picture: sharp on fine screens, small enough to be there at once. */
const MOST_PX = 420;

interface MomentProps {
  readonly card: Card;
  readonly when: "before" | "after";
}

/** The piece on its form before or after the card's coat. */
function Moment({ card, when }: MomentProps) {
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

interface Props {
  readonly card: Card;
  /** What it adds; left out until that is worked out. */
  readonly adds: CardAdds | undefined;
  readonly number: number;
  readonly count: number;
  readonly done: boolean;
  readonly onDone: () => void;
  readonly onNext: () => void;
}

/** One bench step, large enough to be read from the painting chair. */
export function CardView({ card, adds, number, count, done, onDone, onNext }: Props) {
  const paints = usePaints();
  const painter = usePainter();
  return (
    <Box
      component="article"
      aria-label={`Card ${number}, ${card.title}`}
      sx={{ maxWidth: 720, mx: "auto", p: { xs: 2, sm: 3 } }}
    >
      <Typography variant="body2">
        Card {number} of {count} · {card.surface.name}
      </Typography>
      <Typography variant="h1" sx={{ fontSize: 22, lineHeight: "30px", mb: 1 }}>
        {card.title}
      </Typography>
      <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 1 }}>
        <Moment card={card} when="before" />
        <Moment card={card} when="after" />
      </Box>
      {card.caution !== null && (
        <Typography sx={{ mt: 1 }}>
          <b>Caution:</b> {card.caution}
        </Typography>
      )}
      <Box component="dl" sx={{ display: "grid", gridTemplateColumns: "110px 1fr", m: 0, mt: 2 }}>
        {[
          ...cardFacts(card, paints, painter),
          ["Adds", adds ? addsText(adds) : "being worked out"] as const,
        ].map(([name, value]) => (
          <Box key={name} sx={{ display: "contents" }}>
            <Box
              component="dt"
              sx={{ color: "text.secondary", py: 0.8, borderTop: 1, borderColor: "divider" }}
            >
              {name}
            </Box>
            <Box
              component="dd"
              sx={{
                m: 0,
                py: 0.8,
                borderTop: 1,
                borderColor: "divider",
                fontSize: name === "Drops" ? 16 : 13,
                fontWeight: name === "Drops" ? 600 : 400,
              }}
            >
              {value}
            </Box>
          </Box>
        ))}
      </Box>
      <Box component="ul" sx={{ pl: 2.2, my: 2 }}>
        {card.lookAt.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </Box>
      {adds?.stop && <Typography sx={{ mb: 2, fontWeight: 500 }}>{stopText(adds.stop)}</Typography>}
      <Box sx={{ display: "flex", gap: 1 }}>
        <Button variant={done ? "outlined" : "contained"} onClick={onDone} sx={{ minHeight: 44 }}>
          {done ? "Done: take it back" : "Done"}
        </Button>
        <Button
          variant={done ? "contained" : "outlined"}
          onClick={onNext}
          sx={{ minHeight: 44 }}
          disabled={number === count}
        >
          Next card
        </Button>
      </Box>
    </Box>
  );
}
