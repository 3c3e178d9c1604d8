import { Box, Typography } from "@mui/material";
import { dryerTime } from "../../../../core/plan/cardText";
import { dryerAmong, type Clock, type FilmState } from "../../../../core/plan/clocks";
import type { DryerSays } from "../../../../core/plan/dryer";
import { formatMinutes } from "../../../../core/units";
import { rangesText } from "../planWords";

/** What a film wants to be known for, and what it comes to next. */
const WORDS: Readonly<Record<FilmState, readonly [now: string, next: string]>> = {
  workable: ["can be worked", "sets in"],
  setting: ["sets: leave it alone", "touch dry in"],
  "touch dry": ["touch dry: paint on", "dry through in"],
  "dry through": ["dry through", ""],
};

/** Minutes and seconds while they are few: "4:05". */
export function leftText(minutes: number): string {
  if (minutes >= 60) return formatMinutes(minutes);
  const seconds = Math.ceil(minutes * 60);
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, "0")}`;
}

const dryerWords = (dryer: DryerSays): string =>
  dryer.kind === "may" ? `dryer: ${dryerTime(dryer.minutes)}` : `no dryer: ${dryer.why}`;

interface BoxProps {
  readonly clock: Clock;
  readonly dryer: DryerSays;
}

function ClockBox({ clock: { card, figures, state, left, dried }, dryer }: BoxProps) {
  const [now, next] = WORDS[state];
  const ready = state === "touch dry" || state === "dry through";
  return (
    <Box
      component="li"
      sx={{
        ...{ listStyle: "none", flexShrink: 0, width: 210, p: 1.25, border: 1, borderColor: "divider" },
        ...{ bgcolor: "background.paper", borderTopWidth: 4 },
        borderTopColor: ready ? "primary.main" : "text.secondary",
      }}
    >
      <Typography noWrap sx={{ fontWeight: 600 }}>
        {card.surface.name}
        {figures.length > 0 && ` ${rangesText(figures)}`}
      </Typography>
      <Typography variant="caption" component="div" noWrap>
        {card.title}
      </Typography>
      <Typography sx={{ fontSize: 18, lineHeight: "26px", fontVariantNumeric: "tabular-nums" }}>
        {now}
      </Typography>
      <Typography variant="body2" sx={{ fontVariantNumeric: "tabular-nums" }}>
        {next === "" ? "\u00a0" : `${next} ${leftText(left)}`}
      </Typography>
      {!ready && (
        <Typography variant="caption" component="div">
          {dryerWords(dryer)}
        </Typography>
      )}
      <Box sx={{ height: 4, mt: 0.5, bgcolor: "divider" }}>
        <Box
          sx={{
            height: 4,
            width: `${Math.round(100 * dried)}%`,
            bgcolor: ready ? "primary.main" : "text.secondary",
          }}
        />
      </Box>
    </Box>
  );
}

/** All that dries, side by side, what is ready next first. */
export function Clocks({ clocks }: { readonly clocks: readonly Clock[] }) {
  if (clocks.length === 0) return null;
  return (
    <Box
      component="ul"
      aria-label="What dries"
      tabIndex={0}
      sx={{ m: 0, px: 2, py: 1, display: "flex", gap: 1, overflowX: "auto", flexShrink: 0 }}
    >
      {clocks.map((clock) => (
        <ClockBox key={clock.id} clock={clock} dryer={dryerAmong(clock, clocks)} />
      ))}
    </Box>
  );
}
