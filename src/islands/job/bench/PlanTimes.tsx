import { Alert, Box, Button, Typography, useTheme } from "@mui/material";
import { CustomChart } from "echarts/charts";
import { DataZoomComponent, GridComponent, TooltipComponent } from "echarts/components";
import { use as register } from "echarts/core";
import { SVGRenderer } from "echarts/renderers";
import { useEffect, useMemo } from "react";
import { counted, formatMinutes } from "../../../core/units";
import { useChart } from "../../../ui/useChart";
import { useJob } from "../jobStore";
import { useView } from "../viewStore";
import { ABOVE_PX, BELOW_PX, handBars, ROW_PX, timesOption } from "./planChart";
import { rowsOf } from "./planRows";
import { titleOf } from "./planWords";
import { useDragged } from "./useDragged";
import { useMoved } from "./useMoved";
import type { Plan, PlanItem } from "./usePlan";

register([CustomChart, GridComponent, TooltipComponent, DataZoomComponent, SVGRenderer]);

interface Props {
  readonly plan: Plan;
  readonly chosen: PlanItem | undefined;
}

/** When the hand paints what, and what dries meanwhile: one row a surface. Cards are dragged to another time; the rest follows. */
export function PlanTimes({ plan, chosen }: Props) {
  const job = useJob();
  const setView = useView((view) => view.set);
  const theme = useTheme();
  const { host, chart } = useChart();
  const { move, said, forget } = useMoved(plan);
  const { turns } = plan;
  const items = useMemo(() => plan.items.filter(({ done }) => !done), [plan.items]);
  const rows = useMemo(() => rowsOf(items, job), [items, job]);
  useEffect(() => {
    chart.current?.setOption(timesOption({ plan, items, rows, chosen }, theme), { notMerge: true });
  }, [chart, plan, items, rows, chosen, theme]);
  useDragged(chart, {
    itemAt: (bar) => handBars({ items, rows })[bar]?.item,
    onChoose: ({ turn, cards }) => setView({ cardId: turn.id, surfaceId: cards[0].surface.id }),
    onDrop: move,
  });
  const at = chosen ? items.indexOf(chosen) : -1;
  const [before, after] = [items[at - 1], items[at + 1]];
  return (
    <Box sx={{ p: 2 }}>
      <Typography variant="body2" sx={{ mb: 1 }}>
        {counted(items.length, "card")} left. Solid: the hand. Thin: it dries. Drag a card to another time and
        the rest follows.
      </Typography>
      <Box
        ref={host}
        role="img"
        aria-label={`Times of the plan: ${counted(items.length, "card")} in ${counted(rows.names.length, "row")}, ${formatMinutes(turns.handMinutes)} of work within ${formatMinutes(turns.end)}`}
        sx={{ height: ABOVE_PX + BELOW_PX + ROW_PX * Math.max(1, rows.names.length) }}
      />
      {chosen && at >= 0 && (
        <Box sx={{ display: "flex", gap: 1, alignItems: "center", mt: 1, flexWrap: "wrap" }}>
          <Typography sx={{ flex: 1, fontWeight: 500 }}>{titleOf(chosen)}</Typography>
          <Button disabled={!before} onClick={() => before && move(chosen, before.turn.end - 1e-3)}>
            Before the turn before it
          </Button>
          <Button disabled={!after} onClick={() => after && move(chosen, after.turn.end - 1e-3)}>
            After the next turn
          </Button>
        </Box>
      )}
      {said !== null && (
        <Alert severity={said.kind} variant="outlined" onClose={forget} sx={{ mt: 1 }}>
          {said.words}
        </Alert>
      )}
    </Box>
  );
}
