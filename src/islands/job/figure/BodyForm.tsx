import { Box, MenuItem, TextField, Typography } from "@mui/material";
import { bodies, bodyIds, bodyUse, isBodyId } from "../../../core/figure/bodies";
import { seatAll } from "../../../core/edits/seats";
import { changeFigure } from "../../../core/edits/figures";
import type { Figure } from "../../../core/job";
import { completeParams } from "../../../core/params";
import { NumberField } from "../../../ui/NumberField";
import { useEdit } from "../jobStore";

/** What a figure is made of below its pieces, and its pose. */
export function BodyForm({ figure }: { readonly figure: Figure }) {
  const edit = useEdit();
  const { body } = figure;
  const definition = body && isBodyId(body.id) ? bodies[body.id] : null;
  const choose = (id: string) =>
    edit((job) =>
      isBodyId(id)
        ? seatAll(changeFigure(job, figure.id, { body: bodyUse(id, figure) }), figure.id)
        : changeFigure(job, figure.id, { body: null }),
    );
  const values = definition && completeParams(definition.params, body?.params ?? {});
  return (
    <Box role="group" aria-label="Body" sx={{ display: "grid", gap: 2 }}>
      <TextField
        select
        label="Body"
        value={definition ? definition.id : "none"}
        helperText={definition?.about ?? "Pieces lie aside, each lit as if it faced you."}
        onChange={(event) => choose(event.target.value)}
      >
        <MenuItem value="none">none</MenuItem>
        {bodyIds.map((id) => (
          <MenuItem key={id} value={id}>
            {bodies[id].label}
          </MenuItem>
        ))}
      </TextField>
      {definition && values && body && (
        <>
          <Typography variant="h3">Pose</Typography>
          <Box sx={{ display: "grid", gap: 2, gridTemplateColumns: "1fr 1fr" }}>
            {Object.entries(definition.params).map(([name, spec]) => (
              <NumberField
                key={`${definition.id}-${name}`}
                label={spec.label}
                unit={spec.unit}
                min={spec.range[0]}
                max={spec.range[1]}
                step={spec.step}
                value={values[name]!}
                onChange={(value) =>
                  edit((job) =>
                    changeFigure(job, figure.id, {
                      body: { ...body, params: { ...body.params, [name]: value } },
                    }),
                  )
                }
              />
            ))}
          </Box>
        </>
      )}
    </Box>
  );
}
