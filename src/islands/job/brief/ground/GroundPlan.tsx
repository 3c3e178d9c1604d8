import { Box, Typography } from "@mui/material";
import type { Surface } from "../../../../core/job";
import type { SurfaceForm } from "../../../../core/surface/forms/form";
import { formatNumber } from "../../../../core/units";
import type { GroundAnswer } from "../../../../worker/questions/ground";
import { Picture } from "../../../../ui/Picture";
import { BareStill } from "../BareStill";
import { GroundMarks } from "./GroundMarks";

interface GroundPlanProps {
  readonly surface: Surface;
  readonly form: SurfaceForm;
  /** Null until it is worked out. */
  readonly answer: GroundAnswer | null;
}

/** A base as it stands, and from straight above with what is built on it, which is placed there by hand. */
export function GroundPlan({ surface, form, answer }: GroundPlanProps) {
  const { minX, maxX, minY, maxY } = form.bounds;
  const [long, wide] = [maxX - minX, maxY - minY];
  return (
    <Box
      sx={{
        ...{ height: "100%", p: 2, display: "grid", gap: 1.5, minHeight: 0 },
        gridTemplateRows: "minmax(0, 2fr) minmax(0, 3fr)",
      }}
    >
      <BareStill surfaceId={surface.id} />
      <Box sx={{ display: "flex", flexDirection: "column", gap: 0.5, minHeight: 0 }}>
        <Typography variant="body2">
          From above, {formatNumber(long, 1)} × {formatNumber(wide, 1)}&#8239;mm: drag pieces and feet to
          their places; the front is below.
        </Typography>
        <Box sx={{ flex: 1, minHeight: 0, display: "grid", placeItems: "center", containerType: "size" }}>
          {answer && (
            <Box
              sx={{
                position: "relative",
                width: `min(100cqw, calc(100cqh * ${answer.picture.width / answer.picture.height}))`,
              }}
            >
              <Picture pixels={answer.picture} label="The bare base from above" cssWidth="100%" />
              <GroundMarks {...{ surface, form, view: answer.picture }} />
            </Box>
          )}
        </Box>
      </Box>
    </Box>
  );
}
