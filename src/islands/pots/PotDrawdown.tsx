import { Box, Typography } from "@mui/material";
import { metalTones } from "../../core/colour/metal";
import { paintOptics } from "../../core/colour/appearance";
import { masstone } from "../../core/colour/film";
import { underFinish, VEIL } from "../../core/colour/finish";
import { spectrumToHex } from "../../core/colour/spaces";
import { FINISHES, type Paint } from "../../core/job";
import { potLook } from "./potLooks";

function Field({
  hex,
  label,
  edge,
}: {
  readonly hex: string;
  readonly label: string;
  readonly edge?: string;
}) {
  return (
    <Box sx={{ flex: 1, minWidth: 0 }}>
      <Box sx={{ display: "flex", height: 40 }}>
        {edge !== undefined && <Box sx={{ width: 8, bgcolor: edge }} />}
        <Box sx={{ flex: 1, bgcolor: hex }} title={`${label}: ${hex}`} />
      </Box>
      <Typography variant="caption" noWrap component="div">
        {label}
      </Typography>
    </Box>
  );
}

/** A pot drawn down: thick, one full coat over black and white, and under the other finishes; a metal lit and unlit. */
export function PotDrawdown({ paint }: { readonly paint: Paint }) {
  const look = potLook(paint);
  const thick = masstone(paintOptics(paint));
  const tones = metalTones(thick, 1);
  const others = FINISHES.filter((finish) => finish !== paint.finish && finish !== "satin");
  return (
    <Box sx={{ display: "flex", gap: 0.5 }} role="img" aria-label={`Drawdown of ${paint.name || "this pot"}`}>
      <Field hex={look.thick} label="thick" />
      <Field hex={look.overBlack} label="over black" edge="#0a0a0a" />
      <Field hex={look.overWhite} label="over white" edge="#f2f2f2" />
      {paint.kind === "metal" ? (
        <>
          <Field hex={spectrumToHex(tones.lit)} label="lit" />
          <Field hex={spectrumToHex(tones.unlit)} label="unlit" />
        </>
      ) : (
        others.map((finish) => (
          <Field
            key={finish}
            hex={spectrumToHex(underFinish(thick, VEIL[paint.finish], finish))}
            label={`under ${finish}`}
          />
        ))
      )}
    </Box>
  );
}
