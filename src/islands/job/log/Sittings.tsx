import { Box, Button, Typography } from "@mui/material";
import type { Sitting } from "../../../core/job";
import { entriesIn, openSitting } from "../../../core/record/sittings";
import { counted, formatMinutes } from "../../../core/units";
import { TextEdit } from "../../../ui/TextEdit";
import { TimeField } from "../../../ui/TimeField";
import { Photos } from "./Photos";
import { beginSitting, changeSitting, endSitting, removeSitting, useHistory } from "../historyStore";

const NO_PHOTOS: readonly string[] = [];

const minutesFrom = (from: string, to: string): number => (Date.parse(to) - Date.parse(from)) / 60_000;

function SittingLine({ sitting, number }: { readonly sitting: Sitting; readonly number: number }) {
  const { log } = useHistory();
  const { startedAt, endedAt } = sitting;
  const own = entriesIn(sitting, log);
  const noted = own.reduce((sum, { minutes }) => sum + (minutes ?? 0), 0);
  const lasted = endedAt === null ? null : minutesFrom(startedAt, endedAt);
  const titles = own.map(({ cardTitle }) => cardTitle).join(", ");
  return (
    <Box component="li" sx={{ listStyle: "none", borderTop: 1, borderColor: "divider", py: 1.5 }}>
      <Typography sx={{ fontWeight: 500, mb: 1 }}>
        Sitting {number}: {lasted === null ? "goes on" : formatMinutes(lasted)},{" "}
        {counted(own.length, "entry", "entries")}
        {noted > 0 && `, ${formatMinutes(noted)} noted`}
      </Typography>
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap", alignItems: "flex-start" }}>
        <TimeField
          label="Began"
          at={startedAt}
          wrong={(iso) => (endedAt !== null && iso >= endedAt ? "It must begin before it ends." : null)}
          onChange={(iso) => changeSitting(sitting, { startedAt: iso })}
        />
        {endedAt === null ? (
          <Button onClick={endSitting}>End it now</Button>
        ) : (
          <TimeField
            label="Ended"
            at={endedAt}
            wrong={(iso) => (iso <= startedAt ? "It must end after it began." : null)}
            onChange={(iso) => changeSitting(sitting, { endedAt: iso })}
          />
        )}
        <Box sx={{ flex: 1, minWidth: 180, display: "grid" }}>
          <TextEdit
            label="Note on the sitting"
            value={sitting.note}
            most={4000}
            optional
            rows={1}
            onChange={(note) => changeSitting(sitting, { note })}
          />
        </Box>
        <Button onClick={() => removeSitting(sitting)}>Remove</Button>
      </Box>
      <Box sx={{ mt: 1 }}>
        <Photos
          kind="sittings"
          id={sitting.id}
          of={`sitting ${number}`}
          photos={sitting.photos ?? NO_PHOTOS}
        />
      </Box>
      {titles !== "" && (
        <Typography variant="body2" sx={{ mt: 0.5 }}>
          {titles}
        </Typography>
      )}
    </Box>
  );
}

/** Times at the bench, the newest first. */
export function Sittings() {
  const { sittings } = useHistory();
  const open = openSitting(sittings);
  const listed = sittings
    .toSorted((a, b) => a.startedAt.localeCompare(b.startedAt))
    .map((sitting, at) => ({ sitting, number: at + 1 }))
    .toReversed();
  return (
    <>
      <Box sx={{ display: "flex", alignItems: "center", gap: 2, mb: 1 }}>
        <Typography variant="body2" sx={{ flex: 1 }}>
          A sitting begins by itself when you go to the bench, and ends when you leave it.
        </Typography>
        {!open && <Button onClick={beginSitting}>Begin a sitting now</Button>}
      </Box>
      <Box component="ol" sx={{ m: 0, p: 0 }}>
        {listed.map(({ sitting, number }) => (
          <SittingLine key={sitting.id} sitting={sitting} number={number} />
        ))}
      </Box>
      {sittings.length === 0 && <Typography>No sitting yet.</Typography>}
    </>
  );
}
