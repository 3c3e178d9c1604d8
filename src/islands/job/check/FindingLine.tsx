import { Box, Button, Typography } from "@mui/material";
import { useView } from "../viewStore";
import type { Finding, Gravity, Remedy } from "../../../core/checks/finding";

const WORDS: Readonly<Record<Gravity, string>> = { must: "Must", look: "Look", note: "Note" };
const GLYPHS: Readonly<Record<Gravity, string>> = {
  must: "M8 1.5 15 14H1zM8 6v4M8 11.7v.6",
  look: "M1.5 8C4 4 12 4 14.5 8 12 12 4 12 1.5 8zM8 6.5a1.5 1.5 0 1 0 .01 0z",
  note: "M8 2a6 6 0 1 0 .01 0zM8 7v4.5M8 4.6v.6",
};

interface Props {
  readonly finding: Finding;
  readonly onRemedy: (remedy: Remedy) => void;
  /** Leaves the place and the reason out. */
  readonly short?: boolean;
}

/** One verdict: glyph and word, sentence, reason, and what mends it. */
export function FindingLine({ finding, onRemedy, short = false }: Props) {
  const { gravity, sentence, reason, where: place, remedies, spots = [] } = finding;
  const shown = useView((view) => view.findingId === finding.id);
  const set = useView((view) => view.set);
  return (
    <Box
      component="article"
      aria-label={`${WORDS[gravity]}: ${place}`}
      sx={{
        border: 1,
        borderLeft: 3,
        borderColor: "divider",
        borderLeftColor:
          gravity === "must" ? "text.primary" : gravity === "look" ? "text.secondary" : "divider",
        px: 1.2,
        py: 1,
        bgcolor: "background.paper",
      }}
    >
      <Typography>
        <svg
          width="14"
          height="14"
          viewBox="0 0 16 16"
          aria-hidden="true"
          fill="none"
          stroke="currentColor"
          strokeWidth="1.4"
          style={{ verticalAlign: "-2px", marginRight: 6 }}
        >
          <path d={GLYPHS[gravity]} />
        </svg>
        <b>{WORDS[gravity]}:</b> {sentence}
      </Typography>
      {!short && (
        <Typography variant="body2" sx={{ mt: 0.3 }}>
          {place}. {reason}
        </Typography>
      )}
      <Box sx={{ display: "flex", gap: 1.5, flexWrap: "wrap" }}>
        {spots.length > 0 && (
          <Button
            sx={{ px: 0, minWidth: 0 }}
            aria-pressed={shown}
            onClick={() =>
              set(
                shown
                  ? { findingId: null }
                  : { findingId: finding.id, surfaceId: finding.surfaceId, shape: "flat" },
              )
            }
          >
            {shown ? "Hide them" : "Show them"}
          </Button>
        )}
        {remedies.map((remedy) => (
          <Button
            key={remedy.label}
            sx={{ px: 0, minWidth: 0, fontWeight: 600 }}
            onClick={() => onRemedy(remedy)}
          >
            {remedy.label}
          </Button>
        ))}
      </Box>
    </Box>
  );
}
