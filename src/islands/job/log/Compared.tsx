import { Box, Typography, useTheme } from "@mui/material";
import { BarChart } from "echarts/charts";
import { GridComponent, LegendComponent, TooltipComponent } from "echarts/components";
import { use as register, type EChartsCoreOption } from "echarts/core";
import { SVGRenderer } from "echarts/renderers";
import { useContext, useEffect, useMemo } from "react";
import { labToHex } from "../../../core/colour/spaces";
import { coloursRead, minutesByTechnique, paintByPot, type ReadAgainst } from "../../../core/record/compare";
import { counted, formatMinutes, formatNumber } from "../../../core/units";
import { useChart } from "../../../ui/useChart";
import { useHistory } from "../historyStore";
import { usePaints } from "../jobStore";
import { AROUND_PX, minutesOption, paintOption, ROW_PX } from "./comparedCharts";
import { ExpectedColours } from "./expected";
import { Practise } from "./Practise";

register([BarChart, GridComponent, LegendComponent, TooltipComponent, SVGRenderer]);

interface ChartProps {
  readonly title: string;
  /** What is seen, for those who do not see it. */
  readonly words: string;
  readonly rows: number;
  readonly option: EChartsCoreOption;
}

function Chart({ title, words, rows, option }: ChartProps) {
  const { host, chart } = useChart();
  useEffect(() => {
    chart.current?.setOption(option, { notMerge: true });
  }, [chart, option]);
  return (
    <Box component="section" sx={{ mb: 3 }}>
      <Typography variant="h2">{title}</Typography>
      <Typography variant="body2" sx={{ mb: 1 }}>
        {words}
      </Typography>
      <Box
        ref={host}
        role="img"
        aria-label={`${title}. ${words}`}
        sx={{ height: AROUND_PX + ROW_PX * rows }}
      />
    </Box>
  );
}

const SWATCH = { width: 34, height: 26, border: 1, borderColor: "divider" } as const;

function ColourLine({ cardTitle, planned, read, difference, words }: ReadAgainst) {
  return (
    <Box component="li" sx={{ display: "flex", gap: 1.5, alignItems: "center", listStyle: "none", py: 0.5 }}>
      <Box sx={{ display: "flex" }}>
        <Box sx={{ ...SWATCH, bgcolor: labToHex(planned) }} />
        <Box sx={{ ...SWATCH, bgcolor: labToHex(read), borderLeft: 0 }} />
      </Box>
      <Typography sx={{ flex: 1 }}>{cardTitle}</Typography>
      <Typography variant="body2">
        {words === "" ? "as planned" : words}, CIEDE2000 {formatNumber(difference, 1)}
      </Typography>
    </Box>
  );
}

function Colours() {
  const { log } = useHistory();
  const expected = useContext(ExpectedColours);
  const read = useMemo(() => coloursRead(log, (cardId) => expected[cardId]?.lab), [log, expected]);
  return (
    <Box component="section">
      <Typography variant="h2">Colours read</Typography>
      <Typography variant="body2" sx={{ mb: 1 }}>
        {read.length > 0
          ? "Left as planned once dry, right as it was read, furthest off first."
          : "Readings of the dry paint are noted with their card, under How it went."}
      </Typography>
      <Box component="ol" sx={{ m: 0, p: 0 }}>
        {read.map((one) => (
          <ColourLine key={one.entryId} {...one} />
        ))}
      </Box>
    </Box>
  );
}

/** What was planned beside what was done: minutes by technique, paint by pot, colours. */
export function Compared() {
  const { log } = useHistory();
  const paints = usePaints();
  const theme = useTheme();
  const minutes = useMemo(() => minutesByTechnique(log), [log]);
  const pots = useMemo(() => paintByPot(log, paints), [log, paints]);
  const sum = (of: "planned" | "taken") => minutes.reduce((all, one) => all + one[of], 0);
  return (
    <>
      <Practise />
      {minutes.length > 0 ? (
        <Chart
          title="Minutes by technique"
          words={`${formatMinutes(sum("taken"))} taken for ${formatMinutes(sum("planned"))} planned, ${counted(
            minutes.reduce((all, { entries }) => all + entries, 0),
            "entry",
            "entries",
          )}.`}
          rows={minutes.length}
          option={minutesOption(minutes, theme)}
        />
      ) : (
        <Typography sx={{ mb: 3 }}>
          Note how many minutes a card took, and its plan stands beside it here.
        </Typography>
      )}
      {pots.length > 0 ? (
        <Chart
          title="Paint by pot"
          words="What was to lie on the figures, and what was dropped into wells for it; the rest stayed in brush and palette."
          rows={pots.length}
          option={paintOption(pots, theme)}
        />
      ) : (
        <Typography sx={{ mb: 3 }}>
          Mix in a well on the palette, and the drops stand beside the plan here.
        </Typography>
      )}
      <Colours />
    </>
  );
}
