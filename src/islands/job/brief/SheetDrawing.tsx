import { Box, Typography, useTheme } from "@mui/material";
import { useMemo } from "react";
import type { SurfaceForm } from "../../../core/surface/forms/form";
import { fieldsOf } from "../../../core/surface/fields";
import { buildGrid } from "../../../core/surface/grid";
import { formatNumber } from "../../../core/units";
import { Picture } from "../../../ui/Picture";
import { BareStill } from "./BareStill";

const mm = (value: number) => `${formatNumber(value, 1)}\u202fmm`;
const CELLS = 24_000;

/** The relief under the lamp, as the bare primed piece looks. */
function useRelief(form: SurfaceForm) {
  return useMemo(() => {
    const { minX, maxX, minY, maxY } = form.bounds;
    const grid = buildGrid(form, Math.sqrt(((maxX - minX + 1.2) * (maxY - minY + 1.2)) / CELLS));
    const rgba = new Uint8ClampedArray(grid.width * grid.height * 4);
    const { light } = fieldsOf(grid);
    for (let at = 0; at < light.length; at++) {
      const grey = Math.min(255, 168 * light[at]! ** 0.6);
      rgba.set([grey, grey, grey, 255 * grid.inside[at]!], at * 4);
    }
    return { rgba, width: grid.width, height: grid.height };
  }, [form]);
}

interface Props {
  readonly surfaceId: string;
  readonly form: SurfaceForm;
  /** The size whose field has the focus. */
  readonly active: string | null;
}

/** A piece as it stands, and unrolled with its sizes; the relief as the lamp shows it. */
export function SheetDrawing({ surfaceId, form, active }: Props) {
  const { palette } = useTheme();
  const picture = useRelief(form);
  const { minX, maxX, minY, maxY } = form.bounds;
  const [length, width] = [maxX - minX, maxY - minY];
  // What is measured round a limb lies across the drawing, its length up and down.
  const upright = form.closed;
  const isLength = active === "lengthMm" ? !upright : active === "roundMm";
  const isWidth = active === "widthMm" || (upright && active === "lengthMm");
  return (
    <Box sx={{ height: "100%", p: 3, display: "flex", flexDirection: "column", gap: 1, minHeight: 0 }}>
      <BareStill surfaceId={surfaceId} />
      <Typography variant="body2">
        Unrolled: {formatNumber(form.areaMm2, 0)}&#8239;mm²
        {form.round ? ", its front below" : form.closed ? ", both ends meet behind" : ""}
      </Typography>
      <Box
        sx={{
          flex: 1,
          minHeight: 0,
          display: "grid",
          gridTemplateColumns: "1fr auto",
          alignContent: "center",
          columnGap: 1.5,
          rowGap: 1,
          maxWidth: Math.min(760, Math.max(160, (length / width) * 240)),
          mx: "auto",
          width: "100%",
        }}
      >
        <Picture pixels={picture} label="The bare piece under the lamp" cssWidth="100%" />
        <Typography
          sx={{
            alignSelf: "center",
            pl: 1,
            borderLeft: 2,
            borderColor: isWidth ? "primary.main" : palette.divider,
            color: isWidth ? "primary.main" : "text.secondary",
          }}
        >
          {mm(width)}
        </Typography>
        <Typography
          sx={{
            textAlign: "center",
            pt: 0.5,
            borderTop: 2,
            borderColor: isLength ? "primary.main" : palette.divider,
            color: isLength ? "primary.main" : "text.secondary",
          }}
        >
          {mm(length)}
        </Typography>
      </Box>
    </Box>
  );
}
