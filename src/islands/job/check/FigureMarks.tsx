import { Box } from "@mui/material";
import { useMemo } from "react";
import { Picture } from "../../../ui/Picture";
import type { FigureJudgement } from "../../../core/figure/judge";
import { useFigureLook, useJudgedStance } from "../figure/figureLook";

/** How dark that is which draws nobody, 0…255. */
const DIMMEST = 190;

/** The figure dimmed but for what draws the eye. */
function Drawn({ salience, figure }: Pick<FigureJudgement, "salience" | "figure">) {
  const pixels = useMemo(() => {
    const { width, height, values } = salience;
    const rgba = new Uint8ClampedArray(width * height * 4);
    values.forEach((draw, at) => {
      rgba[at * 4 + 3] = DIMMEST * (1 - Math.sqrt(draw)) * figure.values[at]!;
    });
    return { rgba, width, height };
  }, [salience, figure]);
  return (
    <Box sx={{ position: "absolute", inset: 0, pointerEvents: "none" }}>
      <Picture
        pixels={pixels}
        label="Where the eye is drawn: the rest is dimmed"
        cssWidth="100%"
        cssHeight="100%"
      />
    </Box>
  );
}

/** What a judgement shows on the figure it was made of: seen from where it was judged. */
export function FigureMarks({ answer }: { readonly answer: FigureJudgement | null }) {
  const { turnDeg, tiltDeg, mark, drawn } = useFigureLook();
  const from = useJudgedStance();
  if (turnDeg !== from.turnDeg || tiltDeg !== from.tiltDeg) return null;
  return (
    <>
      {answer && drawn && <Drawn salience={answer.salience} figure={answer.figure} />}
      {mark && (
        <svg
          viewBox="0 0 100 100"
          preserveAspectRatio="none"
          role="img"
          aria-label={`Marked: ${mark.name}`}
          style={{ position: "absolute", inset: 0, width: "100%", height: "100%", pointerEvents: "none" }}
        >
          {["#000", "#fff"].map((colour, at) => (
            <ellipse
              key={colour}
              cx={mark.x * 100}
              cy={mark.y * 100}
              rx={5}
              ry={4.2}
              fill="none"
              stroke={colour}
              strokeWidth={at === 0 ? 4 : 2}
              vectorEffect="non-scaling-stroke"
            />
          ))}
        </svg>
      )}
    </>
  );
}
