import { Box, Button, Typography } from "@mui/material";
import { useState, type PointerEvent } from "react";
import type { PhotoPoint } from "../../core/plate/marks";
import { Picture } from "../../ui/Picture";
import type { PlateAnswer } from "../../worker/questions/plate";

const NAMES = ["with a dot", "next to it, clockwise", "across from it", "the last"] as const;

interface Props {
  readonly answer: PlateAnswer;
  readonly simulated: boolean;
  readonly onMarks: (marks: readonly PhotoPoint[]) => void;
}

/** Where marks are, over the photo. */
function MarksDrawn({
  answer,
  points,
}: {
  readonly answer: PlateAnswer;
  readonly points: readonly PhotoPoint[];
}) {
  const { width, height } = answer.picture;
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      aria-hidden
      style={{ position: "absolute", inset: 0, width: "100%", height: "100%", pointerEvents: "none" }}
    >
      {points.map(([x, y], at) => (
        <g key={at} stroke="#ff2fa0" strokeWidth={width / 350} fill="none">
          <circle cx={x} cy={y} r={width / 60} />
          <path d={`M${x - width / 40} ${y}h${width / 20}M${x} ${y - width / 40}v${width / 20}`} />
        </g>
      ))}
    </svg>
  );
}

/** The photo of a plate with the marks that were found; where they were not, they are pointed at one after another. */
export function PlatePhoto({ answer, simulated, onMarks }: Props) {
  const [points, setPoints] = useState<readonly PhotoPoint[] | null>(null);
  const { picture, reading } = answer;
  const point = (event: PointerEvent<HTMLElement>) => {
    if (!points) return;
    const box = event.currentTarget.getBoundingClientRect();
    const at = [
      ((event.clientX - box.left) / box.width) * picture.width,
      ((event.clientY - box.top) / box.height) * picture.height,
    ] as const;
    const next = [...points, at];
    setPoints(next.length < 4 ? next : null);
    if (next.length === 4) onMarks(next);
  };
  return (
    <Box sx={{ maxWidth: 620 }}>
      <Box
        onPointerDown={point}
        sx={{ position: "relative", lineHeight: 0, cursor: points ? "crosshair" : "default" }}
      >
        <Picture
          pixels={picture}
          label={simulated ? "Photo of a test plate, simulated" : "Photo of the test plate"}
          cssWidth="100%"
        />
        <MarksDrawn answer={answer} points={points ?? reading?.marks ?? []} />
      </Box>
      <Box sx={{ display: "flex", alignItems: "center", gap: 1, mt: 0.5 }}>
        <Typography variant="body2" sx={{ flex: 1 }}>
          {points
            ? `Press the middle of mark ${points.length + 1} of 4: ${NAMES[points.length]!}.`
            : simulated
              ? "Simulated: no such hand exists. It shows what a photo tells."
              : "Marks that were found are ringed."}
        </Typography>
        <Button onClick={() => setPoints(points ? null : [])}>
          {points ? "Leave the marks" : "Point at the marks"}
        </Button>
      </Box>
    </Box>
  );
}
