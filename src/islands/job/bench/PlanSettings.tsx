import { Alert, Box, Button, MenuItem, TextField, Typography } from "@mui/material";
import {
  figureOf,
  MOST_SITTINGS,
  SITTING_MINUTES,
  type BenchPlan,
  type PlannedSitting,
  type UnitWay,
} from "../../../core/job";
import { counted, formatMinutes } from "../../../core/units";
import { NumberField } from "../../../ui/NumberField";
import { Row } from "../../../ui/Row";
import { TimeField } from "../../../ui/TimeField";
import { useEdit, useJob } from "../jobStore";
import { clockText, dateText, sittingsText, timeOf } from "./planWords";
import type { Plan } from "./usePlan";

const UNIT_WORDS: Readonly<Record<UnitWay, string>> = {
  mixed: "as it saves most time",
  line: "each card on all of them",
  figures: "one figure after the other",
};

function useBench(): [BenchPlan, (change: Partial<BenchPlan>) => void] {
  const { bench } = useJob();
  const edit = useEdit();
  return [bench, (change) => edit((job) => ({ ...job, bench: { ...job.bench, ...change } }))];
}

const DAY_MS = 24 * 60 * 60_000;

/** A further sitting: a day after the last, as long as it; the first this evening at 19:30. */
function nextSitting(sittings: readonly PlannedSitting[]): PlannedSitting {
  const last = sittings.at(-1);
  if (last) return { ...last, startsAt: new Date(Date.parse(last.startsAt) + DAY_MS).toISOString() };
  const evening = new Date();
  evening.setHours(19, 30, 0, 0);
  if (evening.getTime() < Date.now()) evening.setTime(evening.getTime() + DAY_MS);
  return { startsAt: evening.toISOString(), minutes: 120 };
}

interface SittingProps {
  readonly sitting: PlannedSitting;
  readonly number: number;
  /** Whether it was over when the plan was made. */
  readonly over: boolean;
  readonly onChange: (change: Partial<PlannedSitting>) => void;
  readonly onRemove: () => void;
}

function SittingFields({ sitting, number, over, onChange, onRemove }: SittingProps) {
  const [least, most] = SITTING_MINUTES;
  return (
    <Box role="group" aria-label={`Sitting ${number}`} sx={{ display: "grid", gap: 1, py: 1 }}>
      <TimeField
        label={`Sitting ${number} begins`}
        at={sitting.startsAt}
        onChange={(startsAt) => onChange({ startsAt })}
      />
      {over && <Typography variant="caption">It is over: nothing is planned for it any more.</Typography>}
      <Box sx={{ display: "flex", gap: 1, alignItems: "start" }}>
        <NumberField
          label="It lasts"
          unit="min"
          value={sitting.minutes}
          min={least}
          max={most}
          step={15}
          whole
          onChange={(minutes) => onChange({ minutes })}
        />
        <Button onClick={onRemove}>Remove</Button>
      </Box>
    </Box>
  );
}

const endOf = ({ startsAt, minutes }: PlannedSitting): number => Date.parse(startsAt) + minutes * 60_000;

function Sittings({ beganAt }: { readonly beganAt: string | null }) {
  const [{ sittings }, change] = useBench();
  const set = (next: readonly PlannedSitting[]) => change({ sittings: [...next] });
  return (
    <Box sx={{ mt: 1.5 }}>
      <Typography variant="h3">Sittings</Typography>
      <Typography variant="caption" component="div">
        {sittings.length === 0
          ? "None set: the plan goes on without a break. With times at the bench nothing begins that its sitting cannot end, and nothing wet is left overnight."
          : "What does not fit goes into further ones like the last."}
      </Typography>
      {sittings.map((sitting, at) => (
        <SittingFields
          key={`${at}/${sittings.length}`}
          sitting={sitting}
          number={at + 1}
          over={beganAt !== null && endOf(sitting) <= Date.parse(beganAt)}
          onChange={(part) => set(sittings.map((one, of) => (of === at ? { ...one, ...part } : one)))}
          onRemove={() => set(sittings.filter((_, of) => of !== at))}
        />
      ))}
      <Button
        onClick={() => set([...sittings, nextSitting(sittings)])}
        disabled={sittings.length >= MOST_SITTINGS}
      >
        {sittings.length === 0 ? "Set a sitting" : "One more a day later"}
      </Button>
    </Box>
  );
}

/** What the painter wants first, card by card; each can be taken back. */
function Wishes({ nameOf }: { readonly nameOf: (cardId: string) => string | null }) {
  const [{ wishes }, change] = useBench();
  const known = wishes.filter(({ first, then }) => nameOf(first) !== null && nameOf(then) !== null);
  if (known.length === 0) return null;
  return (
    <Box sx={{ mt: 1.5 }}>
      <Typography variant="h3">As you want it</Typography>
      <Box component="ul" sx={{ m: 0, p: 0 }}>
        {known.map((wish) => (
          <Box
            component="li"
            key={`${wish.first}>${wish.then}`}
            sx={{ listStyle: "none", display: "flex", alignItems: "center", gap: 1 }}
          >
            <Typography variant="body2" sx={{ flex: 1 }}>
              {nameOf(wish.first)} before {nameOf(wish.then)}
            </Typography>
            <Button
              aria-label={`Take back: ${nameOf(wish.first)} first`}
              onClick={() => change({ wishes: wishes.filter((one) => one !== wish) })}
            >
              Take back
            </Button>
          </Box>
        ))}
      </Box>
    </Box>
  );
}

/** How far the plan is from what cannot be beaten. */
function boundText({ turns: { end, bound, given, sittings } }: Plan): string {
  if (given > 0) {
    // With nights between sittings a share of the whole time says nothing.
    const least = sittings.findIndex((sitting) => bound <= sitting.end + 1e-6) + 1;
    if (least > 0 && least < sittings.length) return `in any order at least ${counted(least, "sitting")}`;
    return end - bound < 1
      ? "no order ends sooner"
      : `no order takes fewer sittings, and none ends more than ${formatMinutes(end - bound)} sooner`;
  }
  const over = bound > 0 ? Math.round((100 * (end - bound)) / bound) : 0;
  return over < 1 ? "no order ends sooner" : `at most ${over} % sooner in any order`;
}

/** The whole plan in numbers, and how it is to be made. */
export function PlanSettings({
  plan,
  nameOf,
}: {
  readonly plan: Plan;
  readonly nameOf: (cardId: string) => string | null;
}) {
  const job = useJob();
  const [bench, change] = useBench();
  const { turns, beganAt, planning, problem } = plan;
  const unit = Math.max(
    ...job.figures.map(({ id, count }) =>
      job.surfaces.some((one) => figureOf(job, one).id === id) ? count : 1,
    ),
  );
  const last = turns.turns.at(-1);
  const told = (text: string) => (beganAt === null ? "being planned" : text);
  return (
    <>
      <Row name="Hand time">{formatMinutes(turns.handMinutes)}</Row>
      <Row name={turns.given === 0 ? "With waiting" : "Sittings"}>
        {told(turns.given === 0 ? formatMinutes(turns.end) : sittingsText(turns))}
      </Row>
      <Row name="Done">
        {told(
          last && beganAt
            ? turns.given === 0
              ? `at ${clockText(timeOf(beganAt, turns.end))}, begun now`
              : dateText(timeOf(beganAt, turns.end))
            : "all",
        )}
      </Row>
      {beganAt !== null && last && (
        <Typography variant="caption" component="div">
          {boundText(plan)}
        </Typography>
      )}
      <Typography variant="caption" component="div" role="status">
        {planning ? "being planned anew …" : ""}
      </Typography>
      {problem !== null && (
        <Alert severity="warning" variant="outlined">
          {problem} Take one of them back below.
        </Alert>
      )}
      {unit > 1 && (
        <TextField
          select
          label={`The ${unit} figures`}
          value={bench.unit}
          onChange={(event) => change({ unit: event.target.value as UnitWay })}
          sx={{ mt: 1.5, width: "100%" }}
        >
          {Object.entries(UNIT_WORDS).map(([way, words]) => (
            <MenuItem key={way} value={way}>
              {words}
            </MenuItem>
          ))}
        </TextField>
      )}
      <Sittings beganAt={beganAt} />
      <Wishes nameOf={nameOf} />
    </>
  );
}
