import { Box, Button, Slider, Typography, useTheme } from "@mui/material";
import { formatNumber } from "../../core/units";
import { USUAL_PX_PER_MM, usePrefs } from "../../ui/prefs";

/** A bank card as the standard makes it, mm. Source: ISO/IEC 7810, format ID-1. */
const CARD = { width: 85.6, height: 53.98, corner: 3.18 } as const;

/** Finds how large a millimetre is on this screen, with a bank card laid on it. */
export function TrueSize() {
  const { pxPerMm, setPxPerMm } = usePrefs();
  const { palette } = useTheme();
  const scale = pxPerMm ?? USUAL_PX_PER_MM;
  return (
    <Box sx={{ mt: 4, display: "grid", gap: 1.5, maxWidth: 560 }}>
      <Typography variant="h2">True size on this screen</Typography>
      <Typography variant="body2">
        Lay a bank card on the screen and drag until the outline is as large as the card. The Coats stage can
        then show a surface as large as it is on the figure.
      </Typography>
      <Slider
        aria-label="Size of the outline, pixels to a millimetre"
        min={2}
        max={12}
        step={0.02}
        value={scale}
        onChange={(_event, value) => setPxPerMm(value)}
      />
      <Box sx={{ overflow: "auto" }}>
        <svg
          width={CARD.width * scale + 2}
          height={CARD.height * scale + 2}
          role="img"
          aria-label="Outline of a bank card"
          style={{ display: "block" }}
        >
          <rect
            x={1}
            y={1}
            width={CARD.width * scale}
            height={CARD.height * scale}
            rx={CARD.corner * scale}
            fill="none"
            stroke={palette.text.primary}
          />
          <text x={12} y={24} fontSize={13} fill={palette.text.primary}>
            85.6 × 54.0 mm
          </text>
        </svg>
      </Box>
      <Box sx={{ display: "flex", gap: 2, alignItems: "center" }}>
        <Typography>
          {pxPerMm === null
            ? "Not measured yet: the usual size is taken."
            : `${formatNumber(pxPerMm, 2)} pixels to a millimetre.`}
        </Typography>
        <Button disabled={pxPerMm === null} onClick={() => setPxPerMm(null)}>
          Forget it
        </Button>
      </Box>
    </Box>
  );
}
