import { Box } from "@mui/material";
import { formatNumber } from "../../../../core/units";

interface Part {
  readonly id: string;
  readonly name: string;
  /** 0…1 */
  readonly share: number;
  readonly hex: string;
}

/** Colours side by side, each as wide as its share. */
export function ShareStrip({ parts }: { readonly parts: readonly Part[] }) {
  const words = parts.map(({ name, share }) => `${name} ${formatNumber(share * 100, 1)} %`).join(", ");
  return (
    <Box role="img" aria-label={`Shares that show: ${words}`} sx={{ display: "flex", height: 22 }}>
      {parts.map(({ id, share, hex }) => (
        <Box key={id} sx={{ flexGrow: Math.max(0, share), flexBasis: 0, bgcolor: hex }} />
      ))}
    </Box>
  );
}
