import { Box, Button, Checkbox, TextField, Typography } from "@mui/material";
import { useState } from "react";
import type { LogEntry, Paint, PlannedThen } from "../../../core/job";
import { partsText } from "../../../core/plan/cardText";
import type { Card } from "../../../core/plan/cards";
import { isDone } from "../../../core/plan/progress";
import { counted, formatMinutes, formatThinning } from "../../../core/units";
import { TextEdit } from "../../../ui/TextEdit";
import { changeEntry, removeEntry, tickCard, untickCard, useHistory } from "../historyStore";
import { usePaints } from "../jobStore";
import { rangesText } from "../bench/planWords";
import { additionsText } from "../palette/additionsText";
import { useCards } from "../useStageStates";

const when = (iso: string) =>
  new Date(iso).toLocaleString([], {
    day: "numeric",
    month: "short",
    hour: "2-digit",
    minute: "2-digit",
    hour12: false,
  });

/** Minutes really taken; empty where they were not noted. */
function MinutesField({ entry }: { readonly entry: LogEntry }) {
  const [typed, setTyped] = useState<string | null>(null);
  const text = typed ?? (entry.minutes === null ? "" : String(entry.minutes));
  const value = text.trim() === "" ? null : Number(text.replace(",", "."));
  const wrong = value !== null && !(value >= 0 && value <= 100000);
  return (
    <TextField
      label="Took, min"
      value={text}
      error={wrong}
      helperText={wrong ? "Minutes, 0 to 100 000." : undefined}
      sx={{ width: 110 }}
      slotProps={{ htmlInput: { inputMode: "decimal" } }}
      onChange={(event) => setTyped(event.target.value)}
      onBlur={() => {
        if (wrong) return;
        setTyped(null);
        if (value !== entry.minutes) changeEntry(entry, { minutes: value });
      }}
    />
  );
}

/** Mix, water and passes of a card as it was painted. */
function plannedText({ mix, parts, water, passes, figures }: PlannedThen, paints: readonly Paint[]): string {
  const made = parts.length > 1 ? ` (${partsText(parts, paints)})` : "";
  const times = `${counted(passes, "pass", "passes")}${figures > 1 ? `, ${figures} figures` : ""}`;
  return mix === "" ? times : `${mix}${made}, ${formatThinning(water)}, ${times}`;
}

function EntryFields({ entry }: { readonly entry: LogEntry }) {
  const paints = usePaints();
  return (
    <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap", flex: 1 }}>
      {entry.planned && (
        <Typography variant="body2" sx={{ width: "100%" }}>
          {plannedText(entry.planned, paints)}
        </Typography>
      )}
      {entry.recipe && (
        <Typography variant="body2" sx={{ width: "100%" }}>
          Mixed: {additionsText(entry.recipe, paints)}
        </Typography>
      )}
      <MinutesField key={`${entry.id}-${entry.minutes ?? ""}`} entry={entry} />
      <Box sx={{ flex: 1, minWidth: 180, display: "grid" }}>
        <TextEdit
          label="Note"
          value={entry.note}
          most={4000}
          optional
          rows={1}
          onChange={(note) => changeEntry(entry, { note })}
        />
      </Box>
    </Box>
  );
}

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

/** What was done, when and how long it took. */
export function LogStage() {
  const { log } = useHistory();
  const cards = useCards();
  const orphans = log.filter((entry) => !cards.some((card) => card.id === entry.cardId));
  const noted = log.filter((entry) => entry.minutes !== null);
  const taken = noted.reduce((sum, entry) => sum + entry.minutes!, 0);
  const planned = noted.reduce(
    (sum, entry) =>
      sum + (entry.planned?.minutes ?? cards.find((card) => card.id === entry.cardId)?.handMinutes ?? 0),
    0,
  );
  return (
    <Box sx={{ flex: 1, overflow: "auto", bgcolor: "background.paper" }}>
      <Box sx={{ maxWidth: 860, mx: "auto", p: 3 }}>
        <Typography variant="h1">Log</Typography>
        <Typography variant="body2" sx={{ mb: 2 }}>
          {noted.length > 0
            ? `Noted so far: ${formatMinutes(taken)} at the bench for cards planned at ${formatMinutes(planned)}.`
            : "Tick cards off as you paint them; note the time and what went differently."}
        </Typography>
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
        {cards.length === 0 && <Typography>No cards to tick off yet.</Typography>}
        {orphans.length > 0 && (
          <>
            <Typography variant="h2" sx={{ mt: 3 }}>
              Painted earlier, no longer in the plan
            </Typography>
            {orphans.map((entry) => (
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
        )}
      </Box>
    </Box>
  );
}
