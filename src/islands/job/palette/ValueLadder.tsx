import { Box, Typography, useTheme } from "@mui/material";
import { ScatterChart } from "echarts/charts";
import { GridComponent, TooltipComponent } from "echarts/components";
import { use as register } from "echarts/core";
import { SVGRenderer } from "echarts/renderers";
import { useEffect } from "react";
import { opticsOfMix } from "../../../core/colour/appearance";
import { ciede2000 } from "../../../core/colour/difference";
import { masstone } from "../../../core/colour/film";
import { hexToLab, spectrumToHex, spectrumToLab } from "../../../core/colour/spaces";
import type { Job, Paint } from "../../../core/job";
import { formatNumber } from "../../../core/units";
import { useChart } from "../../../ui/useChart";
import { useJob, usePaints } from "../jobStore";

register([ScatterChart, GridComponent, TooltipComponent, SVGRenderer]);

const tenth = (value: number) => Math.round(value * 10) / 10;

interface Rung {
  readonly name: string;
  readonly hex: string;
  readonly l: number;
  readonly goal: string | null;
  readonly goalL: number | null;
  /** CIEDE2000 between mix and goal. */
  readonly off: number | null;
}

/** Every mix that has paint, dark to light. */
const rungsOf = (job: Job, paints: readonly Paint[]): Rung[] =>
  job.mixes
    .filter((mix) => mix.parts.length > 0)
    .map((mix) => {
      const spectrum = masstone(opticsOfMix(mix, paints));
      const lab = spectrumToLab(spectrum);
      const goal = mix.goal === null ? null : hexToLab(mix.goal);
      return {
        name: mix.name,
        hex: spectrumToHex(spectrum),
        l: lab[0],
        goal: mix.goal,
        goalL: goal?.[0] ?? null,
        off: goal ? ciede2000(lab, goal) : null,
      };
    })
    .sort((a, b) => a.l - b.l);

/** Most letters of a name under the ladder. */
const MOST_LETTERS = 16;

/** Names short enough to stand under the ladder and still be told apart: what differs is kept, from the end where need be. */
export function shortNames(names: readonly string[]): string[] {
  const cut = (name: string, fromEnd: boolean) =>
    name.length <= MOST_LETTERS
      ? name
      : fromEnd
        ? `…${name.slice(1 - MOST_LETTERS).trimStart()}`
        : `${name.slice(0, MOST_LETTERS - 1).trimEnd()}…`;
  const heads = names.map((name) => cut(name, false));
  return names.map((name, at) => cut(name, heads.filter((head) => head === heads[at]).length > 1));
}

interface Inks {
  readonly ink: string;
  readonly divider: string;
  readonly strong: string;
}

const goalPoint = ({ goal, goalL }: Rung, borderColor: string) =>
  goalL === null
    ? { value: null }
    : { value: tenth(goalL), itemStyle: { opacity: 1, color: goal, borderColor, borderWidth: 1 } };

/** The chart's settings: goals as flat bars, mixes as fields on them. */
function ladderOption(shown: readonly Rung[], { ink, divider, strong }: Inks) {
  const axis = { axisLabel: { color: ink }, nameTextStyle: { color: ink } };
  return {
    animation: false,
    textStyle: { fontFamily: "Archivo, sans-serif" },
    grid: { left: 52, right: 20, top: 16, bottom: 78 },
    tooltip: {
      formatter: (one: { dataIndex: number; seriesName: string }) => {
        const rung = shown[one.dataIndex]!;
        const goal = rung.goalL === null ? "no goal" : `goal L* ${formatNumber(rung.goalL, 1)}`;
        return `${rung.name}: L* ${formatNumber(rung.l, 1)}, ${goal}`;
      },
    },
    xAxis: {
      ...axis,
      type: "category",
      data: shortNames(shown.map((rung) => rung.name)),
      axisLabel: { color: ink, rotate: 35, interval: 0 },
      axisTick: { alignWithLabel: true },
    },
    yAxis: {
      ...axis,
      type: "value",
      min: 0,
      max: 100,
      name: "lightness L*",
      nameLocation: "middle",
      nameGap: 32,
      splitLine: { lineStyle: { color: divider } },
    },
    series: [
      {
        name: "goal",
        type: "scatter",
        symbol: "rect",
        symbolSize: [48, 8],
        itemStyle: { opacity: 1 },
        data: shown.map((rung) => goalPoint(rung, strong)),
      },
      {
        name: "mix",
        type: "scatter",
        symbol: "rect",
        symbolSize: [26, 18],
        itemStyle: { opacity: 1 },
        data: shown.map((rung) => ({ value: tenth(rung.l), itemStyle: { color: rung.hex, opacity: 1 } })),
      },
    ],
  };
}

function GoalList({ rungs }: { readonly rungs: readonly Rung[] }) {
  return (
    <Box component="ul" sx={{ m: 0, mt: 1, p: 0, listStyle: "none" }}>
      {rungs
        .filter((rung) => rung.off !== null)
        .map((rung) => (
          <Box
            component="li"
            key={rung.name}
            sx={{ display: "flex", gap: 1, py: 0.5, borderTop: 1, borderColor: "divider" }}
          >
            <Box sx={{ width: 26, bgcolor: rung.hex }} />
            <Box sx={{ width: 26, bgcolor: rung.goal! }} />
            <Typography sx={{ flex: 1 }}>{rung.name}</Typography>
            <Typography variant="body2">
              {formatNumber(rung.l - rung.goalL!, 1)} L* from its goal, off by {formatNumber(rung.off!, 1)}
            </Typography>
          </Box>
        ))}
    </Box>
  );
}

/** All mixes by lightness, dark to light, with their goals beside them. */
export function ValueLadder() {
  const job = useJob();
  const paints = usePaints();
  const { palette } = useTheme();
  const { host, chart } = useChart();
  const rungs = rungsOf(job, paints);
  const key = JSON.stringify(rungs);
  useEffect(() => {
    const inks = { ink: palette.text.secondary, divider: palette.divider, strong: palette.text.primary };
    chart.current?.setOption(ladderOption(JSON.parse(key) as Rung[], inks), true);
  }, [chart, key, palette]);
  const steps = rungs.slice(1).map((rung, at) => rung.l - rungs[at]!.l);
  return (
    <Box component="section" aria-label="Value ladder" sx={{ bgcolor: "background.paper", p: 2 }}>
      <Typography variant="h2">Value ladder</Typography>
      <Typography variant="caption" component="p">
        Every mix dry and laid thick, dark to light (full field); its goal as the flat bar.
      </Typography>
      <Box
        ref={host}
        role="img"
        aria-label="Lightness of every mix against its goal"
        sx={{ height: 360, width: "100%" }}
      />
      {rungs.length === 0 && <Typography>No mix has paint yet.</Typography>}
      {steps.length > 0 && (
        <Typography variant="body2">
          Smallest step {formatNumber(Math.min(...steps), 1)} L*, largest{" "}
          {formatNumber(Math.max(...steps), 1)} L*.
        </Typography>
      )}
      <GoalList rungs={rungs} />
    </Box>
  );
}
