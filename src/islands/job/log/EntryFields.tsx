import { Box, Button, Typography } from "@mui/material";
import { useState } from "react";
import type { LogEntry, Paint, PlannedThen } from "../../../core/job";
import { partsText } from "../../../core/plan/cardText";
import { minutesByClock } from "../../../core/record/sittings";
import { counted, formatMinutes, formatThinning } from "../../../core/units";
import { TextEdit } from "../../../ui/TextEdit";
import { changeEntry, useHistory } from "../historyStore";
import { usePaints } from "../jobStore";
import { additionsText } from "../palette/additionsText";
import { EntryNumber } from "./EntryNumber";
import { Photos } from "./Photos";
import { Readings } from "./Readings";

const NO_PHOTOS: readonly string[] = [];

/** Mix, water and passes of a card as it was painted. */
function plannedText({ mix, parts, water, passes, figures }: PlannedThen, paints: readonly Paint[]): string {
  const made = parts.length > 1 ? ` (${partsText(parts, paints)})` : "";
  const times = `${counted(passes, "pass", "passes")}${figures > 1 ? `, ${figures} figures` : ""}`;
  return mix === "" ? times : `${mix}${made}, ${formatThinning(water)}, ${times}`;
}

/** Minutes between two times, ISO 8601. */
const between = (from: string, to: string): number => (Date.parse(to) - Date.parse(from)) / 60_000;

/** Minutes really taken, typed or by the clock of the sitting. */
function Minutes({ entry }: { readonly entry: LogEntry }) {
  const { log, sittings } = useHistory();
  const clock = minutesByClock(entry, log, sittings, between);
  const rounded = clock === null ? null : Math.round(clock * 10) / 10;
  return (
    <>
      <EntryNumber
        label="Took, min"
        value={entry.minutes ?? undefined}
        least={0}
        most={100000}
        allowed="Minutes, 0 to 100 000."
        onChange={(minutes) => changeEntry(entry, { minutes: minutes ?? null })}
      />
      {entry.minutes === null && rounded !== null && rounded > 0 && (
        <Button onClick={() => changeEntry(entry, { minutes: rounded })}>
          {formatMinutes(rounded)} by the clock: take it
        </Button>
      )}
    </>
  );
}

/** How it really went: drying, water, loads, brush, colours. */
function Really({ entry }: { readonly entry: LogEntry }) {
  return (
    <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap", width: "100%", pt: 1 }}>
      <EntryNumber
        label="Touch dry after, min"
        value={entry.dryAfter}
        least={0}
        most={1e6}
        allowed="Minutes, 0 to 1 000 000."
        onChange={(dryAfter) => changeEntry(entry, { dryAfter })}
      />
      <EntryNumber
        label="Water to 1 of paint"
        value={entry.water}
        least={0}
        most={20}
        allowed="Parts of water, 0 to 20."
        onChange={(water) => changeEntry(entry, { water })}
      />
      <EntryNumber
        label="Brush-loads"
        value={entry.loads}
        least={1}
        most={100000}
        whole
        allowed="A whole number, 1 to 100 000."
        onChange={(loads) => changeEntry(entry, { loads })}
      />
      <Box sx={{ flex: 1, minWidth: 160, display: "grid" }}>
        <TextEdit
          label="Brush"
          value={entry.brush ?? ""}
          most={80}
          optional
          onChange={(brush) => changeEntry(entry, { brush: brush === "" ? undefined : brush })}
        />
      </Box>
      <Readings entry={entry} />
    </Box>
  );
}

/** How it really went, in a line: "touch dry after 11 min, 1 reading"; empty where nothing is told. */
function reallyText({ dryAfter, water, loads, brush, readings = [] }: LogEntry): string {
  const words = [
    dryAfter === undefined ? null : `touch dry after ${formatMinutes(dryAfter)}`,
    water === undefined ? null : `thinned ${formatThinning(water)}`,
    loads === undefined ? null : counted(loads, "brush-load"),
    brush ?? null,
    readings.length === 0 ? null : counted(readings.length, "reading"),
  ];
  return words.filter((word) => word !== null).join(", ");
}

/** What an entry of the log tells, to be noted and changed. */
export function EntryFields({ entry }: { readonly entry: LogEntry }) {
  const paints = usePaints();
  const went = reallyText(entry);
  const [open, setOpen] = useState(false);
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
      <Minutes entry={entry} />
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
      <Button aria-expanded={open} onClick={() => setOpen(!open)}>
        How it went
      </Button>
      {open && <Really entry={entry} />}
      <Photos kind="log" id={entry.id} of={entry.cardTitle} photos={entry.photos ?? NO_PHOTOS} />
      {!open && went !== "" && (
        <Typography variant="body2" sx={{ width: "100%" }}>
          How it went: {went}
        </Typography>
      )}
    </Box>
  );
}
