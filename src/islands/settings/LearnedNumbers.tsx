import { Alert, Box, Button, Typography } from "@mui/material";
import { withFreshStart, withLock, type Learned } from "../../core/learning/learned";
import type { Painter } from "../../core/painter";
import { counted, formatMinutes, withUnit } from "../../core/units";
import { usePlanChanges, type JobChange } from "./usePlanChanges";

const numberText = (value: number, unit: string): string =>
  withUnit(value, value < 10 ? 2 : value < 100 ? 1 : 0, unit);

/** What the log says of a number, in words. */
function saysText({ state, value, low, high, unit, entries, odd }: Learned): string {
  const behind = `${counted(entries, "entry", "entries")}${odd > 0 ? `, ${odd} set aside as odd` : ""}`;
  if (state === "locked") return `held to yours, ${behind}`;
  if (state === "too few") return `too little told yet: ${behind}`;
  return `${numberText(value, unit)}, between ${numberText(low, unit)} and ${numberText(high, unit)}: ${behind}`;
}

/** "Ferry sergeant: 41 cards, 34 min more". */
function changeText({ job, cards, minutes }: JobChange): string {
  const by = minutes === null ? null : Math.round(Math.abs(minutes));
  const time = by === null || by === 0 ? "" : `, ${formatMinutes(by)} ${minutes! > 0 ? "more" : "less"}`;
  return `${job}: ${counted(cards, "card")}${time}`;
}

interface LineProps {
  readonly one: Learned;
  readonly changes: readonly JobChange[] | undefined;
  readonly onLock: (locked: boolean) => void;
  readonly onAnew: () => void;
}

function Line({ one, changes, onLock, onAnew }: LineProps) {
  const { name, own, unit, state, entries } = one;
  return (
    <Box component="li" sx={{ listStyle: "none", borderTop: 1, borderColor: "divider", py: 1 }}>
      <Box sx={{ display: "flex", gap: 2, alignItems: "center", flexWrap: "wrap" }}>
        <Typography sx={{ width: 220, fontWeight: 500 }}>{name}</Typography>
        <Typography variant="body2" sx={{ width: 110 }}>
          yours {numberText(own, unit)}
        </Typography>
        <Typography variant="body2" sx={{ flex: 1, minWidth: 220 }}>
          {saysText(one)}
        </Typography>
        <Button
          aria-label={`${name}: ${state === "locked" ? "let it follow" : "hold to mine"}`}
          onClick={() => onLock(state !== "locked")}
        >
          {state === "locked" ? "Let it follow" : "Hold to mine"}
        </Button>
        <Button aria-label={`${name}: learn anew`} disabled={entries === 0} onClick={onAnew}>
          Learn anew
        </Button>
      </Box>
      {changes && (
        <Typography variant="body2" sx={{ pl: 1 }}>
          {changes.map(changeText).join("; ")}
        </Typography>
      )}
    </Box>
  );
}

interface Props {
  readonly painter: Painter;
  readonly learned: readonly Learned[];
  readonly change: (painter: Painter) => void;
}

/** What the log of all jobs teaches of the painter's numbers: looked at, held to, begun anew. */
export function LearnedNumbers({ painter, learned, change }: Props) {
  const { changes, left, problem, look, stop } = usePlanChanges(learned);
  const followed = learned.filter(({ state }) => state === "followed").length;
  return (
    <Box component="section" aria-label="What the log teaches" sx={{ mt: 4 }}>
      <Typography variant="h2">What the log teaches</Typography>
      <Typography variant="body2" sx={{ mb: 1 }}>
        {followed === 0
          ? "Note in the log how long cards took, and from four entries on plans follow it. One odd entry changes nothing."
          : `Plans follow the log in ${counted(followed, "number")}, from the next time a job is opened.`}
      </Typography>
      <Box component="ul" sx={{ m: 0, p: 0 }}>
        {learned.map((one) => (
          <Line
            key={one.key}
            one={one}
            changes={changes?.get(one.key)}
            onLock={(locked) => change(withLock(painter, one.key, locked))}
            onAnew={() => change(withFreshStart(painter, one.key, new Date().toISOString()))}
          />
        ))}
      </Box>
      {followed > 0 && (
        <Box sx={{ mt: 1 }}>
          {left === null ? (
            <Button onClick={look}>Which plans it changes</Button>
          ) : (
            <Button onClick={stop}>Stop looking, {counted(left, "job")} left</Button>
          )}
        </Box>
      )}
      {problem !== null && (
        <Alert severity="error" variant="outlined">
          {problem}
        </Alert>
      )}
    </Box>
  );
}
