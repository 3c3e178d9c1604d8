import { Typography } from "@mui/material";
import type { Specimen } from "../../../core/simulate/simulator";

interface Props {
  readonly specimen: Pick<Specimen, "reduced" | "pitchMm">;
  /** Times its own size; null for true size. */
  readonly enlarged: number | null;
}

/** How large it is drawn, and how fine. */
export function SizeCaption({ specimen, enlarged }: Props) {
  return (
    <Typography
      sx={{
        position: "absolute",
        right: 10,
        bottom: 6,
        color: "#fff",
        textShadow: "0 0 3px #000, 0 0 3px #000",
      }}
    >
      {specimen.reduced
        ? `drawn in cells of ${specimen.pitchMm.toFixed(2)}\u202fmm, coarser than your line · `
        : ""}
      {enlarged === null ? "true size" : `${enlarged.toFixed(1)}\u202f× its size`}
    </Typography>
  );
}
