import { Alert, Box, Button, LinearProgress, Typography } from "@mui/material";
import { useState } from "react";
import { figureOf, type Surface } from "../../../core/job";
import { familyIn } from "../../../core/patterns";
import { SITTING_CAUTIONS, totalsOf, type Card } from "../../../core/plan/cards";
import { writeGaugeSvg } from "../../../core/formats/gauge-svg/gaugeSvg";
import { counted, formatMinutes, formatNumber } from "../../../core/units";
import { messageOf, saveFile } from "../../../ui/api";
import { ColumnHead, Row } from "../../../ui/Row";
import { useJob, usePaints } from "../jobStore";
import { useCards, useCounted } from "../useStageStates";
import { askGuides } from "../useGuides";
import { useSurface } from "../useSurface";
import { useView } from "../viewStore";
import { stopName, type CardAdds } from "../../../core/plan/stopping";
import { BuildFirst } from "./BuildFirst";
import { CardView } from "./CardView";
import { Together } from "./Together";
import { useAdding } from "./useAdding";
import { shopping } from "../../../core/plan/shopping";
import { useBenchPdf } from "./useBenchPdf";
import { tickCard, untickCard, useHistory } from "../historyStore";

/** Where a surface may be left, below its card's name. */
function StopNote({ adds }: { readonly adds: CardAdds | undefined }) {
  if (!adds?.stop) return null;
  return (
    <Typography variant="caption" component="div">
      {stopName(adds.stop)}
    </Typography>
  );
}

function CardList({
  cards,
  chosen,
  isDone,
  adding,
}: {
  readonly cards: readonly Card[];
  readonly chosen: Card | undefined;
  readonly isDone: (card: Card) => boolean;
  readonly adding: ReadonlyMap<string, CardAdds>;
}) {
  const setView = useView((view) => view.set);
  return (
    <Box component="ol" sx={{ m: 0, p: 0, overflow: "auto", flex: 1 }}>
      {cards.map((card, at) => (
        <Box component="li" key={card.id} sx={{ listStyle: "none" }}>
          <Box
            component="button"
            type="button"
            aria-pressed={card === chosen}
            onClick={() => setView({ cardId: card.id, surfaceId: card.surface.id })}
            sx={{
              display: "flex",
              gap: 1,
              width: "100%",
              minHeight: 48,
              alignItems: "center",
              font: "inherit",
              color: "text.primary",
              textAlign: "left",
              border: 0,
              borderTop: 1,
              borderLeft: 4,
              borderColor: "divider",
              borderLeftColor: card === chosen ? "primary.main" : "transparent",
              bgcolor: card === chosen ? "chosen" : "transparent",
              px: 1.5,
              cursor: "pointer",
            }}
          >
            <Typography variant="body2" sx={{ width: 18 }}>
              {at + 1}
            </Typography>
            <Box sx={{ flex: 1, minWidth: 0 }}>
              <Typography sx={{ fontWeight: 500 }} noWrap>
                {card.title}
              </Typography>
              <StopNote adds={adding.get(card.id)} />
            </Box>
            <Typography variant="body2">{isDone(card) ? "done" : formatMinutes(card.handMinutes)}</Typography>
          </Box>
        </Box>
      ))}
    </Box>
  );
}

function Print() {
  const job = useJob();
  const surface = useSurface();
  const guides = surface && familyIn(surface)?.guides;
  const figure = useView((view) => view.figure);
  const paints = usePaints();
  const [problem, setProblem] = useState<string | null>(null);
  const saveGuides = async ({ id, name }: Surface) => {
    setProblem(null);
    try {
      const made = await askGuides(job, paints, id, figure);
      if (!made) throw new Error("There are no guides until sizes and pattern are mended.");
      saveFile(
        `${job.id}-${id}-gauge.svg`,
        writeGaugeSvg(made.pieces, `${job.name}: ${name}`),
        "image/svg+xml",
      );
    } catch (error) {
      setProblem(messageOf(error));
    }
  };
  const { state, make, stop } = useBenchPdf();
  return (
    <Box sx={{ display: "grid", gap: 1 }}>
      <Button variant="contained" onClick={make} disabled={state.busy}>
        Cards and guides as PDF
      </Button>
      {state.busy && (
        <Box sx={{ display: "flex", alignItems: "center", gap: 1 }}>
          <LinearProgress
            variant="determinate"
            value={(100 * state.done) / Math.max(1, state.total)}
            sx={{ flex: 1 }}
            aria-label="Making the PDF"
          />
          <Button onClick={stop}>Stop</Button>
        </Box>
      )}
      {state.problem !== null && (
        <Alert severity="error" variant="outlined">
          The PDF could not be made. {state.problem}
        </Alert>
      )}
      {guides && (
        <Button variant="outlined" onClick={() => void saveGuides(surface)}>
          {guides.title} as SVG, in mm
        </Button>
      )}
      {problem !== null && (
        <Alert severity="error" variant="outlined">
          {problem}
        </Alert>
      )}
      <Typography variant="caption">
        Print at full size and measure the 50 mm ruler before you cut.
      </Typography>
    </Box>
  );
}

/** The plan: cards in order, what to mix, what to print. */
export function BenchStage() {
  const job = useJob();
  const paints = usePaints();
  const cards = useCards();
  const isCounted = useCounted();
  const adding = useAdding(cards);
  const { cardId, set } = useView();
  const { log } = useHistory();
  const isDone = (card: Card) => log.some((entry) => entry.cardId === card.id);
  const chosen = cards.find((card) => card.id === cardId) ?? cards.find((card) => !isDone(card)) ?? cards[0];
  const totals = totalsOf(cards);
  const told = (minutes: number) => (isCounted ? formatMinutes(minutes) : "being counted");
  const at = chosen ? cards.indexOf(chosen) : 0;
  const side = {
    flexShrink: 0,
    bgcolor: "background.paper",
    display: "flex",
    flexDirection: "column",
  } as const;
  return (
    // On a phone the card comes first, the list and the plan follow below it.
    <Box
      sx={{
        flex: 1,
        minWidth: 0,
        display: "flex",
        flexDirection: { xs: "column", sm: "row" },
        overflow: { xs: "auto", sm: "hidden" },
      }}
    >
      <Box sx={{ ...side, width: { xs: "100%", sm: 200, md: 260 }, borderRight: 1, borderColor: "divider" }}>
        <ColumnHead title="Cards" note={isCounted ? counted(cards.length, "card") : ""} />
        <CardList {...{ cards, chosen, isDone, adding }} />
      </Box>
      <Box sx={{ flex: { xs: "none", sm: 1 }, order: { xs: -1, sm: 0 }, minWidth: 0, overflow: "auto" }}>
        {chosen ? (
          <CardView
            card={chosen}
            adds={adding.get(chosen.id)}
            number={at + 1}
            count={cards.length}
            done={isDone(chosen)}
            onDone={() => (isDone(chosen) ? untickCard(chosen) : tickCard(chosen))}
            onNext={() => {
              const next = cards[at + 1];
              if (next) set({ cardId: next.id, surfaceId: next.surface.id });
            }}
          />
        ) : (
          <Typography sx={{ p: 3 }} role="status">
            {isCounted
              ? "No cards: every coat is held back, or sizes and thread count need mending."
              : "The cards are being counted."}
          </Typography>
        )}
      </Box>
      <Box
        sx={{
          ...side,
          width: { xs: "100%", sm: 200, md: 270 },
          borderLeft: 1,
          borderColor: "divider",
          overflow: "auto",
          px: 2,
          pb: 2,
        }}
      >
        <Box sx={{ mx: -2 }}>
          <ColumnHead title="The whole plan" />
        </Box>
        <Row name="Hand time">{told(totals.handMinutes)}</Row>
        <Row name="Drying between coats">{told(totals.dryMinutes)}</Row>
        <Row name="Figures">{figureOf(job, chosen?.surface).count}</Row>
        {chosen && <BuildFirst surface={chosen.surface} />}
        {chosen && <Together figureId={figureOf(job, chosen.surface).id} cards={cards} />}
        <Typography variant="h3" sx={{ mt: 2, mb: 0.5 }}>
          Paint for all cards
        </Typography>
        {shopping(cards, paints).map((pot) => (
          <Row key={pot.name} name={pot.name}>
            {counted(pot.drops, "drop")}, {formatNumber(pot.ml, 2)}&#8239;ml
          </Row>
        ))}
        <Typography variant="h3" sx={{ mt: 2, mb: 0.5 }}>
          Print
        </Typography>
        <Print />
        <Typography variant="h3" sx={{ mt: 2, mb: 0.5 }}>
          Caution
        </Typography>
        {SITTING_CAUTIONS.map((caution) => (
          <Typography key={caution} sx={{ mb: 0.5 }}>
            {caution}
          </Typography>
        ))}
      </Box>
    </Box>
  );
}
