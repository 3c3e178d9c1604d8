import { Box, Typography } from "@mui/material";
import type { Job, OwnScheme, Paint } from "../../core/job";
import { Picture } from "../../ui/Picture";
import { usePrefs } from "../../ui/prefs";
import { SURROUNDS } from "../../ui/theme";
import { usePiece } from "../useThumbnail";
import { useSchemeJob } from "./schemePieces";

const HEIGHT_PX = 170;

function Painted({
  job,
  paints,
  label,
}: {
  readonly job: Job;
  readonly paints: readonly Paint[];
  readonly label: string;
}) {
  const surround = usePrefs((prefs) => prefs.surround);
  const piece = usePiece(job, paints, job.surfaces[0]!.id, { pxPerMm: 60, mostPx: 320 });
  const colour = surround === "dark" ? "#fff" : "#000";
  if (piece === undefined) return <Typography sx={{ color: colour }}>Painting it</Typography>;
  if (piece === null) return <Typography sx={{ color: colour }}>It cannot be painted.</Typography>;
  return <Picture pixels={piece} label={label} cssWidth="100%" />;
}

/** A scheme as it looks on the piece it was kept from. */
export function SchemePicture({
  scheme,
  paints,
}: {
  readonly scheme: OwnScheme;
  readonly paints: readonly Paint[];
}) {
  const surround = usePrefs((prefs) => prefs.surround);
  const job = useSchemeJob(scheme, paints);
  return (
    <Box
      sx={{
        ...{ height: HEIGHT_PX, bgcolor: SURROUNDS[surround], p: 1 },
        ...{ display: "grid", placeItems: "center", overflow: "hidden" },
        "& canvas": {
          width: "auto !important",
          maxWidth: "100%",
          maxHeight: HEIGHT_PX - 16,
          objectFit: "contain",
        },
      }}
    >
      {typeof job === "string" ? (
        <Typography color="error">{job}</Typography>
      ) : (
        <Painted job={job} paints={paints} label={`${scheme.name}, simulated`} />
      )}
    </Box>
  );
}
