import { Box, MenuItem, TextField, Typography } from "@mui/material";
import { PRIMERS, REAL_EYE_HEIGHT_MM, ratioOf, STANDARDS, type Figure } from "../../../core/job";
import { changeFigure } from "../../../core/edits/figures";
import { NumberField } from "../../../ui/NumberField";
import { TextEdit } from "../../../ui/TextEdit";
import { BodyForm } from "../figure/BodyForm";
import { useEdit, useJob } from "../jobStore";
import { FigureSwitch, useBriefFigure } from "./FigureSwitch";

/** The figure: scale, standard, primer, hand and notes. */
export function FigureForm() {
  const { hand, name } = useJob();
  const figure = useBriefFigure();
  const edit = useEdit();
  const set = (change: Partial<Omit<Figure, "id">>) => edit((job) => changeFigure(job, figure.id, change));
  return (
    <Box sx={{ display: "grid", gap: 2, px: 2, pb: 2 }}>
      <TextEdit
        label="Name of the job"
        value={name}
        most={80}
        onChange={(next) => edit((job) => ({ ...job, name: next }))}
      />
      <FigureSwitch />
      <Box sx={{ display: "flex", gap: 1 }}>
        <NumberField
          label="Ground to eyes"
          unit="mm"
          min={5}
          max={400}
          step={1}
          value={figure.eyeHeightMm}
          onChange={(eyeHeightMm) => set({ eyeHeightMm })}
        />
        <NumberField
          label="Scale 1 :"
          min={4.1}
          max={326}
          step={1}
          value={Math.round(ratioOf(figure) * 10) / 10}
          onChange={(ratio) => set({ eyeHeightMm: Math.round((REAL_EYE_HEIGHT_MM / ratio) * 100) / 100 })}
        />
      </Box>
      <Box sx={{ display: "flex", gap: 1 }}>
        <TextField
          select
          label="Standard"
          fullWidth
          value={figure.standard}
          onChange={(event) => set({ standard: event.target.value as Figure["standard"] })}
        >
          {STANDARDS.map((standard) => (
            <MenuItem key={standard} value={standard}>
              {standard}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          select
          label="Primer"
          fullWidth
          value={figure.primer}
          onChange={(event) => set({ primer: event.target.value as Figure["primer"] })}
        >
          {PRIMERS.map((primer) => (
            <MenuItem key={primer} value={primer}>
              {primer}
            </MenuItem>
          ))}
        </TextField>
      </Box>
      <Box sx={{ display: "flex", gap: 1 }}>
        <NumberField
          label="Looked at from"
          unit="cm"
          min={5}
          max={500}
          step={5}
          value={figure.viewingDistanceMm / 10}
          onChange={(cm) => set({ viewingDistanceMm: cm * 10 })}
        />
        <NumberField
          label="Figures alike"
          min={1}
          max={500}
          whole
          value={figure.count}
          onChange={(count) => set({ count })}
        />
      </Box>
      <BodyForm figure={figure} />
      <Typography variant="h3">Hand for this job</Typography>
      <Box sx={{ display: "flex", gap: 1 }}>
        <NumberField
          label="Finest line"
          unit="mm"
          min={0.03}
          max={1}
          step={0.01}
          value={hand.finestLineMm}
          onChange={(finestLineMm) => edit((job) => ({ ...job, hand: { ...job.hand, finestLineMm } }))}
        />
        <NumberField
          label="Steadiness"
          unit="%"
          min={0}
          max={100}
          step={5}
          value={Math.round(hand.steadiness01 * 100)}
          onChange={(value) => edit((job) => ({ ...job, hand: { ...job.hand, steadiness01: value / 100 } }))}
        />
      </Box>
      <TextEdit
        label="Notes"
        value={figure.notes}
        most={20000}
        optional
        rows={3}
        onChange={(notes) => set({ notes })}
      />
    </Box>
  );
}
