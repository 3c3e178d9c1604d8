import { Box, FormControlLabel, MenuItem, Switch, TextField, Typography } from "@mui/material";
import type { FieldSpec, FieldSpecs } from "../../../../core/patterns/fields";
import { NumberField } from "../../../../ui/NumberField";
import { TextEdit } from "../../../../ui/TextEdit";
import { MixPick } from "./MixPick";
import type { SetterProps } from "./setter";

interface FieldProps {
  readonly spec: FieldSpec;
  readonly value: unknown;
  readonly onChange: (value: unknown) => void;
}

function Field({ spec, value, onChange }: FieldProps) {
  switch (spec.kind) {
    case "number":
      return (
        <NumberField
          label={spec.label}
          unit={spec.unit}
          width={150}
          min={spec.range[0]}
          max={spec.range[1]}
          step={spec.step}
          value={typeof value === "number" ? value : spec.default}
          onChange={onChange}
        />
      );
    case "choice":
      return (
        <TextField
          select
          label={spec.label}
          sx={{ width: 190 }}
          value={typeof value === "string" ? value : spec.default}
          onChange={(event) => onChange(event.target.value)}
        >
          {spec.options.map(([name, label]) => (
            <MenuItem key={name} value={name}>
              {label}
            </MenuItem>
          ))}
        </TextField>
      );
    case "text":
      return (
        <TextEdit
          label={spec.label}
          most={spec.most}
          value={typeof value === "string" ? value : spec.default}
          onChange={onChange}
        />
      );
    case "yes":
      return (
        <FormControlLabel
          control={<Switch size="small" checked={value === true} onChange={(_event, on) => onChange(on)} />}
          label={spec.label}
        />
      );
    case "mix":
      return (
        <MixPick
          label={spec.label}
          value={typeof value === "string" ? value : null}
          onChange={(id) => id !== null && onChange(id)}
        />
      );
  }
}

/** A setter made of a family's fields, for families without one of their own. */
export function FieldSetter({
  specs,
  params,
  problem,
  change,
}: SetterProps & { readonly specs: FieldSpecs }) {
  const values = params as Readonly<Record<string, unknown>>;
  return (
    <Box sx={{ p: 2, display: "grid", gap: 2 }}>
      {problem !== null && <Typography color="error">{problem}</Typography>}
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 2, alignItems: "flex-start" }}>
        {Object.entries(specs).map(([name, spec]) => (
          <Box key={name} sx={{ maxWidth: 220 }}>
            <Field spec={spec} value={values[name]} onChange={(value) => change({ [name]: value })} />
            <Typography variant="caption" component="p" sx={{ mt: 0.3 }}>
              {spec.about}
            </Typography>
          </Box>
        ))}
      </Box>
    </Box>
  );
}
