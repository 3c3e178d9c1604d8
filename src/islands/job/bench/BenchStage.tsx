import { Box, Button, Tab, Tabs, Typography } from "@mui/material";
import { useState } from "react";
import { figureOf } from "../../../core/job";
import { SITTING_CAUTIONS } from "../../../core/plan/cards";
import type { CardAdds } from "../../../core/plan/stopping";
import { counted } from "../../../core/units";
import { ColumnHead } from "../../../ui/Row";
import { removeEntry, tickTurn } from "../historyStore";
import { useJob } from "../jobStore";
import { useCards, useCounted } from "../useStageStates";
import { useView } from "../viewStore";
import { Aids } from "./Aids";
import { AtBench } from "./atBench/AtBench";
import { useAtBench } from "./atBench/benchStore";
import { BuildFirst } from "./BuildFirst";
import { chosenOf } from "./chosen";
import { CardView } from "./CardView";
import { Fit } from "./fit/Fit";
import { PlanFiles } from "./PlanFiles";
import { PlanList } from "./PlanList";
import { PlanSettings } from "./PlanSettings";
import { PlanTimes } from "./PlanTimes";
import { cardsIn, cardsLeft } from "./planWords";
import { PotsList } from "./PotsList";
import { PracticeCard } from "./PracticeCard";
import { Print } from "./Print";
import { Together } from "./Together";
import { useAdding } from "./useAdding";
import { usePlan, type Plan, type PlanItem } from "./usePlan";
import { WrongDialog } from "./wrong/WrongDialog";

const SIDE = {
  flexShrink: 0,
  bgcolor: "background.paper",
  display: "flex",
  flexDirection: "column",
} as const;

/** The plan in numbers, what it takes, what is printed and what to mind. */
function WholePlan({ plan, chosen }: { readonly plan: Plan; readonly chosen: PlanItem | undefined }) {
  const job = useJob();
  const cards = cardsIn(plan.items);
  const nameOf = (cardId: string) => {
    const card = cards.find(({ id }) => id === cardId);
    return card ? `${card.title}, ${card.surface.name}` : null;
  };
  const surface = chosen?.cards[0].surface;
  return (
    <>
      <PlanSettings plan={plan} nameOf={nameOf} />
      {surface && <Fit figureId={figureOf(job, surface).id} />}
      {surface && <BuildFirst surface={surface} />}
      {surface && <Together figureId={figureOf(job, surface).id} cards={cards} />}
      <Typography variant="h3" sx={{ mt: 2, mb: 0.5 }}>
        {plan.items.some(({ done }) => done) ? "Paint for what is left" : "Paint for all cards"}
      </Typography>
      <PotsList cards={cardsLeft(plan.items)} />
      <Typography variant="h3" sx={{ mt: 2, mb: 0.5 }}>
        Print
      </Typography>
      <Print plan={plan} />
      <Aids />
      <Typography variant="h3" sx={{ mt: 2 }}>
        Files
      </Typography>
      <PlanFiles plan={plan} />
      <Typography variant="h3" sx={{ mt: 2, mb: 0.5 }}>
        Caution
      </Typography>
      {SITTING_CAUTIONS.map((caution) => (
        <Typography key={caution} sx={{ mb: 0.5 }}>
          {caution}
        </Typography>
      ))}
    </>
  );
}

interface MiddleProps {
  readonly plan: Plan;
  readonly chosen: PlanItem;
  readonly adding: ReadonlyMap<string, CardAdds>;
}

/** The card to paint, or the times of all. */
function Middle({ plan, chosen, adding }: MiddleProps) {
  const { set } = useView();
  const job = useJob();
  const atBench = useAtBench((state) => state.set);
  const [shown, setShown] = useState<"card" | "times">("card");
  const [wrong, setWrong] = useState(false);
  const isNext = plan.items.find(({ done }) => !done) === chosen;
  const next = plan.items[plan.items.indexOf(chosen) + 1];
  return (
    <>
      <Box sx={{ display: "flex", alignItems: "center", pr: 2 }}>
        <Tabs
          value={shown}
          onChange={(_, value: "card" | "times") => setShown(value)}
          sx={{ px: 2, flex: 1 }}
        >
          <Tab value="card" label="Card" />
          <Tab value="times" label="Times" />
        </Tabs>
        <Button
          variant="contained"
          onClick={() => atBench({ jobId: job.id, turnId: isNext ? null : chosen.turn.id })}
        >
          At the bench
        </Button>
      </Box>
      {shown === "times" && <PlanTimes plan={plan} chosen={chosen} />}
      {shown === "card" && (
        <CardView
          item={chosen}
          adds={adding.get(chosen.cards.at(-1)!.id)}
          count={plan.items.length}
          onDone={() => (chosen.entry ? removeEntry(chosen.entry) : tickTurn(chosen))}
          onNext={() => next && set({ cardId: next.turn.id, surfaceId: next.cards[0].surface.id })}
          onWrong={() => setWrong(true)}
        />
      )}
      {wrong && (
        <WrongDialog
          item={chosen}
          onClose={() => setWrong(false)}
          onTaken={() => {
            setWrong(false);
            set({ cardId: null });
          }}
        />
      )}
    </>
  );
}

/** The plan: cards in the order in which they are painted, what to mix, what to print. */
export function BenchStage() {
  const adding = useAdding(useCards());
  const plan = usePlan(adding);
  const isCounted = useCounted();
  const { cardId } = useView();
  const chosen = chosenOf(plan.items, cardId);
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
      <AtBench plan={plan} />
      <Box sx={{ ...SIDE, width: { xs: "100%", sm: 220, md: 280 }, borderRight: 1, borderColor: "divider" }}>
        <ColumnHead title="Cards" note={isCounted ? counted(plan.items.length, "card") : ""} />
        <PracticeCard />
        <PlanList plan={plan} chosen={chosen} adding={adding} />
      </Box>
      <Box sx={{ flex: { xs: "none", sm: 1 }, order: { xs: -1, sm: 0 }, minWidth: 0, overflow: "auto" }}>
        {chosen ? (
          <Middle plan={plan} chosen={chosen} adding={adding} />
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
          ...SIDE,
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
        {isCounted ? (
          <WholePlan plan={plan} chosen={chosen} />
        ) : (
          <Typography variant="body2">being counted</Typography>
        )}
      </Box>
    </Box>
  );
}
