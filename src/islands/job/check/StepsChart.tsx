import { Box, useTheme } from "@mui/material";
import { LineChart } from "echarts/charts";
import { GridComponent, LegendComponent, TooltipComponent } from "echarts/components";
import { use as register } from "echarts/core";
import { SVGRenderer } from "echarts/renderers";
import { useEffect } from "react";
import { spectrumToLab } from "../../../core/colour/spaces";
import { coatTones, type CoatTones } from "../../../core/checks/tones";
import { activeCoats, type Surface } from "../../../core/job";
import { coversTone, type Pattern } from "../../../core/patterns/pattern";
import { useJob, usePaints } from "../jobStore";
import { useChart } from "../../../ui/useChart";
import type { CoatEffect } from "../../../worker/steps";
import { useSimulation } from "../useSimulation";
import { useBuilt } from "../useSurface";

register([LineChart, GridComponent, LegendComponent, TooltipComponent, SVGRenderer]);

interface Series {
  readonly name: string;
  readonly data: (number | null)[];
}

/** Lightness of every tone of the pattern after each coat that covers it; lines and dots cover only strips. */
function seriesOf(tones: readonly CoatTones[], pattern: Pattern | null): Series[] {
  const names = new Map<string, (number | null)[]>();
  tones.forEach(({ steps, coat }, at) => {
    if (!coversTone(pattern, coat) && coat.place.kind !== "hollows") return;
    for (const { tone, after } of steps) {
      const name = tone.label;
      const data = names.get(name) ?? new Array<number | null>(tones.length).fill(null);
      data[at] = Math.round(spectrumToLab(after)[0] * 10) / 10;
      names.set(name, data);
    }
  });
  return [...names].map(([name, data]) => ({ name, data }));
}

/** Lightness of what each coat of a textured surface lies on, before it and after it, as simulated. */
function seriesOfEffects(effects: readonly CoatEffect[]): Series[] {
  const round = (value: number) => Math.round(value * 10) / 10;
  return [
    { name: "where it lies, after it", data: effects.map((effect) => round(effect.after[0])) },
    { name: "before it", data: effects.map((effect) => round(effect.before[0])) },
  ];
}

/** Lightness coat by coat: whether each step carries the tone where it should go. */
export function StepsChart({ surface }: { readonly surface: Surface }) {
  const job = useJob();
  const paints = usePaints();
  const { form, pattern } = useBuilt(surface);
  const { palette } = useTheme();
  const { host, chart } = useChart();
  const steps = useSimulation((state) => state.steps);
  useEffect(() => {
    if (!form || !chart.current) return;
    const coats = activeCoats(surface);
    const series =
      surface.pattern === null && steps?.surfaceId === surface.id
        ? seriesOfEffects(steps.effects)
        : seriesOf(coatTones({ job, surface, paints, coats, pattern }), pattern);
    const ink = palette.text.secondary;
    const symbols = ["circle", "rect", "triangle", "diamond", "pin", "arrow"];
    chart.current.setOption(
      {
        animation: false,
        color: [palette.text.primary],
        textStyle: { fontFamily: "Archivo, sans-serif" },
        grid: { left: 52, right: 16, top: 30, bottom: 40 },
        legend: { top: 0, left: 0, textStyle: { color: ink } },
        tooltip: { trigger: "axis" },
        xAxis: {
          type: "category",
          data: coats.map((_coat, at) => String(at + 1)),
          name: "after coat",
          nameLocation: "middle",
          nameGap: 24,
          axisLabel: { color: ink },
          nameTextStyle: { color: ink },
        },
        yAxis: {
          type: "value",
          min: 0,
          max: 100,
          name: "lightness L*",
          nameLocation: "middle",
          nameGap: 32,
          axisLabel: { color: ink },
          nameTextStyle: { color: ink },
          splitLine: { lineStyle: { color: palette.divider } },
        },
        series: series.map((one, at) => ({
          ...one,
          type: "line",
          step: "end",
          connectNulls: true,
          symbol: symbols[at % symbols.length],
          symbolSize: 8,
          lineStyle: { type: (["solid", "dashed", "dotted"] as const)[at % 3], width: 1.5 },
        })),
      },
      true,
    );
  }, [chart, job, surface, form, pattern, paints, palette, steps]);
  return (
    <Box
      ref={host}
      role="img"
      aria-label="Lightness of each tone, coat by coat"
      sx={{ height: 230, width: "100%" }}
    />
  );
}
