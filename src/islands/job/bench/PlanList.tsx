import { Box, Typography } from "@mui/material";
import { Fragment } from "react";
import type { Turns } from "../../../core/plan/schedule/turns";
import { leftOpenAfter, stopName, type CardAdds } from "../../../core/plan/stopping";
import { formatMinutes } from "../../../core/units";
import { useView } from "../viewStore";
import { dateText, partText, timeOf, titleOf } from "./planWords";
import type { Plan, PlanItem } from "./usePlan";

interface LineProps {
  readonly item: PlanItem;
  readonly chosen: boolean;
  /** Where its surface may be left after it. */
  readonly stop: string | null;
}

const quiet = { component: "div", variant: "caption", noWrap: true } as const;

function Line({ item, chosen, stop }: LineProps) {
  const setView = useView((view) => view.set);
  const { turn, cards, done, number } = item;
  const part = partText(item);
  return (
    <Box
      component="button"
      type="button"
      aria-pressed={chosen}
      onClick={() => setView({ cardId: turn.id, surfaceId: cards[0].surface.id })}
      sx={{
        display: "flex",
        gap: 1,
        width: "100%",
        minHeight: 48,
        alignItems: "center",
        font: "inherit",
        color: done ? "text.secondary" : "text.primary",
        textAlign: "left",
        border: 0,
        borderTop: 1,
        borderLeft: 4,
        borderColor: "divider",
        borderLeftColor: chosen ? "primary.main" : "transparent",
        bgcolor: chosen ? "chosen" : "transparent",
        px: 1.5,
        py: 0.5,
        cursor: "pointer",
      }}
    >
      <Typography variant="body2" sx={{ width: 22 }}>
        {number}
      </Typography>
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <Typography sx={{ fontWeight: 500 }} noWrap>
          {titleOf(item)}
        </Typography>
        <Typography {...quiet}>
          {cards[0].surface.name}
          {part !== "" && ` · ${part}`}
        </Typography>
        {stop !== null && <Typography {...quiet}>{stop}</Typography>}
      </Box>
      <Typography variant="body2" sx={{ whiteSpace: "nowrap" }}>
        {done ? "done" : formatMinutes(turn.end - turn.setUpAt)}
      </Typography>
    </Box>
  );
}

/** How a sitting leaves what it has begun. */
function endsText({ items, rests }: Plan, at: number): string | null {
  if (rests === null) return null;
  const left = items.filter(({ done }) => !done);
  if (!left.some(({ turn }) => turn.sitting > at)) return "everything is finished at its end";
  const open = leftOpenAfter(left, at, rests);
  return open.length === 0
    ? "ends at good places to stop"
    : `${new Intl.ListFormat("en-GB").format(open)} would be left half done`;
}

/** When a sitting begins and how much of it is work. */
function SittingHead({ plan, at }: { readonly plan: Plan; readonly at: number }) {
  const { turns, beganAt } = plan;
  const ends = endsText(plan, at);
  const own = turns.turns.filter(({ sitting }) => sitting === at);
  const work = own.reduce((sum, { setUpAt, end }) => sum + end - setUpAt, 0);
  const window = turns.sittings[at];
  if (turns.given === 0 || !window || beganAt === null) return null;
  return (
    <Box sx={{ px: 2, py: 0.75, bgcolor: "background.default", borderTop: 1, borderColor: "divider" }}>
      <Typography variant="h3" component="h3">
        Sitting {at + 1}
        {at >= turns.given && ", supposed"}
      </Typography>
      <Typography variant="caption" component="div">
        {dateText(timeOf(beganAt, window.start))} · {formatMinutes(work)} of{" "}
        {formatMinutes(window.end - window.start)} painted
      </Typography>
      {ends !== null && (
        <Typography variant="caption" component="div">
          {ends}
        </Typography>
      )}
    </Box>
  );
}

/** Where a surface may be left is told at the last turn of the card it may be left after. */
function stopAfter(
  items: readonly PlanItem[],
  at: number,
  adding: ReadonlyMap<string, CardAdds>,
): string | null {
  const { cards } = items[at]!;
  const last = cards.at(-1)!;
  const stop = adding.get(last.id)?.stop;
  if (!stop) return null;
  const later = items.slice(at + 1).some(({ turn }) => turn.cardIds.includes(last.id));
  return later ? null : stopName(stop);
}

interface Props {
  readonly plan: Plan;
  readonly chosen: PlanItem | undefined;
  readonly adding: ReadonlyMap<string, CardAdds>;
}

/** What is done and what is to be done, sitting by sitting. */
export function PlanList({ plan, chosen, adding }: Props) {
  const { items } = plan;
  const sittingOf = ({ done, turn }: PlanItem): Turns["given"] => (done ? -1 : turn.sitting);
  return (
    <Box component="ol" sx={{ m: 0, p: 0, overflow: "auto", flex: 1 }}>
      {items.map((item, at) => {
        const sitting = sittingOf(item);
        const begins = sitting >= 0 && (at === 0 || sittingOf(items[at - 1]!) !== sitting);
        return (
          <Fragment key={item.turn.id}>
            {begins && (
              <Box component="li" sx={{ listStyle: "none" }}>
                <SittingHead plan={plan} at={sitting} />
              </Box>
            )}
            <Box component="li" sx={{ listStyle: "none" }}>
              <Line item={item} chosen={item === chosen} stop={stopAfter(items, at, adding)} />
            </Box>
          </Fragment>
        );
      })}
    </Box>
  );
}
