import { Box, Button, Table, TableBody, TableCell, TableHead, TableRow, Typography } from "@mui/material";
import type { Surface } from "../../../core/job";
import { columnGuides, columnPositions, rowGuides } from "../../../core/patterns/sett/guides";
import { gaugePieces } from "../../../core/plan/gauge";
import { writeGaugeSvg } from "../../../core/formats/gauge-svg/gaugeSvg";
import { formatNumber } from "../../../core/units";
import { saveFile } from "../../../ui/api";
import { useJob } from "../jobStore";
import { useBuilt } from "../useSurface";

const cell = { py: 0.3, px: 1, fontSize: 13 } as const;
const mm = (value: number) => `${formatNumber(value, 2)}\u202fmm`;

/** Where every guide line lies: rows from hem and waist, columns in degrees of turn and mm from the seam. */
export function GuidesTable({ surface }: { readonly surface: Surface }) {
  const job = useJob();
  const { layout } = useBuilt(surface);
  if (!layout)
    return <Typography sx={{ p: 2 }}>No guides until sizes and thread count are mended.</Typography>;
  const { slantMm } = layout.form;
  const columns = columnGuides(layout);
  const rows = rowGuides(layout);
  const save = () =>
    saveFile(
      `${job.id}-${surface.id}-gauge.svg`,
      writeGaugeSvg(gaugePieces(layout), `${job.name}: ${surface.name}`),
      "image/svg+xml",
    );
  return (
    <Box
      sx={{
        p: 2,
        display: "grid",
        gap: 2,
        gridTemplateColumns: "repeat(auto-fit, minmax(300px, 1fr))",
        alignItems: "start",
      }}
    >
      <Box>
        <Typography variant="h3">{rows.length} row lines</Typography>
        <Table size="small" aria-label="Row guides">
          <TableHead>
            <TableRow>
              {["From the hem", "From the waist", "Between"].map((head) => (
                <TableCell key={head} sx={{ ...cell, color: "text.secondary" }}>
                  {head}
                </TableCell>
              ))}
            </TableRow>
          </TableHead>
          <TableBody>
            {rows.map((guide) => (
              <TableRow key={guide.heightMm}>
                <TableCell sx={cell}>{mm(guide.heightMm)}</TableCell>
                <TableCell sx={cell}>{mm(slantMm - guide.heightMm)}</TableCell>
                <TableCell sx={cell}>{guide.label}</TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
        <Button sx={{ mt: 1 }} variant="outlined" onClick={save}>
          Gauge strip as SVG, 1 : 1
        </Button>
      </Box>
      <Box>
        <Typography variant="h3">{columns.length} column lines</Typography>
        <Table size="small" aria-label="Column guides">
          <TableHead>
            <TableRow>
              {["Turn", "At the hem", "At the waist", "Between"].map((head) => (
                <TableCell key={head} sx={{ ...cell, color: "text.secondary" }}>
                  {head}
                </TableCell>
              ))}
            </TableRow>
          </TableHead>
          <TableBody>
            {columns.map((guide, at) => {
              const [hem] = columnPositions(layout, guide, [0]);
              const [waist] = columnPositions(layout, guide, [slantMm]);
              return (
                <TableRow key={at}>
                  <TableCell sx={cell}>{formatNumber((hem ?? waist)?.turnDeg ?? 0, 1)}°</TableCell>
                  <TableCell sx={cell}>{hem ? mm(hem.fromSeamMm) : "cut off"}</TableCell>
                  <TableCell sx={cell}>{waist ? mm(waist.fromSeamMm) : "cut off"}</TableCell>
                  <TableCell sx={cell}>{guide.label}</TableCell>
                </TableRow>
              );
            })}
          </TableBody>
        </Table>
        <Typography variant="caption">
          Millimetres along the cloth from the first seam, turning to the right.
        </Typography>
      </Box>
    </Box>
  );
}
