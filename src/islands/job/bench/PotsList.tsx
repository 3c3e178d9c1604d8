import { Box, Typography } from "@mui/material";
import type { Card } from "../../../core/plan/cards";
import { lackText, mlText, shopping } from "../../../core/plan/shopping";
import { counted } from "../../../core/units";
import { Row } from "../../../ui/Row";
import { usePaints } from "../jobStore";

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
              {counted(pot.drops, "drop")}, {mlText(pot.ml)}
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
