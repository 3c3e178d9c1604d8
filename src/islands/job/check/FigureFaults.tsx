import { Box, Button, MenuItem, TextField, Typography } from "@mui/material";
import { applyRemedy } from "../../../core/checks/applyRemedy";
import type { Finding } from "../../../core/checks/finding";
import type { Figure } from "../../../core/job";
import { judgeFrom, showOnFigure, SIDES, useFigureLook, type SideName } from "../figure/figureLook";
import type { FigureJudgedState, MendedFault } from "../figure/useFigureJudged";
import { useEdit, useJob } from "../jobStore";
import { FindingLine } from "./FindingLine";

/** A fault of the figure as any other finding is told. */
function asFinding(fault: MendedFault, nameOf: (id: string) => string): Finding {
  const { kind, gravity, partId, otherId, sentence, reason, remedies } = fault;
  const where = otherId === null ? nameOf(partId) : `${nameOf(partId)} and ${nameOf(otherId)}`;
  return {
    ...{ id: `figure/${kind}/${partId}`, gravity, surfaceId: partId, coatId: null },
    ...{ where, sentence, reason, remedies },
  };
}

function Faults({ faults }: Pick<FigureJudgedState, "faults">) {
  const { surfaces } = useJob();
  const edit = useEdit();
  const nameOf = (id: string) => surfaces.find((surface) => surface.id === id)?.name ?? id;
  return faults.map((fault) => {
    const finding = asFinding(fault, nameOf);
    return (
      <Box key={finding.id}>
        <FindingLine finding={finding} onRemedy={(remedy) => edit((now) => applyRemedy(now, remedy))} />
        <Button sx={{ px: 0 }} onClick={() => showOnFigure(finding.where, fault.at)}>
          Show where
        </Button>
      </Box>
    );
  });
}

interface Props extends FigureJudgedState {
  readonly figure: Figure;
}

/** How far the judgement is, in words; null where what it found says it. */
function saidOf({ answer, faults, busy, trying }: Omit<FigureJudgedState, "failed">): string | null {
  if (!answer) return busy ? "The figure is being judged." : null;
  if (trying) return "What would mend these is being tried on the figure.";
  return faults.length === 0 ? "Nothing found on the figure as one." : null;
}

/** What is found on the figure as one. */
export function FigureFaults({ figure, answer, faults, busy, trying, failed }: Props) {
  const from = useFigureLook(({ judgedFrom }) => judgedFrom);
  const state = failed ?? saidOf({ answer, faults, busy, trying });
  return (
    <Box role="group" aria-label={`${figure.name} as one`} sx={{ display: "grid", gap: 1 }}>
      <Typography variant="h3">The figure as one</Typography>
      <TextField
        select
        size="small"
        label="Judged from"
        value={from}
        onChange={(event) => judgeFrom(event.target.value as SideName)}
        sx={{ width: 180, mt: 0.5 }}
      >
        {SIDES.map(({ name }) => (
          <MenuItem key={name} value={name}>
            {name}
          </MenuItem>
        ))}
      </TextField>
      {state !== null && (
        <Typography variant="body2" role="status">
          {state}
        </Typography>
      )}
      <Faults faults={faults} />
    </Box>
  );
}
