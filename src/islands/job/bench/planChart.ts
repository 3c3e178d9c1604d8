import type { Theme } from "@mui/material";
import type { CustomSeriesOption } from "echarts/charts";
import type { EChartsCoreOption } from "echarts/core";
import { formatMinutes } from "../../../core/units";
import type { PlanRows } from "./planRows";
import { clockText, partText, timeOf, titleOf } from "./planWords";
import type { Plan, PlanItem } from "./usePlan";

export const [ROW_PX, ABOVE_PX, BELOW_PX] = [26, 8, 64] as const;
const [BAR_PX, DRYING_PX] = [14, 4] as const;

/** What is drawn. */
export interface Drawn {
  readonly plan: Plan;
  readonly items: readonly PlanItem[];
  readonly rows: PlanRows;
  readonly chosen: PlanItem | undefined;
}

/** One bar of the hand: an item in one of its rows. */
interface HandBar {
  readonly item: PlanItem;
  readonly row: number;
}

/** Bars of the hand, in the order of the series "hand". */
export const handBars = ({ items, rows }: Pick<Drawn, "items" | "rows">): HandBar[] =>
  items.flatMap((item) => [rows.hand, ...rows.of(item)].map((row) => ({ item, row })));

type RenderItem = NonNullable<CustomSeriesOption["renderItem"]>;

/** A bar from one time to another in its row. Values: row, from, to. */
const barOf =
  (fillOf: (at: number) => string, heightPx: number): RenderItem =>
  (params, api) => {
    const [left, y] = api.coord([api.value(1), api.value(0)]) as [number, number];
    const [right] = api.coord([api.value(2), api.value(0)]) as [number, number];
    return {
      type: "rect",
      shape: { x: left, y: y - heightPx / 2, width: Math.max(1, right - left), height: heightPx, r: 1 },
      style: { fill: fillOf(params.dataIndex) },
    };
  };

/** What dries, what is set up, and what the hand paints. */
function seriesOf(
  bars: readonly HandBar[],
  { chosen, rows }: Pick<Drawn, "chosen" | "rows">,
  { palette }: Theme,
): CustomSeriesOption[] {
  const data = (spanOf: (item: PlanItem) => readonly [number, number]) =>
    bars.map(({ item, row }) => ({ value: [row, ...spanOf(item)] }));
  const still = { type: "custom", silent: true, clip: true } as const;
  return [
    {
      ...{ ...still, name: "dries", renderItem: barOf(() => palette.divider, DRYING_PX) },
      data: data(({ turn }) => [turn.end, turn.end + turn.dries]).filter(
        ({ value }) => value[0] !== rows.hand,
      ),
    },
    {
      ...{ ...still, name: "set up", renderItem: barOf(() => palette.divider, BAR_PX) },
      data: data(({ turn }) => [turn.setUpAt, turn.start]),
    },
    {
      ...{ type: "custom", clip: true, name: "hand", cursor: "grab" },
      renderItem: barOf(
        (at) => (bars[at]?.item === chosen ? palette.primary.main : palette.text.secondary),
        BAR_PX,
      ),
      data: data(({ turn }) => [turn.start, turn.end]),
    },
  ];
}

/** A time of the plan as it is read: of the day where sittings are set, else from the beginning. */
export const whenOf =
  ({ beganAt, turns }: Plan) =>
  (minutes: number): string =>
    beganAt === null || turns.given === 0 ? formatMinutes(minutes) : clockText(timeOf(beganAt, minutes));

function tipOf(item: PlanItem | undefined, when: (minutes: number) => string): string {
  if (!item) return "";
  const { turn } = item;
  const part = partText(item);
  const name = `${titleOf(item)}${part === "" ? "" : ` (${part})`}`;
  return `${name}<br>${when(turn.start)} to ${when(turn.end)}, then dries ${formatMinutes(turn.dries)}`;
}

/** Everything the chart of times needs to be drawn. */
export function timesOption({ plan, items, rows, chosen }: Drawn, theme: Theme): EChartsCoreOption {
  const bars = handBars({ items, rows });
  const when = whenOf(plan);
  const { palette } = theme;
  const ink = palette.text.secondary;
  return {
    animation: false,
    textStyle: { fontFamily: "Archivo, sans-serif" },
    grid: { left: 130, right: 16, top: ABOVE_PX, bottom: BELOW_PX },
    tooltip: { formatter: ({ dataIndex }: { dataIndex: number }) => tipOf(bars[dataIndex]?.item, when) },
    xAxis: {
      ...{ type: "value", min: 0, max: Math.ceil(Math.max(1, plan.turns.end)) },
      axisLabel: { color: ink, formatter: when, hideOverlap: true },
      splitLine: { lineStyle: { color: palette.divider } },
    },
    yAxis: {
      ...{ type: "category", inverse: true, data: rows.names },
      axisLabel: { color: ink, width: 118, overflow: "truncate" },
      ...{ axisTick: { show: false }, axisLine: { show: false } },
    },
    dataZoom: [
      {
        ...{ type: "slider", height: 18, bottom: 8, textStyle: { color: ink }, showDataShadow: false },
        ...{ borderColor: palette.divider, backgroundColor: "transparent", fillerColor: palette.chosen },
        handleStyle: { color: palette.background.paper, borderColor: ink },
        moveHandleStyle: { color: palette.divider },
        emphasis: { handleStyle: { borderColor: palette.primary.main }, moveHandleStyle: { color: ink } },
        labelFormatter: (value: number) => when(value),
      },
    ],
    series: seriesOf(bars, { chosen, rows }, theme),
  };
}
