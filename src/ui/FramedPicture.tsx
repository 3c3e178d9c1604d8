import { Box, Typography } from "@mui/material";
import { Picture, type Pixels } from "./Picture";
import { usePrefs } from "./prefs";
import { SURROUNDS } from "./theme";

/** Space between the picture and its frame, px. */
const EDGE_PX = 8;

interface Props {
  /** Undefined while it is painted, null where it cannot be. */
  readonly pixels: Pixels | null | undefined;
  readonly label: string;
  readonly caption: string;
  /** Height of the frame, px. */
  readonly high: number;
}

/** A simulated picture on the surround that is chosen, with what it shows below it; never an empty frame. */
export function FramedPicture({ pixels, label, caption, high }: Props) {
  const surround = usePrefs((prefs) => prefs.surround);
  return (
    <Box component="figure" sx={{ m: 0, flex: 1, minWidth: 0 }}>
      <Box
        sx={{
          ...{ bgcolor: SURROUNDS[surround], p: `${EDGE_PX}px`, height: high },
          ...{ display: "grid", placeItems: "center" },
          "& canvas": { maxWidth: "100%", maxHeight: high - 2 * EDGE_PX, objectFit: "contain" },
        }}
      >
        {pixels ? (
          <Picture pixels={pixels} label={label} cssWidth={`${pixels.width}px`} />
        ) : (
          <Typography variant="caption" sx={{ color: surround === "dark" ? "#fff" : "#1d1d1d" }}>
            {pixels === undefined ? "being painted …" : "it cannot be painted as it is"}
          </Typography>
        )}
      </Box>
      <Typography component="figcaption" variant="caption">
        {caption}
      </Typography>
    </Box>
  );
}
