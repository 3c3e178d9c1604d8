import { Box, Button } from "@mui/material";
import { useMemo, useState } from "react";
import { withSurface } from "../../../../core/edits/surfaces";
import type { Job } from "../../../../core/job";
import type { Mending, WayOn } from "../../../../core/mishaps/mend";
import { FramedPicture } from "../../../../ui/FramedPicture";
import { usePiece } from "../../../useThumbnail";
import { usePaints } from "../../jobStore";
import { FIRST_WAYS, Ways } from "./Ways";

const MOST_PX = 300;

interface LookProps {
  readonly job: Job;
  readonly surfaceId: string;
  readonly label: string;
}

/** The finished piece as it comes out. */
function Look({ job, surfaceId, label }: LookProps) {
  const paints = usePaints();
  const piece = usePiece(job, paints, surfaceId, { pxPerMm: 200, mostPx: MOST_PX });
  return <FramedPicture pixels={piece} label={label} caption={label} high={170} />;
}

interface AnswerProps {
  readonly job: Job;
  readonly surfaceId: string;
  readonly mending: Mending;
  readonly chosen: WayOn;
  readonly goal: "look" | "marks";
  readonly onChoose: (id: string) => void;
}

/** What comes of it: the piece as it was to be, as it comes out if nothing is done, and by the way that is chosen. */
export function Answer({ job, surfaceId, mending, chosen, goal, onChoose }: AnswerProps) {
  const [all, setAll] = useState(false);
  const looks = useMemo(
    () => ({
      happened: withSurface(job, surfaceId, () => mending.happened),
      mended: withSurface(job, surfaceId, () => chosen.surface),
    }),
    [job, surfaceId, mending, chosen],
  );
  return (
    <>
      <Box sx={{ display: "flex", gap: 1, mb: 1 }}>
        <Look job={job} surfaceId={surfaceId} label="finished as planned" />
        <Look job={looks.happened} surfaceId={surfaceId} label="with nothing done" />
        <Look job={looks.mended} surfaceId={surfaceId} label="on this way" />
      </Box>
      <Ways {...{ mending, chosen, goal, onChoose, all }} />
      {!all && mending.ways.length > FIRST_WAYS && (
        <Button onClick={() => setAll(true)}>{mending.ways.length - FIRST_WAYS} more ways</Button>
      )}
    </>
  );
}
