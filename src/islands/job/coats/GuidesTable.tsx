import {
  Box,
  Button,
  LinearProgress,
  Table,
  TableBody,
  TableCell,
  TableHead,
  TableRow,
  Typography,
} from "@mui/material";
import type { Surface } from "../../../core/job";
import { writeGaugeSvg } from "../../../core/formats/gauge-svg/gaugeSvg";
import { familyIn } from "../../../core/patterns";
import type { GuideTable } from "../../../core/patterns/family";
import { saveFile } from "../../../ui/api";
import { useJob } from "../jobStore";
import { useGuides } from "../useGuides";
import { GuideSheet } from "./GuideSheet";

const cell = { py: 0.3, px: 1, fontSize: 13 } as const;

function OneTable({ table }: { readonly table: GuideTable }) {
  return (
    <Box>
      <Typography variant="h3">{table.title}</Typography>
      <Table size="small" aria-label={table.name}>
        <TableHead>
          <TableRow>
            {table.head.map((head) => (
              <TableCell key={head} sx={{ ...cell, color: "text.secondary" }}>
                {head}
              </TableCell>
            ))}
          </TableRow>
        </TableHead>
        <TableBody>
          {table.rows.map((row, at) => (
            <TableRow key={at}>
              {row.map((text, column) => (
                <TableCell key={column} sx={cell}>
                  {text}
                </TableCell>
              ))}
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </Box>
  );
}

/** Where every line and piece of the pattern lies, and the sheet to print. */
export function GuidesTable({ surface }: { readonly surface: Surface }) {
  const job = useJob();
  const guides = familyIn(surface)?.guides;
  const state = useGuides(surface);
  if (state === "busy") return <LinearProgress aria-label="Drawing the guides" />;
  if ("problem" in state) return <Typography sx={{ p: 2 }}>{state.problem}</Typography>;
  const made = state.guides;
  if (!guides || !made)
    return <Typography sx={{ p: 2 }}>No guides until sizes and pattern are mended.</Typography>;
  const save = () =>
    saveFile(
      `${job.id}-${surface.id}-guides.svg`,
      writeGaugeSvg(made.pieces, `${job.name}: ${surface.name}`),
      "image/svg+xml",
    );
  return (
    <Box sx={{ p: 2 }}>
      <Box
        sx={{
          display: "grid",
          gap: 2,
          gridTemplateColumns: "repeat(auto-fit, minmax(300px, 1fr))",
          alignItems: "start",
        }}
      >
        {made.tables.map((table) => (
          <OneTable key={table.name} table={table} />
        ))}
      </Box>
      {made.pieces.map((piece) => (
        <GuideSheet key={piece.title} piece={piece} />
      ))}
      <Typography variant="caption" component="p">
        {made.note}
      </Typography>
      <Button sx={{ mt: 1 }} variant="outlined" onClick={save}>
        {guides.title} as SVG, 1 : 1
      </Button>
    </Box>
  );
}
