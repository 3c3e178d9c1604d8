import { Alert, Box, Button } from "@mui/material";
import { useState } from "react";
import { writePlanCalendar } from "../../../core/formats/plan-calendar/planCalendar";
import { writeListCsv, writePlanCsv } from "../../../core/formats/plan-csv/planCsv";
import { shopping } from "../../../core/plan/shopping";
import type { PlannedTurn } from "../../../core/plan/planRows";
import { messageOf, saveFile } from "../../../ui/api";
import { useJob, usePainter, usePaints } from "../jobStore";
import { cardsLeft, partText, timeOf } from "./planWords";
import type { Plan } from "./usePlan";

/** Year, month from 1, day, hour and minute of a time, UTC. */
const utcOf = (at: Date) =>
  [at.getUTCFullYear(), at.getUTCMonth() + 1, at.getUTCDate(), at.getUTCHours(), at.getUTCMinutes()] as const;

const CSV = "text/csv;charset=utf-8";

/** The plan and its list as files for other programs. */
export function PlanFiles({ plan }: { readonly plan: Plan }) {
  const job = useJob();
  const paints = usePaints();
  const painter = usePainter();
  const [problem, setProblem] = useState<string | null>(null);
  const { beganAt } = plan;
  const turns: PlannedTurn[] = plan.items
    .filter(({ done }) => !done)
    .map((item) => ({ turn: item.turn, cards: item.cards, number: item.number, part: partText(item) }));
  const save = (name: string, type: string, write: () => string) => {
    setProblem(null);
    try {
      saveFile(`${job.id}-${name}`, write(), type);
    } catch (error) {
      setProblem(messageOf(error));
    }
  };
  const none = turns.length === 0;
  const calendar = (began: string) =>
    writePlanCalendar({ jobId: job.id, jobName: job.name, turns, sittings: plan.turns.sittings }, (minutes) =>
      utcOf(timeOf(began, minutes)),
    );
  const cards = cardsLeft(plan.items);
  return (
    <Box sx={{ display: "grid", gap: 1, mt: 1 }}>
      <Button
        variant="outlined"
        disabled={none || beganAt === null}
        onClick={() => beganAt !== null && save("plan.ics", "text/calendar", () => calendar(beganAt))}
      >
        Sittings and drying as calendar
      </Button>
      <Button
        variant="outlined"
        disabled={none}
        onClick={() =>
          save("plan.csv", CSV, () =>
            writePlanCsv(turns, paints, painter, (minutes) =>
              beganAt === null ? "" : timeOf(beganAt, minutes).toISOString(),
            ),
          )
        }
      >
        Plan as CSV
      </Button>
      <Button
        variant="outlined"
        disabled={cards.length === 0}
        onClick={() => save("list.csv", CSV, () => writeListCsv(cards, shopping(cards, paints), paints))}
      >
        List as CSV
      </Button>
      {problem !== null && (
        <Alert severity="error" variant="outlined">
          {problem}
        </Alert>
      )}
    </Box>
  );
}
