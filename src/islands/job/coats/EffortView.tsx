import { Box, Button, Typography } from "@mui/material";
import { useEffect, useState } from "react";
import { USUAL_EFFORT, type EffortShared } from "../../../core/effort/effortOf";
import type { Effort, Surface } from "../../../core/job";
import { strokeMinutes } from "../../../core/plan/work";
import { formatMinutes, formatNumber } from "../../../core/units";
import { NumberField } from "../../../ui/NumberField";
import { SLIDERS, SliderSetting } from "../../../ui/SliderSetting";
import { simulationWorker } from "../../../worker/client";
import { useDesign, usePainter } from "../jobStore";
import { FigureBudget } from "./FigureBudget";
import { useEditSurface } from "../useSurface";
import { useView } from "../viewStore";

interface Known {
  readonly surfaceId: string;
  readonly shared: EffortShared;
}

/** How the surface's marks are shared out, from the worker; while that works the former answer for it stays. */
function useShared(surface: Surface): EffortShared | null {
  const job = useDesign();
  const [known, setKnown] = useState<Known | null>(null);
  useEffect(() => {
    let gone = false;
    const answer = (shared: EffortShared) => {
      if (!gone) setKnown({ surfaceId: surface.id, shared });
    };
    simulationWorker().ask("effort", { job, surfaceId: surface.id }, { answer });
    return () => {
      gone = true;
    };
  }, [job, surface.id]);
  return known?.surfaceId === surface.id ? known.shared : null;
}

const whole = (count: number): string => formatNumber(count, 0);
const percent = (share: number): string => `${formatNumber(100 * share, 0)}\u202f%`;

/** What the budget does, in a sentence. */
function told({ full, kept, thirds }: EffortShared, minutesOf: (marks: number) => number): string {
  if (full < 0.5) return "No coat here sets its marks one by one.";
  const all = `${whole(full)} strokes, ${formatMinutes(minutesOf(full))} by your rates`;
  const [best, next, last] = thirds.map(percent);
  const where = `the third that is worth most gets ${best}, the next ${next}, the last ${last}.`;
  return kept > 0.995 * full
    ? `All are painted: ${all}; ${where}`
    : `Painted are ${whole(kept)} of ${all}: ${formatMinutes(minutesOf(kept))}; ${where}`;
}

const SOURCES: readonly { readonly name: "seen" | "lit"; readonly label: string; readonly about: string }[] =
  [
    {
      name: "seen",
      label: "Kept for what is seen",
      about: "From the front, the player's side, above and both sides, as the figure stands.",
    },
    { name: "lit", label: "Kept for what is lit", about: "By the value plan: lights before shadows." },
  ];

interface BudgetProps {
  readonly surface: Surface;
  readonly effort: Effort;
  readonly minutesPerMark: number;
}

function Budget({ surface, effort, minutesPerMark }: BudgetProps) {
  const editSurface = useEditSurface();
  const { light, set } = useView();
  const change = (part: Partial<Effort>) =>
    editSurface(surface.id, (now) => (now.effort ? { ...now, effort: { ...now.effort, ...part } } : now));
  const most = Math.floor(1_000_000 * minutesPerMark);
  return (
    <>
      <Box sx={{ display: "flex", gap: 2, flexWrap: "wrap", alignItems: "flex-start", mt: 1.5 }}>
        <NumberField
          label="Minutes at most"
          unit="min"
          width={150}
          min={1}
          max={Math.max(1, most)}
          value={Math.max(1, Math.round(10 * effort.marks * minutesPerMark) / 10)}
          onChange={(minutes) => change({ marks: Math.max(1, Math.round(minutes / minutesPerMark)) })}
        />
        <NumberField
          label="Strokes at most"
          whole
          width={150}
          min={1}
          max={1_000_000}
          step={10}
          value={effort.marks}
          onChange={(marks) => change({ marks })}
        />
        <Button
          variant="outlined"
          aria-pressed={light === "effort"}
          onClick={() => set({ light: light === "effort" ? "colour" : "effort" })}
        >
          {light === "effort" ? "Show the paint" : "Show the map"}
        </Button>
      </Box>
      <Box role="group" aria-label="Where strokes are worth their minutes" sx={{ ...SLIDERS, mt: 1 }}>
        {SOURCES.map(({ name, ...source }) => (
          <SliderSetting
            key={name}
            {...source}
            {...{ unit: "%", range: [0, 100], step: 5 }}
            value={effort[name]}
            onChange={(value) => change({ [name]: value })}
          />
        ))}
      </Box>
    </>
  );
}

/** How much time the marks of this surface may take, and where they are worth it. */
export function EffortView({ surface }: { readonly surface: Surface }) {
  const editSurface = useEditSurface();
  const { light, set } = useView();
  const shared = useShared(surface);
  const minutesPerMark = strokeMinutes(usePainter());
  const { effort } = surface;
  const begin = () => {
    const marks = Math.max(1, Math.round((shared?.full ?? 2) / 2));
    editSurface(surface.id, (now) => ({ ...now, effort: { marks, ...USUAL_EFFORT } }));
  };
  const end = () => {
    if (light === "effort") set({ light: "colour" });
    editSurface(surface.id, (now) => ({ ...now, effort: null }));
  };
  return (
    <Box sx={{ p: 2 }}>
      <Box sx={{ display: "flex", gap: 2, alignItems: "center", flexWrap: "wrap" }}>
        <Typography role="status" sx={{ flex: 1, minWidth: 260 }}>
          {shared ? told(shared, (marks) => marks * minutesPerMark) : "Counting its marks"}
        </Typography>
        {effort ? (
          <Button onClick={end}>Without a budget</Button>
        ) : (
          <Button variant="outlined" onClick={begin} disabled={!shared || shared.full < 2}>
            Keep to a budget
          </Button>
        )}
      </Box>
      {effort && <Budget {...{ surface, effort, minutesPerMark }} />}
      <FigureBudget key={surface.figureId} surface={surface} />
    </Box>
  );
}
