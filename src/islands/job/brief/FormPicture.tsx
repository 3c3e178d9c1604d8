import { Box } from "@mui/material";
import type { FormId } from "../../../core/surface/forms";
import { usePrefs } from "../../../ui/prefs";
import { SURROUNDS } from "../../../ui/theme";

interface Props {
  readonly id: FormId;
  readonly heightPx: number;
  /** All there is where left out. */
  readonly widthPx?: number;
}

/** A form as it looks bare under the lamp, of usual sizes; its name stands beside it. */
export function FormPicture({ id, heightPx, widthPx }: Props) {
  const surround = usePrefs((prefs) => prefs.surround);
  return (
    <Box
      component="span"
      sx={{
        ...{ display: "grid", placeItems: "center", bgcolor: SURROUNDS[surround] },
        ...{ height: heightPx, width: widthPx, p: 0.5, flexShrink: 0 },
      }}
    >
      <img
        src={`/forms/${id}.png`}
        alt=""
        loading="lazy"
        style={{ maxWidth: widthPx ? widthPx - 8 : "100%", maxHeight: heightPx - 8, objectFit: "contain" }}
      />
    </Box>
  );
}
