import { Box, Button, MenuItem, TextField } from "@mui/material";
import { changeFigure, surfacesOf, withFigure, withoutFigure } from "../../../core/edits/figures";
import { figureOf, type Figure } from "../../../core/job";
import { TextEdit } from "../../../ui/TextEdit";
import { useEdit, useJob } from "../jobStore";
import { useSurface } from "../useSurface";
import { useView } from "../viewStore";

/** The figure whose brief is shown: the one chosen last, else that of the surface being worked on. */
export function useBriefFigure(): Figure {
  const job = useJob();
  const surface = useSurface();
  const chosen = useView((view) => view.figureId);
  return job.figures.find(({ id }) => id === chosen) ?? figureOf(job, surface);
}

/** Which figure of the job is meant, another one added, one without surfaces removed. */
export function FigureSwitch() {
  const job = useJob();
  const edit = useEdit();
  const set = useView((view) => view.set);
  const figure = useBriefFigure();
  const several = job.figures.length > 1;
  const show = (id: string) => {
    const first = surfacesOf(job, id)[0];
    set({ figureId: id, ...(first ? { surfaceId: first.id, coatId: null, upTo: null } : {}) });
  };
  const add = () => {
    const grown = withFigure(job, `Figure ${job.figures.length + 1}`);
    edit(() => grown);
    set({ figureId: grown.figures.at(-1)!.id });
  };
  return (
    <Box sx={{ display: "grid", gap: 2 }}>
      {several && (
        <>
          <TextField
            select
            label="Figure of this job"
            value={figure.id}
            onChange={(event) => show(event.target.value)}
          >
            {job.figures.map(({ id, name }) => (
              <MenuItem key={id} value={id}>
                {name}
              </MenuItem>
            ))}
          </TextField>
          <TextEdit
            label="Name of the figure"
            value={figure.name}
            most={80}
            onChange={(name) => edit((now) => changeFigure(now, figure.id, { name }))}
          />
        </>
      )}
      <Box sx={{ display: "flex", gap: 1 }}>
        <Button onClick={add} disabled={job.figures.length >= 20}>
          Add a figure
        </Button>
        {several && surfacesOf(job, figure.id).length === 0 && (
          <Button
            onClick={() => {
              edit((now) => withoutFigure(now, figure.id));
              set({ figureId: null });
            }}
          >
            Remove {figure.name}
          </Button>
        )}
      </Box>
    </Box>
  );
}

/** Which figure a surface is a part of; shown where there is a choice. */
export function PartOf({
  figureId,
  onChange,
}: {
  readonly figureId: string;
  readonly onChange: (figureId: string) => void;
}) {
  const { figures } = useJob();
  if (figures.length < 2) return null;
  return (
    <TextField select label="Part of" value={figureId} onChange={(event) => onChange(event.target.value)}>
      {figures.map(({ id, name }) => (
        <MenuItem key={id} value={id}>
          {name}
        </MenuItem>
      ))}
    </TextField>
  );
}
