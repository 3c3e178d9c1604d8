import {
  Alert,
  Box,
  Button,
  LinearProgress,
  ToggleButton,
  ToggleButtonGroup,
  Typography,
} from "@mui/material";
import { useState } from "react";
import { swatchOfMix } from "../../../../core/colour/appearance";
import { differenceInWords, directionInWords } from "../../../../core/colour/difference";
import type { FoundMix } from "../../../../core/colour/search";
import { spectrumToHex, type Triple } from "../../../../core/colour/spaces";
import { partsText } from "../../../../core/plan/cardText";
import { counted, formatNumber } from "../../../../core/units";
import { usePaints } from "../../jobStore";
import type { Found } from "./useFoundMixes";

interface Props {
  readonly found: Found;
  readonly onCancel: () => void;
  readonly onTake: (found: FoundMix) => void;
  /** What taking one does. */
  readonly note: string;
}

interface AnswerProps {
  readonly found: FoundMix;
  readonly goal: Triple;
  /** Off by so much, CIEDE2000, is the nearest there is. */
  readonly nearest: number;
  readonly onTake: () => void;
}

/** What a simpler recipe costs in nearness. */
const costText = (cost: number) => (cost < 0.05 ? "" : `, ${formatNumber(cost, 1)} more than the nearest`);

function Answer({ found, goal, nearest, onTake }: AnswerProps) {
  const paints = usePaints();
  const colour = spectrumToHex(swatchOfMix({ parts: found.parts }, paints));
  const direction = found.difference < 1 ? "" : directionInWords(goal, found.lab);
  return (
    <Box sx={{ display: "flex", alignItems: "center", gap: 1, py: 1, borderTop: 1, borderColor: "divider" }}>
      <Box sx={{ width: 38, height: 30, bgcolor: colour, flexShrink: 0 }} />
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <Typography>{partsText(found.parts, paints)}</Typography>
        <Typography variant="body2">
          off by {formatNumber(found.difference, 1)}
          {costText(found.difference - nearest)}, {differenceInWords(found.difference)}
          {direction === "" ? "" : `: ${direction}`}
        </Typography>
      </Box>
      <Button onClick={onTake} sx={{ minWidth: 0 }}>
        Take
      </Button>
    </Box>
  );
}

/** How far a search is, with the way out. */
export function SearchProgress({
  done,
  total,
  onCancel,
}: {
  readonly done: number;
  readonly total: number;
  readonly onCancel: () => void;
}) {
  return (
    <Box sx={{ display: "flex", alignItems: "center", gap: 1 }}>
      <LinearProgress
        aria-label="Searching"
        sx={{ flex: 1 }}
        {...(done > 0 ? { variant: "determinate", value: Math.min(100, (100 * done) / total) } : {})}
      />
      <Button onClick={onCancel}>Stop</Button>
    </Box>
  );
}

/** Mixes found: as a painter would mix them, or strictly the nearest first. */
export function AnswerList({ found, onTake, onCancel, note }: Props) {
  const [exact, setExact] = useState(false);
  if (found === null) return null;
  if (found.kind === "busy")
    return <SearchProgress done={found.done} total={found.total} onCancel={onCancel} />;
  if (found.kind === "failed") {
    return (
      <Alert severity="error" variant="outlined">
        {found.message}
      </Alert>
    );
  }
  const { mixes, simple, four, pots, inThrees } = found.answer;
  const nearest = Math.min(...mixes.map(({ difference }) => difference));
  if (mixes.length === 0) return <Typography>No pot at hand can be mixed.</Typography>;
  const tried =
    inThrees === pots
      ? `Every mix of up to three of ${counted(pots, "pot")} in parts to 6 was tried.`
      : `Every pair of ${pots} pots was tried, threes among the ${inThrees} that lie furthest apart.`;
  return (
    <Box>
      <ToggleButtonGroup
        exclusive
        size="small"
        aria-label="Which come first"
        value={exact}
        onChange={(_event, next: boolean | null) => next !== null && setExact(next)}
        sx={{ mb: 0.5 }}
      >
        <ToggleButton value={false}>Least bother</ToggleButton>
        <ToggleButton value={true}>Nearest</ToggleButton>
      </ToggleButtonGroup>
      {(exact ? mixes : simple).map((one) => (
        <Answer
          key={JSON.stringify(one.parts)}
          {...{ found: one, goal: found.goal, nearest }}
          onTake={() => onTake(one)}
        />
      ))}
      {four.length > 0 && (
        <Typography variant="body2" sx={{ borderTop: 1, borderColor: "divider", pt: 1 }}>
          With four pots, approximate: better ones may exist
        </Typography>
      )}
      {four.map((one) => (
        <Answer
          key={JSON.stringify(one.parts)}
          {...{ found: one, goal: found.goal, nearest }}
          onTake={() => onTake(one)}
        />
      ))}
      <Typography variant="caption">
        {exact ? "" : "Few pots, small parts and pots in use come first. "}
        {tried} {note}
      </Typography>
    </Box>
  );
}
