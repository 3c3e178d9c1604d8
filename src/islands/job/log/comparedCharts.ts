import type { Theme } from "@mui/material";
import type { EChartsCoreOption } from "echarts/core";
import type { PotUse, TechniqueMinutes } from "../../../core/record/compare";

export const [ROW_PX, AROUND_PX] = [44, 56] as const;

/** One thing planned and as it really was. */
interface Pair {
  readonly name: string;
  readonly planned: number;
  readonly real: number;
}

/** Two bars a row, the first thing at the top. */
function pairsOption(
  pairs: readonly Pair[],
  [planned, real]: readonly [string, string],
  unit: string,
  { palette, typography }: Theme,
): EChartsCoreOption {
  const text = { color: palette.text.secondary, fontFamily: typography.fontFamily, fontSize: 12 };
  const bars = (name: string, values: readonly number[], color: string) => ({
    ...{ type: "bar", name, barWidth: 11, barGap: "20%", itemStyle: { color } },
    data: values.map((value) => Math.round(value * 10) / 10),
    label: { show: true, position: "right", ...text, formatter: `{c}\u202f${unit}` },
  });
  return {
    animation: false,
    grid: { left: 8, right: 72, top: 28, bottom: 8, containLabel: true },
    legend: { top: 0, left: 0, icon: "rect", itemWidth: 10, itemHeight: 10, textStyle: text },
    tooltip: { trigger: "axis", axisPointer: { type: "none" }, confine: true },
    xAxis: { type: "value", axisLabel: { show: false }, splitLine: { show: false } },
    yAxis: {
      type: "category",
      inverse: true,
      data: pairs.map(({ name }) => name),
      axisLabel: { ...text, width: 150, overflow: "truncate" },
      axisTick: { show: false },
      axisLine: { lineStyle: { color: palette.divider } },
    },
    series: [
      bars(
        planned,
        pairs.map((pair) => pair.planned),
        palette.text.disabled,
      ),
      bars(
        real,
        pairs.map((pair) => pair.real),
        palette.text.primary,
      ),
    ],
  };
}

export const minutesOption = (of: readonly TechniqueMinutes[], theme: Theme): EChartsCoreOption =>
  pairsOption(
    of.map(({ name, planned, taken }) => ({ name, planned, real: taken })),
    ["planned", "taken"],
    "min",
    theme,
  );

export const paintOption = (of: readonly PotUse[], theme: Theme): EChartsCoreOption =>
  pairsOption(
    of.map(({ name, plannedUl, mixedUl }) => ({ name, planned: plannedUl, real: mixedUl })),
    ["planned on the figures", "mixed"],
    "µl",
    theme,
  );
