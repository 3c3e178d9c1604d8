import { Box, Typography } from "@mui/material";
import type { Card } from "../../../../core/plan/cards";
import { cardFacts } from "../../../../core/plan/cardText";
import { usePainter, usePaints } from "../../jobStore";
import { Moment } from "../Moment";
import type { PlanItem } from "../usePlan";

/** What is read from the painting chair, largest first; other numbers stay on the card in the list. */
const READ = [
  "Drops",
  "Mind",
  "Try first",
  "Count first",
  "With",
  "How",
  "Thinned",
  "Where",
  "Strokes",
  "Drying",
] as const;

function CardPart({ card }: { readonly card: Card }) {
  const paints = usePaints();
  const painter = usePainter();
  const facts = cardFacts(card, paints, painter);
  const read = READ.flatMap((name) => facts.filter(([of]) => of === name));
  return (
    <Box
      sx={{
        display: "grid",
        gap: 2,
        gridTemplateColumns: { xs: "1fr", md: "minmax(0, 1fr) minmax(0, 1fr)" },
      }}
    >
      <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 1, alignContent: "start" }}>
        <Moment card={card} when="before" />
        <Moment card={card} when="after" />
        {card.caution !== null && (
          <Typography sx={{ gridColumn: "1 / -1", fontSize: 16, lineHeight: "24px" }}>
            <b>Caution:</b> {card.caution}
          </Typography>
        )}
      </Box>
      <Box>
        <Box component="dl" sx={{ m: 0 }}>
          {read.map(([name, value]) => (
            <Box key={name} sx={{ borderTop: 1, borderColor: "divider", py: 1 }}>
              <Typography component="dt" variant="body2">
                {name}
              </Typography>
              <Typography
                component="dd"
                sx={{
                  m: 0,
                  ...(name === "Drops"
                    ? { fontSize: 24, lineHeight: "32px", fontWeight: 600 }
                    : { fontSize: 18, lineHeight: "26px" }),
                }}
              >
                {value}
              </Typography>
            </Box>
          ))}
        </Box>
        <Box component="ul" sx={{ pl: 2.5, my: 1 }}>
          {card.lookAt.map((line) => (
            <Typography key={line} component="li" sx={{ fontSize: 18, lineHeight: "26px" }}>
              {line}
            </Typography>
          ))}
        </Box>
      </Box>
    </Box>
  );
}

/** A card of the bench, to be read from the painting chair. */
export function BenchCard({ item, title }: { readonly item: PlanItem; readonly title: string }) {
  return (
    <Box component="article" aria-label={`Card ${item.number}, ${title}`} sx={{ px: 2, pb: 2 }}>
      <Typography component="h1" sx={{ fontSize: 32, lineHeight: "42px", fontWeight: 600, my: 1 }}>
        {title}
      </Typography>
      {item.cards.map((card) => (
        <CardPart key={card.id} card={card} />
      ))}
    </Box>
  );
}
