import { Box, Button, Checkbox, Tab, Tabs, Typography } from "@mui/material";
import { useMemo, useState } from "react";
import type { LogEntry } from "../../../core/job";
import type { Card } from "../../../core/plan/cards";
import { isDone } from "../../../core/plan/progress";
import { formatMinutes } from "../../../core/units";
import { rangesText } from "../bench/planWords";
import { removeEntry, tickCard, untickCard, useHistory } from "../historyStore";
import { useDesign, usePaints } from "../jobStore";
import { useAsked } from "../useAsked";
import { useCards, useCounted } from "../useStageStates";
import { Again } from "./Again";
import { Compared } from "./Compared";
import { EntryFields } from "./EntryFields";
import { ExpectedColours } from "./expected";
import { Match } from "./Match";
import { Sittings } from "./Sittings";
import { when } from "./when";

const NOTHING = {};

/** What of its card an entry tells of: "pass 1 of 2, figures 1 to 5"; empty where it is all of it. */
function partOf({ pass, figures }: LogEntry, card: Card): string {
  const { passes } = card.coat;
  const words = [
    ...(pass !== undefined && passes > 1 ? [`pass ${pass} of ${passes}`] : []),
    ...(figures ? [`${figures.length === 1 ? "figure" : "figures"} ${rangesText(figures)}`] : []),
  ];
  return words.join(", ");
}

interface LineProps {
  readonly card: Card;
  readonly number: number;
  /** What the log tells of it, first to last. */
  readonly entries: readonly LogEntry[];
}

function CardLine({ card, number, entries }: LineProps) {
  const done = isDone(card, entries);
  const newest = entries.at(-1);
  const planned = entries.reduce((sum, entry) => sum + (entry.planned?.minutes ?? 0), 0);
  return (
    <Box
      component="li"
      sx={{
        listStyle: "none",
        display: "flex",
        alignItems: "flex-start",
        gap: 1.5,
        borderTop: 1,
        borderColor: "divider",
        py: 1,
      }}
    >
      <Checkbox
        checked={done}
        indeterminate={!done && newest !== undefined}
        slotProps={{ input: { "aria-label": `${card.title} done` } }}
        onChange={() => (done ? untickCard(card) : tickCard(card))}
      />
      <Box sx={{ width: 230, pt: 1 }}>
        <Typography sx={{ fontWeight: 500 }}>
          {number} {card.title}
        </Typography>
        <Typography variant="body2">{card.surface.name}</Typography>
        <Typography variant="body2">
          {!newest ? "open" : `${done ? "done" : "begun"} ${when(newest.doneAt)}`} · planned{" "}
          {formatMinutes(done && planned > 0 ? planned : card.handMinutes)}
        </Typography>
      </Box>
      {entries.length > 0 && (
        <Box sx={{ flex: 1, display: "grid", gap: 1.5 }}>
          {entries.map((entry) => {
            const part = partOf(entry, card);
            return (
              <Box key={entry.id}>
                {part !== "" && (
                  <Typography variant="caption" component="div">
                    {part}
                  </Typography>
                )}
                <EntryFields entry={entry} />
              </Box>
            );
          })}
        </Box>
      )}
    </Box>
  );
}

/** Cards that were painted and are no longer in the plan. */
function Orphans({ entries }: { readonly entries: readonly LogEntry[] }) {
  if (entries.length === 0) return null;
  return (
    <>
      <Typography variant="h2" sx={{ mt: 3 }}>
        Painted earlier, no longer in the plan
      </Typography>
      {entries.map((entry) => (
        <Box
          key={entry.id}
          sx={{
            display: "flex",
            gap: 1.5,
            alignItems: "center",
            borderTop: 1,
            borderColor: "divider",
            py: 1,
          }}
        >
          <Typography sx={{ width: 230 }}>
            {entry.cardTitle}, {when(entry.doneAt)}
          </Typography>
          <EntryFields entry={entry} />
          <Button onClick={() => removeEntry(entry)}>Remove</Button>
        </Box>
      ))}
    </>
  );
}

/** Cards in the order of their surfaces, with what was noted of each. */
function Cards() {
  const { log } = useHistory();
  const cards = useCards();
  const isCounted = useCounted();
  const orphans = log.filter((entry) => !cards.some((card) => card.id === entry.cardId));
  return (
    <>
      <Box component="ol" sx={{ m: 0, p: 0 }}>
        {cards.map((card, at) => (
          <CardLine
            key={card.id}
            card={card}
            number={at + 1}
            entries={log.filter((entry) => entry.cardId === card.id)}
          />
        ))}
      </Box>
      {cards.length === 0 && (
        <Typography role="status">
          {isCounted ? "No cards to tick off yet." : "The cards are being counted."}
        </Typography>
      )}
      {isCounted && <Orphans entries={orphans} />}
    </>
  );
}

/** Minutes noted against those planned, in words. */
function useNoted(): string {
  const { log } = useHistory();
  const cards = useCards();
  const noted = log.filter((entry) => entry.minutes !== null);
  const taken = noted.reduce((sum, entry) => sum + entry.minutes!, 0);
  const planned = noted.reduce(
    (sum, entry) =>
      sum + (entry.planned?.minutes ?? cards.find((card) => card.id === entry.cardId)?.handMinutes ?? 0),
    0,
  );
  return noted.length > 0
    ? `Noted so far: ${formatMinutes(taken)} at the bench for cards planned at ${formatMinutes(planned)}.`
    : "Tick cards off as you paint them; note the time and what went differently.";
}

const VIEWS = {
  cards: "Cards",
  sittings: "Sittings",
  compared: "Planned and real",
  match: "Match it",
  again: "Paint it again",
} as const;

/** What was done, when, how long it took, and how it came out. */
export function LogStage() {
  const [view, setView] = useState<keyof typeof VIEWS>("cards");
  const noted = useNoted();
  const job = useDesign();
  const paints = usePaints();
  const { answer } = useAsked(
    "expected",
    useMemo(() => ({ job, paints }), [job, paints]),
  );
  return (
    <Box sx={{ flex: 1, overflow: "auto", bgcolor: "background.paper" }}>
      <Box sx={{ maxWidth: 920, mx: "auto", p: 3 }}>
        <Typography variant="h1">Log</Typography>
        <Typography variant="body2">{noted}</Typography>
        <Tabs value={view} onChange={(_, next: keyof typeof VIEWS) => setView(next)} sx={{ mb: 2 }}>
          {Object.entries(VIEWS).map(([value, label]) => (
            <Tab key={value} value={value} label={label} />
          ))}
        </Tabs>
        <ExpectedColours value={answer ?? NOTHING}>
          {view === "cards" && <Cards />}
          {view === "sittings" && <Sittings />}
          {view === "compared" && <Compared />}
          {view === "match" && <Match />}
          {view === "again" && <Again />}
        </ExpectedColours>
      </Box>
    </Box>
  );
}
