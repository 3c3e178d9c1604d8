import { Alert, Box, Button, Typography } from "@mui/material";
import { useEffect, useRef, useState } from "react";
import type { FoundGlaze } from "../../../../core/colour/glazeFinder";
import { differenceInWords } from "../../../../core/colour/difference";
import { hexToLab, spectrumToHex } from "../../../../core/colour/spaces";
import { hexToSpectrum } from "../../../../core/colour/spectrum";
import { partsText } from "../../../../core/plan/cardText";
import { counted, formatNumber, formatThinning } from "../../../../core/units";
import { taskWorker } from "../../../../worker/client";
import { useEdit, useJob, usePaints } from "../../jobStore";
import { ColourField } from "../../../pots/ColourField";
import { SearchProgress } from "./AnswerList";
import { withNewMix } from "../../../../core/edits/mixes";
import { Question } from "./Question";

const TONES = ["shadow", "middle", "light"] as const;
type State =
  | { readonly kind: "busy"; readonly done: number; readonly total: number }
  | { readonly kind: "found"; readonly glazes: readonly FoundGlaze[] }
  | { readonly kind: "failed"; readonly message: string }
  | null;

const START = { ground: ["#6d6a63", "#a39c8e", "#d6d0c2"], goal: ["#4d4234", "#85704f", "#bda983"] };

function Body() {
  const job = useJob();
  const paints = usePaints();
  const edit = useEdit();
  const [colours, setColours] = useState(START);
  const [state, setState] = useState<State>(null);
  const asked = useRef<number | null>(null);
  const stop = () => {
    if (asked.current !== null) {
      taskWorker().cancel(asked.current);
      taskWorker().forget(asked.current);
    }
    asked.current = null;
    setState(null);
  };
  useEffect(
    () => () => {
      if (asked.current !== null) taskWorker().cancel(asked.current);
    },
    [],
  );
  const ask = () => {
    stop();
    setState({ kind: "busy", done: 0, total: 1 });
    const tones = TONES.map((_, at) => ({
      ground: hexToSpectrum(colours.ground[at]!),
      goal: hexToLab(colours.goal[at]!),
    }));
    const usable = paints.filter(
      (paint) =>
        (paint.state === "have" || paint.state === "low") &&
        ["paint", "clear", "ink", "wash"].includes(paint.kind),
    );
    asked.current = taskWorker().ask(
      "glazes",
      { paints: usable, tones },
      {
        progress: (done, total) => setState({ kind: "busy", done, total }),
        answer: (glazes) => setState({ kind: "found", glazes }),
        failed: (message) => setState({ kind: "failed", message }),
      },
    );
  };
  const set = (which: "ground" | "goal", at: number) => (hex: string) => {
    stop();
    setColours((now) => ({ ...now, [which]: now[which].map((one, k) => (k === at ? hex : one)) }));
  };
  return (
    <>
      {TONES.map((tone, at) => (
        <Box key={tone} sx={{ display: "grid", gap: 1 }}>
          <Box sx={{ display: "flex", height: 18 }}>
            <Box sx={{ flex: 1, bgcolor: colours.ground[at]! }} />
            <Box sx={{ flex: 1, bgcolor: colours.goal[at]! }} />
          </Box>
          <ColourField label={`The ${tone} is`} value={colours.ground[at]!} onChange={set("ground", at)} />
          <ColourField label={`The ${tone} shall be`} value={colours.goal[at]!} onChange={set("goal", at)} />
        </Box>
      ))}
      <Button variant="outlined" disabled={state?.kind === "busy"} onClick={ask}>
        Find glazes
      </Button>
      {state?.kind === "busy" && <SearchProgress done={state.done} total={state.total} onCancel={stop} />}
      {state?.kind === "failed" && (
        <Alert severity="error" variant="outlined">
          {state.message}
        </Alert>
      )}
      {state?.kind === "found" && state.glazes.length === 0 && (
        <Typography>No pot at hand can glaze.</Typography>
      )}
      {state?.kind === "found" &&
        state.glazes.map((glaze) => (
          <Box key={JSON.stringify(glaze.parts)} sx={{ borderTop: 1, borderColor: "divider", pt: 1 }}>
            <Box sx={{ display: "flex", height: 26 }}>
              {glaze.spectra.map((spectrum, at) => (
                <Box
                  key={at}
                  title={`${TONES[at]}: off by ${formatNumber(glaze.differences[at]!, 1)}`}
                  sx={{ flex: 1, bgcolor: spectrumToHex(spectrum) }}
                />
              ))}
            </Box>
            <Box sx={{ display: "flex", alignItems: "center" }}>
              <Typography sx={{ flex: 1 }}>
                {partsText(glaze.parts, paints)}, {formatThinning(glaze.water)},{" "}
                {counted(glaze.coats, "coat")}
                <Box component="span" sx={{ color: "text.secondary", display: "block" }}>
                  off by {glaze.differences.map((value) => formatNumber(value, 1)).join(", ")};{" "}
                  {differenceInWords(Math.max(...glaze.differences))}
                </Box>
              </Typography>
              <Button
                sx={{ minWidth: 0 }}
                onClick={() =>
                  edit((now) => withNewMix(now, `Glaze ${now.mixes.length + 1}`, glaze.parts, glaze.water))
                }
              >
                Take
              </Button>
            </Box>
          </Box>
        ))}
      <Typography variant="caption">
        Differences are those of {TONES.join(", ")}. Take makes a new mix of {job.name}.
      </Typography>
    </>
  );
}

/** Which glaze carries these three tones to those? */
export function GlazeQuestion() {
  return <Question title="Which glaze carries these tones?">{() => <Body />}</Question>;
}
