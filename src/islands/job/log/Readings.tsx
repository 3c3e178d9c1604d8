import { Alert, Box, Button, Typography } from "@mui/material";
import { useState } from "react";
import { directionInWords, ciede2000 } from "../../../core/colour/difference";
import type { Triple } from "../../../core/colour/spaces";
import type { ColourRead, LogEntry, Paint } from "../../../core/job";
import { filmRead, type PlannedFilm } from "../../../core/learning/pots/readFilm";
import { createRandom } from "../../../core/random";
import { simulatedFigureReader } from "../../../core/reader/simulatedReader";
import { formatNumber } from "../../../core/units";
import { NumberField } from "../../../ui/NumberField";
import { useDevice } from "../../pots/useReader";
import { changeEntry } from "../historyStore";
import { usePaints } from "../jobStore";
import { useExpected } from "./expected";

/** An entry keeps so many. */
const MOST_READINGS = 40;
const AXES = ["l", "a", "b"] as const;
const RANGES = { l: [0, 100], a: [-128, 128], b: [-128, 128] } as const;

const labText = (lab: Triple): string => lab.map((value) => formatNumber(value, 1)).join(", ");

/** How a reading departs from the plan. */
function againstPlan({ l, a, b }: ColourRead, planned: Triple | undefined): string {
  if (!planned) return "";
  const words = directionInWords(planned, [l, a, b]);
  const by = formatNumber(ciede2000(planned, [l, a, b]), 1);
  return `, ${words === "" ? "as planned" : words} (CIEDE2000 ${by})`;
}

/** A colour typed from the painter's own reader. */
function Typed({ onTaken }: { readonly onTaken: (lab: Triple) => void }) {
  const [lab, setLab] = useState({ l: 50, a: 0, b: 0 });
  return (
    <Box sx={{ display: "flex", gap: 1, alignItems: "center", flexWrap: "wrap" }}>
      {AXES.map((axis) => (
        <NumberField
          key={axis}
          label={`${axis === "l" ? "L" : axis}*`}
          value={lab[axis]}
          min={RANGES[axis][0]}
          max={RANGES[axis][1]}
          width={84}
          onChange={(value) => setLab({ ...lab, [axis]: value })}
        />
      ))}
      <Button onClick={() => onTaken([lab.l, lab.a, lab.b])}>Note it</Button>
    </Box>
  );
}

/** What a reading keeps of the coat it is read from; nothing where that is no even film. */
function filmOf(film: PlannedFilm | undefined, { planned }: LogEntry, paints: readonly Paint[]) {
  const read = film && planned ? filmRead(film, planned.parts, paints) : undefined;
  return read && { film: read };
}

/** Colours read from the dry paint, by the painter's own device or by the simulated one. */
export function Readings({ entry }: { readonly entry: LogEntry }) {
  const film = useExpected(entry.cardId);
  const planned = film?.lab;
  const paints = usePaints();
  const readings = entry.readings ?? [];
  const [typing, setTyping] = useState(false);
  const { busy, left, problem, calibrate, read } = useDevice(() =>
    simulatedFigureReader(createRandom(Date.now())),
  );
  const keep = (by: ColourRead["by"], [l, a, b]: Triple) =>
    changeEntry(entry, {
      readings: [...readings, { at: new Date().toISOString(), by, l, a, b, ...filmOf(film, entry, paints) }],
    });
  const onRead = async () => {
    const lab = await read({ entryId: entry.id, planned: planned! });
    if (lab) keep("simulated reader", lab);
  };
  const full = readings.length >= MOST_READINGS;
  return (
    <Box sx={{ width: "100%" }}>
      <Typography variant="body2">
        {planned
          ? `Planned once dry: L*a*b* ${labText(planned)}.`
          : "What it is to look like is being worked out."}
      </Typography>
      {readings.map((one, at) => (
        <Box key={`${one.at}-${at}`} sx={{ display: "flex", gap: 1, alignItems: "center" }}>
          <Typography variant="body2" sx={{ flex: 1 }}>
            Read: L*a*b* {labText([one.l, one.a, one.b])}
            {againstPlan(one, planned)}; {one.by}
          </Typography>
          <Button
            aria-label={`Take reading ${at + 1} off`}
            onClick={() => {
              const rest = readings.filter((_, other) => other !== at);
              changeEntry(entry, { readings: rest.length > 0 ? rest : undefined });
            }}
          >
            Take off
          </Button>
        </Box>
      ))}
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap", alignItems: "center" }}>
        <Button disabled={busy} onClick={() => void calibrate()}>
          Simulated reader: see its white tile
        </Button>
        <Button disabled={busy || left === 0 || !planned || full} onClick={() => void onRead()}>
          {busy ? "Reading" : `Read the dry paint (${left} left)`}
        </Button>
        <Button aria-expanded={typing} onClick={() => setTyping(!typing)}>
          Type a reading
        </Button>
      </Box>
      {typing && !full && <Typed onTaken={(lab) => keep("typed", lab)} />}
      {full && <Typography variant="body2">An entry keeps {MOST_READINGS} readings.</Typography>}
      {problem !== null && (
        <Alert severity="warning" variant="outlined">
          {problem}
        </Alert>
      )}
    </Box>
  );
}
