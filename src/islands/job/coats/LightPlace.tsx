import { Box, Typography, useTheme } from "@mui/material";
import type { PaintedLight } from "../../../core/job";
import { FlatPlace, type FlatPoint } from "../FlatPlace";
import { useDesign } from "../jobStore";

interface Props {
  readonly light: PaintedLight;
  readonly onMove: (place: FlatPoint) => void;
}

/** The light's disc, and the ring where half of it is left. */
function Disc({ light, line }: { readonly light: PaintedLight; readonly line: number }) {
  const { palette } = useTheme();
  return (
    <>
      <circle r={light.reachMm} fill="none" stroke="#000" strokeWidth={line * 2.4} opacity={0.5} />
      <circle
        r={light.reachMm}
        fill="none"
        stroke="#fff"
        strokeWidth={line}
        strokeDasharray={`${line * 5}`}
      />
      <circle
        r={Math.max(light.widthMm / 2, line * 3)}
        fill={light.colour}
        stroke={palette.primary.light}
        strokeWidth={line * 1.6}
      />
    </>
  );
}

/** Where a light sits, put there by hand on the piece laid flat. */
export function LightPlace({ light, onMove }: Props) {
  const job = useDesign();
  const surface = job.surfaces.find(({ id }) => id === light.surfaceId);
  if (!surface) return null;
  return (
    <Box sx={{ display: "grid", gap: 0.5 }}>
      <FlatPlace
        key={surface.id}
        {...{ job, surface, place: light, onMove, name: light.name }}
        draw={(line) => <Disc light={light} line={line} />}
      />
      <Typography variant="body2">
        Press where it is to sit, or drag it there; half of its light is left at the dashed ring.
      </Typography>
    </Box>
  );
}
