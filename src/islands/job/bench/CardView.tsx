import { Box, Button, Typography } from "@mui/material";
import type { Card } from "../../../core/plan/cards";
import { cardFacts } from "../../../core/plan/cardText";
import { addsText, stopText, type CardAdds } from "../../../core/plan/stopping";
import type { Turn } from "../../../core/plan/schedule/turns";
import { formatMinutes } from "../../../core/units";
import { usePainter, usePaints } from "../jobStore";
import { CountFirst } from "./CountFirst";
import { Moment } from "./Moment";
import { partText, titleOf } from "./planWords";
import type { PlanItem } from "./usePlan";
import { WellShort } from "./WellShort";

interface Props {
  readonly item: PlanItem;
  /** What it adds; left out until that is worked out. */
  readonly adds: CardAdds | undefined;
  /** How many there are in the plan. */
  readonly count: number;
  readonly onDone: () => void;
  readonly onNext: () => void;
  readonly onWrong: () => void;
}

interface BodyProps {
  readonly card: Card;
  readonly turn: Turn;
  readonly adds: CardAdds | undefined;
}

/** Numbers of a card, name by name. */
function Facts({ card, turn, adds }: BodyProps) {
  const paints = usePaints();
  const painter = usePainter();
  const facts = [
    ...cardFacts(card, paints, painter).filter(([name]) => name !== "Hand time" && name !== "Count first"),
    ["Hand time", formatMinutes(turn.end - turn.setUpAt)] as const,
    [
      "Setting up",
      turn.start > turn.setUpAt ? `${formatMinutes(turn.start - turn.setUpAt)} of it` : "the brush goes on",
    ] as const,
    ["Adds", adds ? addsText(adds) : "being worked out"] as const,
  ];
  const line = { py: 0.8, borderTop: 1, borderColor: "divider" } as const;
  return (
    <Box component="dl" sx={{ display: "grid", gridTemplateColumns: "110px 1fr", m: 0, mt: 2 }}>
      {facts.map(([name, value]) => (
        <Box key={name} sx={{ display: "contents" }}>
          <Box component="dt" sx={{ ...line, color: "text.secondary" }}>
            {name}
          </Box>
          <Box
            component="dd"
            sx={{
              ...{ ...line, m: 0 },
              fontSize: name === "Drops" ? 16 : 13,
              fontWeight: name === "Drops" ? 600 : 400,
            }}
          >
            {value}
          </Box>
        </Box>
      ))}
    </Box>
  );
}

/** One card of an item: its pictures, cautions, numbers and what to look at. */
function CardBody({ card, turn, adds }: BodyProps) {
  return (
    <>
      <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 1 }}>
        <Moment card={card} when="before" />
        <Moment card={card} when="after" />
      </Box>
      {card.caution !== null && (
        <Typography sx={{ mt: 1 }}>
          <b>Caution:</b> {card.caution}
        </Typography>
      )}
      <CountFirst card={card} />
      <Facts card={card} turn={turn} adds={adds} />
      <WellShort card={card} />
      <Box component="ul" sx={{ pl: 2.2, my: 2 }}>
        {card.lookAt.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </Box>
    </>
  );
}

/** One bench step, large enough to be read from the painting chair. */
export function CardView({ item, adds, count, onDone, onNext, onWrong }: Props) {
  const { cards, done, number, turn } = item;
  const part = partText(item);
  const title = titleOf(item);
  return (
    <Box
      component="article"
      aria-label={`Card ${number}, ${title}`}
      sx={{ maxWidth: 720, mx: "auto", p: { xs: 2, sm: 3 } }}
    >
      <Typography variant="body2">
        Card {number} of {count} · {cards[0].surface.name}
        {part !== "" && ` · ${part}`}
      </Typography>
      <Typography variant="h1" sx={{ fontSize: 22, lineHeight: "30px", mb: 1 }}>
        {title}
      </Typography>
      {cards.length > 1 && (
        <Typography sx={{ mb: 1, fontWeight: 500 }}>
          Laid into the other while it is wet: have both mixes and brushes ready before you begin.
        </Typography>
      )}
      {cards.map((card) => (
        <CardBody key={card.id} card={card} turn={turn} adds={card === cards.at(-1) ? adds : undefined} />
      ))}
      {adds?.stop && <Typography sx={{ mb: 2, fontWeight: 500 }}>{stopText(adds.stop)}</Typography>}
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap" }}>
        {turn.goesOn ? (
          <Typography sx={{ alignSelf: "center", flex: 1 }}>The next sitting goes on with it.</Typography>
        ) : (
          <Button variant={done ? "outlined" : "contained"} onClick={onDone} sx={{ minHeight: 44 }}>
            {done ? "Done: take it back" : "Done"}
          </Button>
        )}
        <Button
          variant={done ? "contained" : "outlined"}
          onClick={onNext}
          sx={{ minHeight: 44 }}
          disabled={number === count}
        >
          Next card
        </Button>
        <Button onClick={onWrong} sx={{ minHeight: 44 }}>
          It went wrong
        </Button>
      </Box>
    </Box>
  );
}
