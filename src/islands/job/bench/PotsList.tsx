import { Box, Typography } from "@mui/material";
import type { Card } from "../../../core/plan/cards";
import { shopping, type PotWanted } from "../../../core/plan/shopping";
import { counted, formatNumber } from "../../../core/units";
import { Row } from "../../../ui/Row";
import { usePaints } from "../jobStore";

const STATES: Readonly<Record<PotWanted["state"], string | null>> = {
  have: null,
  low: "low",
  out: "empty",
  wanted: "wanted, not there yet",
  missing: "not on the shelf",
};

/** What is said of a pot that is not simply at hand; null where it is. */
export function lackText({ state, replacement }: PotWanted): string | null {
  const lack = STATES[state];
  if (lack === null) return null;
  if (!replacement) return `${lack}; nothing of its kind is at hand`;
  return `${lack}; nearest at hand: ${replacement.name} (CIEDE2000 ${formatNumber(replacement.difference, 1)})`;
}

/** What all cards take out of every pot; pots that are low or missing say so. */
export function PotsList({ cards }: { readonly cards: readonly Card[] }) {
  const pots = shopping(cards, usePaints());
  return (
    <>
      {pots.map((pot) => {
        const lack = lackText(pot);
        return (
          <Box key={pot.id}>
            <Row name={lack === null ? pot.name : `\u26a0 ${pot.name}`}>
              {counted(pot.drops, "drop")}, {formatNumber(pot.ml, 2)}&#8239;ml
            </Row>
            {lack !== null && (
              <Typography variant="caption" component="div" sx={{ mb: 0.5 }}>
                {lack}
              </Typography>
            )}
          </Box>
        );
      })}
    </>
  );
}
