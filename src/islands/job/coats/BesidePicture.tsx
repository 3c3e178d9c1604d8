import { Box, Typography } from "@mui/material";
import type { Job } from "../../../core/job";
import { Picture } from "../../../ui/Picture";
import { useThumbnail } from "../../useThumbnail";
import { usePaints } from "../jobStore";

/** Distances from which a piece is judged, mm, and what they are called. */
const FAR = [
  [600, "at arm's length, 60\u202fcm"],
  [1200, "across the table, 120\u202fcm"],
] as const;

interface Seen {
  readonly job: Job;
  readonly surfaceId: string;
  readonly title: string;
  readonly viewMm: number | null;
  readonly heightPx: number;
}

function SeenFrom({ job, surfaceId, title, viewMm, heightPx }: Seen) {
  const specimen = useThumbnail(job, usePaints(), surfaceId, viewMm);
  return (
    <Box
      sx={{
        ...{ height: heightPx, display: "flex", alignItems: "center", justifyContent: "center" },
        ...{ bgcolor: "background.default", overflow: "hidden" },
      }}
    >
      {specimen && <Picture pixels={specimen} label={title} cssWidth="100%" />}
      {specimen === null && <Typography sx={{ p: 1 }}>This one cannot be painted as it is set.</Typography>}
      {specimen === undefined && <Typography sx={{ p: 1 }}>Painting it</Typography>}
    </Box>
  );
}

/** One way a surface could look: near, at arm's length and across the table. */
export function BesidePicture({
  job,
  surfaceId,
  title,
  note,
  children,
}: {
  readonly job: Job;
  readonly surfaceId: string;
  readonly title: string;
  readonly note?: string;
  readonly children?: React.ReactNode;
}) {
  const of = { job, surfaceId };
  return (
    <Box component="section" aria-label={title} sx={{ width: 252, flexShrink: 0 }}>
      <Typography variant="h3">{title}</Typography>
      {note && (
        <Typography variant="body2" sx={{ mb: 0.5 }}>
          {note}
        </Typography>
      )}
      <SeenFrom {...of} title={`${title}, simulated`} viewMm={null} heightPx={128} />
      <Box sx={{ display: "flex", gap: 1, mt: 0.5 }}>
        {FAR.map(([viewMm, words]) => (
          <Box key={viewMm} sx={{ flex: 1, minWidth: 0 }}>
            <SeenFrom {...of} title={`${title}, ${words}`} viewMm={viewMm} heightPx={64} />
            <Typography variant="caption">{words}</Typography>
          </Box>
        ))}
      </Box>
      {children && <Box sx={{ display: "flex", gap: 1, mt: 0.5 }}>{children}</Box>}
    </Box>
  );
}
