import { Box, Button, Link, Typography } from "@mui/material";
import { useRef, useState, type ReactNode } from "react";
import { REAL_EYE_HEIGHT_MM, type Paint } from "../../core/job";
import type { Painter } from "../../core/painter";
import { totalsOf } from "../../core/plan/cards";
import { isDone } from "../../core/plan/progress";
import { counted, formatMinutes, formatNumber } from "../../core/units";
import { DamagedStrip } from "./DamagedStrip";
import { FigureThumb, shownWhole } from "./FigureThumb";
import { NameField } from "./NameField";
import { ROW_PX } from "./room";
import { SurfaceThumb } from "./SurfaceThumb";
import type { JobSummary } from "./useDesk";
import { useDeskJob, type DeskJob } from "./useDeskJob";
import { useJobCards } from "./useJobCards";

interface Props {
  readonly summary: JobSummary;
  readonly paints: readonly Paint[];
  readonly painter: Painter;
  readonly onRename: (name: string) => void;
  /** With what happened at the bench, or only the design, to be painted once more. */
  readonly onCopy: (history: boolean) => void;
  readonly onDelete: () => void;
}

/** Scale, standard and primer, without the job being read. */
function Sizes({ summary }: { readonly summary: JobSummary }) {
  const { eyeHeightMm, standard, primer, figures, surfaces } = summary;
  if (eyeHeightMm === null) return null;
  return (
    <Typography variant="body2">
      1 : {formatNumber(REAL_EYE_HEIGHT_MM / eyeHeightMm, 0)}, {formatNumber(eyeHeightMm, 0)}&#8239;mm to the
      eyes, {standard}, {primer} primer, {counted(figures ?? 1, "figure")},{" "}
      {counted(surfaces ?? 0, "surface")}
    </Typography>
  );
}

interface NextProps {
  readonly id: string;
  readonly read: DeskJob;
  readonly paints: readonly Paint[];
  readonly painter: Painter;
  /** What else can be done with the job. */
  readonly children: ReactNode;
}

/** What is to be painted next, and the way to it. */
function NextCard({ id, read, paints, painter, children }: NextProps) {
  const known = read.kind === "read" ? read : null;
  const found = useJobCards(known?.job ?? null, paints, painter);
  const cards = found ?? [];
  const next = cards.find((card) => !isDone(card, known?.history.log ?? []));
  const at = next ? cards.indexOf(next) + 1 : cards.length;
  const begun = next !== undefined && at > 1;
  return (
    <>
      <Typography sx={{ mt: 1.5, minHeight: 40 }} color={read.kind === "failed" ? "error" : undefined}>
        {read.kind === "failed" ? (
          read.message
        ) : next ? (
          <>
            Next card: <b>{next.title}</b>, {at} of {cards.length}.{" "}
            {formatMinutes(totalsOf(cards.slice(at - 1)).handMinutes)} of painting left.
          </>
        ) : found === null ? (
          "Counting its cards …"
        ) : cards.length > 0 ? (
          "All cards are done."
        ) : (
          "No cards yet: open the brief and mend what it says."
        )}
      </Typography>
      <Box sx={{ display: "flex", gap: 1, mt: 1, flexWrap: "wrap" }}>
        <Button variant="contained" sx={{ minWidth: 136 }} href={`/job/${id}/${begun ? "bench" : "brief"}`}>
          {begun ? "Go on painting" : "Open"}
        </Button>
        {children}
      </Box>
    </>
  );
}

/** One job on the desk: its surfaces at their true relative size, and its next card. */
export function JobStrip({ summary, paints, painter, onRename, onCopy, onDelete }: Props) {
  const { id, name, updatedAt } = summary;
  const [renaming, setRenaming] = useState(false);
  const host = useRef<HTMLElement>(null);
  const read = useDeskJob(host, id, updatedAt);
  if (read.kind === "damaged")
    return <DamagedStrip id={id} name={name} message={read.message} onDelete={onDelete} />;
  const whole = read.kind === "read" ? shownWhole(read.job) : null;
  return (
    <Box
      component="article"
      ref={host}
      aria-label={name}
      sx={{
        ...{ borderTop: 1, borderColor: "divider", py: 2, display: "grid", columnGap: 3, rowGap: 2 },
        gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "300px minmax(0, 1fr)" },
      }}
    >
      <Box>
        {renaming ? (
          <NameField
            value={name}
            onDone={(next) => {
              setRenaming(false);
              if (next !== null) onRename(next);
            }}
          />
        ) : (
          <Typography variant="h2" sx={{ fontSize: 17, lineHeight: "24px" }}>
            <Link href={`/job/${id}/coats`} color="inherit" underline="hover">
              {name}
            </Link>
          </Typography>
        )}
        <Sizes summary={summary} />
        <NextCard id={id} read={read} paints={paints} painter={painter}>
          <Button onClick={() => setRenaming(true)}>Rename</Button>
          <Button title="The design alone, to be painted once more" onClick={() => onCopy(false)}>
            Copy
          </Button>
          <Button href={`/api/jobs/${id}/export`}>Export</Button>
          <Button onClick={onDelete}>Delete</Button>
          {read.kind === "read" && read.history.log.length > 0 && (
            <Button title="Design, log and wells" onClick={() => onCopy(true)}>
              Copy with its log
            </Button>
          )}
        </NextCard>
      </Box>
      <Box
        role="group"
        aria-label={`Pictures of ${name}`}
        // What is pushed along has to be reached by keys.
        tabIndex={0}
        sx={{ display: "flex", gap: 2, height: ROW_PX, overflowX: "auto", overflowY: "hidden" }}
      >
        {read.kind === "read" && whole && <FigureThumb job={read.job} figure={whole} paints={paints} />}
        {read.kind === "read" &&
          read.job.surfaces.map((surface) => (
            <SurfaceThumb key={surface.id} job={read.job} paints={paints} surface={surface} />
          ))}
      </Box>
    </Box>
  );
}
